<!-- A crop is cleared: when, what was picked, where its stalks go. What follows is offered then. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { Write } from '../../app/write.svelte';
  import Check from '../../ui/Check.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { typedNumber } from '../../ui/numbers';
  import { dayOf } from '../../ui/time';

  interface Props {
    plantingId: string;
    crop: string;
    /** Heaps that stand, to put the stalks on. */
    heaps: { id: string; name: string }[];
    /** What its stalks may carry that no heap ends; empty where nothing is known. */
    outlasts: string;
    open: boolean;
    oncleared?: () => void;
  }
  let { plantingId, crop, heaps, outlasts, open = $bindable(), oncleared }: Props = $props();
  const write = new Write();
  let on = $state('');
  let picked = $state('');
  let heap = $state('');
  let amount = $state('1 barrow');
  let sick = $state(false);

  $effect(() => {
    if (open)
      untrack(() => {
        on = garden.path ? dayOf(garden.path.now, garden.path.zone) : '';
        picked = '';
      });
  });

  async function clear() {
    const grams = typedNumber(picked);
    if (grams === undefined) return write.refuse('grams', picked, 'grams such as 900 would do');
    const params = { path: { planting_id: plantingId } };
    const body = {
      id: write.id(),
      on: on || null,
      grams,
      heap_id: heap && !sick ? heap : null,
      amount: heap ? amount : '',
      sick,
    };
    const sent = () => ask(client.POST('/api/plantings/{planting_id}/cleared', { params, body }));
    if (!(await write.send(sent))) return;
    open = false;
    oncleared?.();
  }
</script>

<SheetForm
  title="Clear the {crop.toLowerCase()}"
  {write}
  submit="Cleared"
  fields={['on', 'grams', 'amount']}
  keep={clear}
  bind:open
>
  <Field label="When" type="date" bind:value={on} trouble={write.trouble('on')} />
  <Field
    label="Picked at the end, g"
    bind:value={picked}
    inputmode="decimal"
    hint="Leave it out if nothing was weighed."
    trouble={write.trouble('grams')}
  />
  {#if outlasts}
    <Check bind:checked={sick}>it had {outlasts}</Check>
    {#if sick}<p>Burn the stalks: no heap ends it.</p>{/if}
  {/if}
  {#if heaps.length && !sick}
    <Choice
      label="Stalks go on"
      labelled
      bind:value={heap}
      options={[
        { value: '', name: 'no heap' },
        ...heaps.map((one) => ({ value: one.id, name: one.name })),
      ]}
    />
    {#if heap}
      <Field label="How much" bind:value={amount} trouble={write.trouble('amount')} />
    {/if}
  {/if}
</SheetForm>
