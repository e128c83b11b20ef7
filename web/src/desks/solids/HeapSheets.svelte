<!-- What a heap is told: more on top, water, a test, what was taken out. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { ecScale, example, fromScale, volume } from '../../app/measures';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Check from '../../ui/Check.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { typedNumber } from '../../ui/numbers';

  interface Props {
    heap: Schemas['KeptHeapOut'];
    /** Which sheet is up: add, spent, wet, drain, test, empty; none where empty. */
    sheet: string;
  }
  let { heap, sheet = $bindable() }: Props = $props();
  const write = new Write();
  const offered = new Resource<Schemas['SolidsOut']>();
  const params = $derived({ path: { heap_id: heap.id } });
  const close = (open: boolean) => open || (sheet = '');
  let material = $state('vegetable_scraps_mixed');
  let amount = $state('');
  let known = $state(false);
  let brew = $state('');
  let litres = $state('');
  let reads = $state('');
  let weight = $state('');
  let dry = $state('');
  let name = $state('');
  let washed = $state('0');
  const WASHED = [
    { value: '0', name: 'not washed' },
    { value: '1', name: 'its own volume of water run through' },
    { value: '2', name: 'twice its volume run through' },
  ];

  // A sheet comes up with what is usual; a heap read anew meanwhile leaves what is typed.
  $effect(() => {
    if (!sheet) return;
    untrack(() => {
      amount = sheet === 'empty' ? '' : '1 barrow';
      name = heap.name.slice(0, 60);
      brew = heap.brews[0]?.key ?? '';
      litres = volume(sheet === 'drain' ? 2 : 20);
      if (sheet === 'add' && !offered.data)
        void offered.load((signal) => ask(client.GET('/api/solids', { signal })));
    });
  });

  async function sent(request: Parameters<Write['send']>[0]) {
    if (await write.send(request)) sheet = '';
  }

  function add() {
    const body = { id: write.id(), material, amount, known };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/add', { params, body })));
  }

  function spent() {
    const body = { id: write.id(), brew_id: brew };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/spent', { params, body })));
  }

  function wet() {
    const body = { id: write.id(), kind: 'wet' as const, litres };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/steps', { params, body })));
  }

  function drain() {
    const body = { id: write.id(), litres };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/drain', { params, body })));
  }

  function test() {
    const [scaled, kg_per_l, dry_percent] = [reads, weight, dry].map(typedNumber);
    const boxes = {
      ec_1_5: [reads, scaled],
      kg_per_l: [weight, kg_per_l],
      dry_percent: [dry, dry_percent],
    };
    for (const [field, [told, value]] of Object.entries(boxes))
      if (value === undefined) {
        write.refuse(field, String(told), 'a number such as 1.3 would do');
        return Promise.resolve();
      }
    const ec_1_5 = typeof scaled === 'number' ? fromScale(scaled) : null;
    const body = { id: write.id(), ec_1_5, kg_per_l, dry_percent };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/test', { params, body })));
  }

  function empty() {
    const body = { id: write.id(), name, amount, washed: Number(washed) };
    return sent(() => ask(client.POST('/api/heaps/{heap_id}/empty', { params, body })));
  }
</script>

<SheetForm
  title="Put something on"
  bind:open={() => sheet === 'add', close}
  {write}
  submit="Put it on"
  fields={['amount']}
  keep={add}
>
  <Choice
    label="What"
    labelled
    bind:value={material}
    options={(offered.data?.materials ?? []).map((one) => ({ value: one.key, name: one.name }))}
  />
  <Field
    label="How much"
    bind:value={amount}
    hint={example('kg, buckets, barrows or bales', 'lb, buckets, barrows or bales')}
    trouble={write.trouble('amount')}
  />
  <Check bind:checked={known}>nobody sprayed it</Check>
</SheetForm>

<SheetForm
  title="What a brew left"
  bind:open={() => sheet === 'spent', close}
  {write}
  submit="Put it on"
  keep={spent}
>
  <Choice
    label="Solids of"
    labelled
    bind:value={brew}
    options={heap.brews.map((one) => ({ value: one.key, name: one.name }))}
  />
</SheetForm>

<SheetForm
  title="Watered"
  bind:open={() => sheet === 'wet', close}
  {write}
  submit="Write it down"
  fields={['litres']}
  keep={wet}
>
  <Field label="How much water" bind:value={litres} trouble={write.trouble('litres')} />
</SheetForm>

<SheetForm
  title="Drain it"
  bind:open={() => sheet === 'drain', close}
  {write}
  submit="Bottle it"
  fields={['litres']}
  keep={drain}
>
  <p>It may carry germs: never on leaves that are eaten.</p>
  <Field label="It gave" bind:value={litres} trouble={write.trouble('litres')} />
</SheetForm>

<SheetForm
  title="Test it at home"
  bind:open={() => sheet === 'test', close}
  {write}
  submit="Write it down"
  fields={['ec_1_5', 'kg_per_l', 'dry_percent']}
  keep={test}
>
  <p>One cup of it in five of rain water, shaken, settled: read that.</p>
  <Field
    label="It reads, {ecScale()}"
    bind:value={reads}
    inputmode="decimal"
    trouble={write.trouble('ec_1_5')}
  />
  <Field
    label="A litre of it weighs, kg"
    bind:value={weight}
    inputmode="decimal"
    hint="Fill, tap three times, refill."
    trouble={write.trouble('kg_per_l')}
  />
  <Field
    label="100 g of it, dried, weighs, g"
    bind:value={dry}
    inputmode="decimal"
    trouble={write.trouble('dry_percent')}
  />
</SheetForm>

<SheetForm
  title="Empty it"
  bind:open={() => sheet === 'empty', close}
  {write}
  submit="Take it out"
  fields={['amount', 'name']}
  keep={empty}
>
  <p>About {heap.out_kg} kg stands there. It becomes a feed on the shelf.</p>
  <Field
    label="It gave"
    bind:value={amount}
    placeholder="{heap.out_kg} kg"
    hint="Empty: as expected. Barrows will do."
    trouble={write.trouble('amount')}
  />
  <Field label="Name on the shelf" bind:value={name} trouble={write.trouble('name')} />
  <Choice label="Salt" labelled bind:value={washed} options={WASHED} />
</SheetForm>
