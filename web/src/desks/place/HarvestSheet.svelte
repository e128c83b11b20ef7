<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    plantings: Schemas['PickableOut'][];
    open: boolean;
  }
  let { plantings, open = $bindable() }: Props = $props();
  let plantingId = $state('');
  let grams = $state('');
  let pieces = $state('');
  let problem = $state<Problem | null>(null);
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');

  $effect(() => {
    if (!open) return;
    problem = null;
    grams = pieces = '';
    plantingId = untrack(() => plantings[0]?.planting_id ?? '');
  });

  function typed(field: string, text: string): number | null | undefined {
    if (!text.trim()) return null;
    const value = Number(text.trim().replace(',', '.'));
    if (!Number.isNaN(value)) return value;
    const would_do = 'a number would do';
    problem = { field, read: text, would_do, message: `Read “${text}”; ${would_do}.` };
    return undefined;
  }

  async function keep() {
    problem = null;
    const [weight, number] = [typed('grams', grams), typed('pieces', pieces)];
    if (weight === undefined || number === undefined) return;
    const body = { id: newId(), planting_id: plantingId, grams: weight, pieces: number };
    const reply = await ask(client.POST('/api/harvests', { body }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<SheetForm title="What was picked?" bind:open {problem} fields={['grams', 'pieces']} {keep}>
  {#if plantings.length > 1}
    <Choice
      label="Of"
      labelled
      bind:value={plantingId}
      options={plantings.map((one) => ({ value: one.planting_id, name: one.name }))}
    />
  {/if}
  <Field label="Weight, g" inputmode="decimal" bind:value={grams} trouble={trouble('grams')} />
  <Field label="Or how many" inputmode="numeric" bind:value={pieces} trouble={trouble('pieces')} />
</SheetForm>
