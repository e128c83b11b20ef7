<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
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
  const pounds = $derived(garden.path?.measures === 'us');
  let plantingId = $state('');
  let weight = $state('');
  let pieces = $state('');

  $effect(() => {
    if (!open) return;
    weight = pieces = '';
    plantingId = untrack(() => plantings[0]?.planting_id ?? '');
  });

  async function keep() {
    const number = typedNumber(pieces);
    if (number === undefined) return write.refuse('pieces', pieces, 'a number would do');
    const body = { id: write.id(), planting_id: plantingId, weight, pieces: number };
    if (await write.send(() => ask(client.POST('/api/harvests', { body })))) open = false;
  }
</script>

<SheetForm title="What was picked?" bind:open {write} fields={['weight', 'grams', 'pieces']} {keep}>
  {#if plantings.length > 1}
    <Choice
      label="Of"
      labelled
      bind:value={plantingId}
      options={plantings.map((one) => ({ value: one.planting_id, name: one.name }))}
    />
  {/if}
  <Field
    label="Weight"
    hint={pounds ? 'Such as 1 lb 2 oz.' : 'Such as 450 g.'}
    bind:value={weight}
    trouble={write.trouble('weight') || write.trouble('grams')}
  />
  <Field
    label="Or how many"
    inputmode="numeric"
    bind:value={pieces}
    trouble={write.trouble('pieces')}
  />
</SheetForm>
