<script lang="ts">
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
  {#if question.options}
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
