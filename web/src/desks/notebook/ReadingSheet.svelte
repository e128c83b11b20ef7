<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import WordMark from '../place/WordMark.svelte';
  import { NewReading } from './reading.svelte';

  interface Props {
    /** What the pen is in, where that is known. */
    subjectId: string;
    open: boolean;
  }
  let { subjectId, open = $bindable() }: Props = $props();
  const reading = new NewReading();

  const SCALES = [
    { value: 'mS/cm', name: 'mS/cm' },
    { value: 'uS/cm', name: 'µS/cm' },
    { value: 'ppm500', name: 'ppm, 500 scale' },
    { value: 'ppm700', name: 'ppm, 700 scale' },
  ];
  const CORRECTS = [
    { value: 'yes', name: 'The pen corrects to 25 °C' },
    { value: 'no', name: 'It does not: I give the temperature' },
  ];
  const SHOWN = ['value', 'temperature_c', 'parts_water', 'taken_at', 'pots'];

  $effect(() => {
    if (open) untrack(() => void reading.load(subjectId));
  });

  // What the number means is said at once, as it is typed or dipped.
  $effect(() => {
    const { value, scale, method, subjectId, compensates, temperature } = reading;
    if (open && value + scale + method + subjectId + compensates + temperature) {
      untrack(() => void reading.mean());
    }
  });

  const pen = $derived(reading.found?.pens.find((one) => one.id === reading.penId));
  /** Too strong for most pens: how it was thinned is asked at once. */
  const strong = $derived(reading.subject?.kind === 'brew' || reading.subject?.parts_water);
  const trouble = (field: string) =>
    reading.problem?.field === field ? reading.problem.message : '';
  const elsewhere = $derived(
    reading.problem && !SHOWN.includes(reading.problem.field) ? reading.problem.message : '',
  );
  const named = (rows: { id: string; name: string }[]) =>
    rows.map((one) => ({ value: one.id, name: one.name }));

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    if (await reading.keep()) open = false;
  }
</script>

{#snippet diluted()}
  <Field
    label="Diluted before it was read, 1 +"
    inputmode="decimal"
    autocomplete="off"
    hint="Leave it out if it was not."
    bind:value={reading.parts}
    trouble={trouble('parts_water')}
  />
{/snippet}

<Sheet title="What does the pen say?" bind:open>
  {#if reading.found && reading.found.subjects.length === 0}
    <p>There is nothing to read yet: pour a can, or set up a place or a water first.</p>
    <a href="/setup">To the set-up</a>
  {:else if reading.found}
    <form onsubmit={keep} novalidate>
      <Choice
        label="The pen is in"
        labelled
        bind:value={() => reading.subjectId, (id) => reading.choose(id)}
        options={named(reading.found.subjects)}
      />
      {#if reading.subject?.advice}<p class="soft">{reading.subject.advice}</p>{/if}
      <div class="pair">
        <Field
          label="It shows"
          inputmode="decimal"
          autocomplete="off"
          bind:value={reading.value}
          trouble={trouble('value')}
        />
        <Choice label="Scale" labelled bind:value={reading.scale} options={SCALES} />
      </div>
      {#if reading.meaning}
        <p class="meaning" role="status">
          <WordMark word={reading.meaning.word} />{reading.meaning.text}
        </p>
      {/if}
      {#if reading.found.pens.length}
        <Button onclick={() => reading.dip()}>
          Dip {pen?.name ?? 'the pen'}
        </Button>
        {#if pen}
          <p class="soft">
            {pen.name}, {pen.trust}.
            <a href="/pen{garden.search}" onclick={() => (open = false)}>About your pens</a>
          </p>
        {/if}
      {/if}
      {#if !reading.compensates}
        <Field
          label="The liquid has, °{reading.found.degrees}"
          inputmode="decimal"
          autocomplete="off"
          bind:value={reading.temperature}
          trouble={trouble('temperature_c')}
        />
      {/if}
      {#if strong}{@render diluted()}{/if}
      <details open={trouble('parts_water') !== '' || trouble('taken_at') !== ''}>
        <summary>How and when it was read</summary>
        {#if reading.subject?.kind === 'fill'}
          <Choice
            label="The sample is"
            labelled
            bind:value={reading.method}
            options={reading.found.methods.map((one) => ({ value: one.key, name: one.name }))}
          />
        {/if}
        {#if reading.subject?.kind === 'fill'}
          <Field
            label="Averaged over so many pots"
            inputmode="numeric"
            autocomplete="off"
            hint="Leave it out for one."
            bind:value={reading.pots}
            trouble={trouble('pots')}
          />
        {/if}
        {#if reading.found.pens.length > 1}
          <Choice
            label="Which pen"
            labelled
            bind:value={() => reading.penId, (id) => reading.take(id)}
            options={named(reading.found.pens)}
          />
        {/if}
        <Choice
          label="Temperature"
          labelled
          bind:value={
            () => (reading.compensates ? 'yes' : 'no'), (v) => (reading.compensates = v === 'yes')
          }
          options={CORRECTS}
        />
        {#if !strong}{@render diluted()}{/if}
        <Field
          label="Read earlier, at"
          type="datetime-local"
          hint="Leave it out for now."
          bind:value={reading.when}
          trouble={trouble('taken_at')}
        />
      </details>
      {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
      <Button look="go" type="submit" disabled={reading.busy}>Write it down</Button>
    </form>
  {:else}
    <p aria-busy={!reading.problem}>
      {reading.problem?.message ?? 'Looking what there is to read…'}
    </p>
  {/if}
</Sheet>

<style>
  form,
  details[open] {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
  }

  .pair {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-3);
    align-items: start;
  }

  summary {
    min-height: var(--touch);
    padding: var(--space-2) 0;
    color: var(--color-rim);
    cursor: pointer;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
