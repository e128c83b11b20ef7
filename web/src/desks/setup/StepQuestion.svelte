<script lang="ts">
  import Plate from '../../drawings/plants/Plate.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import type { Question } from './questions';

  interface Props {
    question: Question;
    value: string;
    /** It may be left for later. */
    optional: boolean;
    trouble: string;
  }
  let { question, value = $bindable(), optional, trouble }: Props = $props();
  const COMMON = 'A usual answer to begin with. Put your own, now or later.';
  let whyOpen = $state(false);
</script>

<!-- One question; where a usual answer stands in it, why that one. -->
<div>
  {#if question.options && question.drawn}
    <fieldset>
      <legend>{question.label}</legend>
      {#each question.options as option (option.value)}
        <label>
          <input type="radio" name={question.key} value={option.value} bind:group={value} />
          <Plate marks={question.drawn(option.value)} size={72} />
          <span>{option.name}</span>
        </label>
      {/each}
    </fieldset>
    {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  {:else if question.options}
    <Choice label={question.label} labelled bind:value options={question.options} />
    {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  {:else}
    <Field
      label={optional ? `${question.label} (if known)` : question.label}
      type={question.kind === 'date' ? 'date' : 'text'}
      inputmode={question.kind === 'decimal' ? 'decimal' : undefined}
      autocomplete="off"
      bind:value
      hint={question.hint}
      {trouble}
    />
  {/if}
  {#if question.usual}
    <button type="button" aria-expanded={whyOpen} onclick={() => (whyOpen = !whyOpen)}>why?</button>
    {#if whyOpen}<p class="because">{question.why ?? COMMON}</p>{/if}
  {/if}
</div>

<style>
  div {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
  }

  fieldset {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    border: 0;
  }

  legend {
    padding: 0 0 var(--space-1);
    font-weight: 550;
  }

  label {
    display: grid;
    grid-template-columns: auto 72px minmax(0, 1fr);
    gap: var(--space-2);
    align-items: center;
    padding: var(--space-1) var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    font-size: var(--text-s);
    line-height: 1.25;
    cursor: pointer;
  }

  label:has(:checked) {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
  }

  input {
    width: 20px;
    height: 20px;
    accent-color: var(--color-rim);
  }

  button {
    justify-self: start;
    min-height: var(--touch);
    padding: 0;
    border: 0;
    background: none;
    color: var(--color-rim);
    font-size: var(--text-s);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }

  p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
