<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem } from '../../api/client';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    /** A brew or a bottle, as it is called. */
    what: string;
    subjectId: string;
    /** Parts of rain water that the pen wants, and how to go about it. */
    parts: number;
    advice: string;
    open: boolean;
  }
  let { what, subjectId, parts, advice, open = $bindable() }: Props = $props();
  let value = $state('');
  let thin = $state('');
  let problem = $state<Problem | null>(null);
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');
  const number = (text: string) => Number(text.trim().replace(',', '.'));

  $effect(() => {
    if (open) untrack(begin);
  });

  function begin() {
    problem = null;
    value = '';
    thin = parts ? String(parts) : '';
  }

  /** The first answer that is no number, as a problem. */
  function wrong(): Problem | null {
    const bad =
      !value.trim() || Number.isNaN(number(value))
        ? 'value'
        : thin.trim() && Number.isNaN(number(thin))
          ? 'parts_water'
          : '';
    if (!bad) return null;
    const read = `“${bad === 'value' ? value : thin}”`;
    const would_do = 'a number such as 0.31 would do';
    return { field: bad, read, would_do, message: `Read ${read}; ${would_do}.` };
  }

  async function keep() {
    problem = wrong();
    if (problem) return;
    const pen = { scale: 'mS/cm', compensates: true, method: 'feed_solution', pots: 1 };
    const parts_water = thin.trim() ? number(thin) : 0;
    const body = { id: newId(), subject_id: subjectId, value: number(value), parts_water, ...pen };
    const reply = await ask(client.POST('/api/readings', { body }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<SheetForm
  title="What does the pen say?"
  bind:open
  {problem}
  fields={['value', 'parts_water']}
  {keep}
>
  <p>{advice}</p>
  <Field label="It shows, mS/cm" inputmode="decimal" bind:value trouble={trouble('value')} />
  <Field
    label="Parts of rain water to one of the {what}"
    inputmode="decimal"
    bind:value={thin}
    hint="19 for 1 + 19. Leave it empty where it was read as it is."
    trouble={trouble('parts_water')}
  />
</SheetForm>
