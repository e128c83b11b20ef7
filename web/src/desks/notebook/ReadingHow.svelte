<script lang="ts">
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import type { NewReading } from './reading.svelte';

  interface Props {
    reading: NewReading;
    /** How it was thinned is asked here; else above. */
    thinned: boolean;
  }
  const { reading, thinned }: Props = $props();
  const CORRECTS = [
    { value: 'yes', name: 'The pen corrects to 25 °C' },
    { value: 'no', name: 'It does not: I give the temperature' },
  ];
  const trouble = (field: string) => reading.write.trouble(field);
  const fill = $derived(reading.subject?.kind === 'fill');
</script>

<details open={['parts_water', 'taken_at', 'pots'].some((field) => trouble(field) !== '')}>
  <summary>How and when it was read</summary>
  {#if fill}
    <Choice
      label="The sample is"
      labelled
      bind:value={reading.method}
      options={(reading.found?.methods ?? []).map((one) => ({ value: one.key, name: one.name }))}
    />
    <Field
      label="Averaged over so many pots"
      inputmode="numeric"
      autocomplete="off"
      hint="Leave it out for one."
      bind:value={reading.pots}
      trouble={trouble('pots')}
    />
  {/if}
  {#if (reading.found?.pens.length ?? 0) > 1}
    <Choice
      label="Which pen"
      labelled
      bind:value={() => reading.penId, (id) => reading.take(id)}
      options={(reading.found?.pens ?? []).map((one) => ({ value: one.id, name: one.name }))}
    />
  {/if}
  <Choice
    label="Temperature"
    labelled
    bind:value={
      () => (reading.compensates ? 'yes' : 'no'), (said) => (reading.compensates = said === 'yes')
    }
    options={CORRECTS}
  />
  {#if thinned}
    <Field
      label="Diluted before it was read, 1 +"
      inputmode="decimal"
      autocomplete="off"
      hint="Leave it out if it was not."
      bind:value={reading.parts}
      trouble={trouble('parts_water')}
    />
  {/if}
  <Field
    label="Read earlier, at"
    type="datetime-local"
    hint="Leave it out for now."
    bind:value={reading.when}
    trouble={trouble('taken_at')}
  />
</details>

<style>
  details[open] {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
  }

  summary {
    min-height: var(--touch);
    padding: var(--space-2) 0;
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
