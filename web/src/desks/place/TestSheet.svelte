<script lang="ts">
  import { volume } from '../../app/measures';
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { typedNumber } from '../../ui/numbers';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    roots: Schemas['RootsOut'];
    /** Which sheet is up: water or test; none where empty. */
    sheet: '' | 'water' | 'test';
  }
  let { roots, sheet = $bindable() }: Props = $props();
  const write = new Write();
  const supplies = new Resource<Schemas['SuppliesOut']>();
  const waters = $derived(supplies.data?.waters ?? []);
  let waterId = $state('');
  let kindOfWater = $state('rain');
  /** Where none is set up yet: it is, by the way. */
  const KINDS_OF_WATER = [
    { value: 'rain', name: 'rain' },
    { value: 'soft_tap', name: 'the tap, soft' },
    { value: 'hard_tap', name: 'the tap, hard: it furs the kettle' },
  ];
  let litres = $state('');
  let kind = $state('ph');
  let value = $state('');
  let word = $state('moist');
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
    value = litres = '';
    if (sheet === 'water') untrack(() => void load());
  });

  async function load() {
    await supplies.load((signal) => ask(client.GET('/api/bench', { signal })));
    waterId ||= waters[0]?.id ?? '';
  }

  async function water() {
    const { fill_id } = roots;
    const of = waters.length
      ? { water_id: waterId, water_kind: '' }
      : { water_id: null, water_kind: kindOfWater };
    const body = { id: write.id(), fill_id, ...of, litres, flush: false };
    if (await write.send(() => ask(client.POST('/api/waterings', { body })))) sheet = '';
  }

  async function test() {
    const felt = kind === 'moisture';
    const typed = typedNumber(value);
    if (!felt && typed == null)
      return write.refuse('value', value, 'a number such as 6.4 would do');
    const { subject_id } = roots;
    const told = { value: felt ? null : (typed ?? null), word: felt ? word : '' };
    const body = { id: write.id(), subject_id, kind, ...told };
    if (await write.send(() => ask(client.POST('/api/field-tests', { body })))) sheet = '';
  }
</script>

<SheetForm
  title="Plain water"
  bind:open={() => sheet === 'water', (open) => open || (sheet = '')}
  {write}
  fields={['litres']}
  keep={water}
>
  <Field
    label="How much, over all of it"
    bind:value={litres}
    hint="Such as {volume(6, 2)}."
    trouble={write.trouble('litres')}
  />
  {#if waters.length}
    <Choice
      label="From"
      labelled
      bind:value={waterId}
      options={waters.map((one) => ({ value: one.id, name: one.name }))}
    />
  {:else}
    <Choice label="From" labelled bind:value={kindOfWater} options={KINDS_OF_WATER} />
  {/if}
</SheetForm>
<SheetForm
  title="What else did you measure?"
  bind:open={() => sheet === 'test', (open) => open || (sheet = '')}
  {write}
  fields={['value']}
  keep={test}
>
  <Choice label="It is" labelled bind:value={kind} options={KINDS} />
  {#if kind === 'moisture'}
    <Choice label="It feels" labelled bind:value={word} options={FEELS} />
  {:else}
    <Field label="It shows" inputmode="decimal" bind:value trouble={write.trouble('value')} />
  {/if}
</SheetForm>
