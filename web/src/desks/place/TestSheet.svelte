<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Reply, type Schemas } from '../../api/client';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    roots: Schemas['RootsOut'];
    /** Which sheet is up: water or test; none where empty. */
    sheet: '' | 'water' | 'test';
  }
  let { roots, sheet = $bindable() }: Props = $props();
  let waters = $state<Schemas['WaterOut'][]>([]);
  let waterId = $state('');
  let litres = $state('');
  let kind = $state('ph');
  let value = $state('');
  let word = $state('moist');
  let problem = $state<Problem | null>(null);
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');

  const KINDS = [
    { value: 'ph', name: 'pH' },
    { value: 'nitrate', name: 'Nitrate strip, mg/L' },
    { value: 'moisture', name: 'Moisture by feel' },
  ];
  const FEELS = [
    { value: 'dry', name: 'dry: light, and crumbles' },
    { value: 'moist', name: 'moist: cool to the finger' },
    { value: 'wet', name: 'wet: drips when pressed' },
  ];

  $effect(() => {
    if (!sheet) return;
    problem = null;
    value = litres = '';
    if (sheet === 'water') untrack(() => waters.length || void load());
  });

  async function load() {
    const reply = await ask(client.GET('/api/bench'));
    waters = reply.data?.waters ?? [];
    waterId = waters[0]?.id ?? '';
  }

  async function done(reply: Reply<Schemas['WrittenOut']>) {
    problem = reply.problem ?? null;
    if (!reply.data) return;
    sheet = '';
    undo.offer(reply.data);
    await garden.changed();
  }

  async function water() {
    const body = { id: newId(), fill_id: roots.fill_id, water_id: waterId, litres, flush: false };
    await done(await ask(client.POST('/api/waterings', { body })));
  }

  async function test() {
    const typed = Number(value.trim().replace(',', '.'));
    if (kind !== 'moisture' && (!value.trim() || Number.isNaN(typed))) {
      const would_do = 'a number such as 6.4 would do';
      const read = value.trim() ? `“${value}”` : 'nothing';
      problem = { field: 'value', read, would_do, message: `Read ${read}; ${would_do}.` };
      return;
    }
    const body = {
      id: newId(),
      subject_id: roots.subject_id,
      kind,
      value: kind === 'moisture' ? null : typed,
      word: kind === 'moisture' ? word : '',
    };
    await done(await ask(client.POST('/api/field-tests', { body })));
  }
</script>

<SheetForm
  title="Plain water"
  bind:open={() => sheet === 'water', (open) => open || (sheet = '')}
  {problem}
  fields={['litres']}
  keep={water}
>
  <Field
    label="How much, over all of it"
    bind:value={litres}
    hint="Such as 6 L."
    trouble={trouble('litres')}
  />
  <Choice
    label="From"
    labelled
    bind:value={waterId}
    options={waters.map((one) => ({ value: one.id, name: one.name }))}
  />
</SheetForm>
<SheetForm
  title="What else did you measure?"
  bind:open={() => sheet === 'test', (open) => open || (sheet = '')}
  {problem}
  fields={['value']}
  keep={test}
>
  <Choice label="It is" labelled bind:value={kind} options={KINDS} />
  {#if kind === 'moisture'}
    <Choice label="It feels" labelled bind:value={word} options={FEELS} />
  {:else}
    <Field label="It shows" inputmode="decimal" bind:value trouble={trouble('value')} />
  {/if}
</SheetForm>
