<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { typedNumber } from '../../ui/numbers';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    plantings: Schemas['PickableOut'][];
    open: boolean;
  }
  let { plantings, open = $bindable() }: Props = $props();
  const write = new Write();
  let plantingId = $state('');
  let grams = $state('');
  let pieces = $state('');

  $effect(() => {
    if (!open) return;
    grams = pieces = '';
    plantingId = untrack(() => plantings[0]?.planting_id ?? '');
  });

  async function keep() {
    const [weight, number] = [typedNumber(grams), typedNumber(pieces)];
    if (weight === undefined) return write.refuse('grams', grams, 'a number would do');
    if (number === undefined) return write.refuse('pieces', pieces, 'a number would do');
    const body = { id: write.id(), planting_id: plantingId, grams: weight, pieces: number };
    if (await write.send(() => ask(client.POST('/api/harvests', { body })))) open = false;
  }
</script>

<SheetForm title="What was picked?" bind:open {write} fields={['grams', 'pieces']} {keep}>
  {#if plantings.length > 1}
    <Choice
      label="Of"
      labelled
      bind:value={plantingId}
      options={plantings.map((one) => ({ value: one.planting_id, name: one.name }))}
    />
  {/if}
  <Field
    label="Weight, g"
    inputmode="decimal"
    bind:value={grams}
    trouble={write.trouble('grams')}
  />
  <Field
    label="Or how many"
    inputmode="numeric"
    bind:value={pieces}
    trouble={write.trouble('pieces')}
  />
</SheetForm>
