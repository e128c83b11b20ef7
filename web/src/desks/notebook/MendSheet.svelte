<!-- An entry put right: a feed with its time, amount, stop and water; a harvest; a look. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import WhenBox from '../../ui/WhenBox.svelte';
  import { typedNumber } from '../../ui/numbers';
  import { instantOf, localTime } from '../../ui/time';
  import { TITLES, type Mended } from './mending';

  interface Props {
    kind: Mended;
    id: string;
    open: boolean;
  }
  let { kind, id, open = $bindable() }: Props = $props();
  const CONFLICT = 409;
  const write = new Write();
  const dose = new Resource<Schemas['DoseEntryOut']>();
  const harvest = new Resource<Schemas['HarvestEntryOut']>();
  const look = new Resource<Schemas['LookEntryOut']>();
  const zone = $derived(garden.path?.zone ?? 'UTC');
  let at = $state('');
  let on = $state('');
  let amount = $state('');
  let before = $state('');
  let pieces = $state('');
  let place = $state('');
  let water = $state('');
  let stage = $state('');
  let sure = $state(false);
  const options = (rows: Schemas['ChoiceOut'][]) =>
    rows.map((one) => ({ value: one.key, name: one.name }));

  $effect(() => {
    if (open) untrack(() => void begin());
  });

  async function begin() {
    write.begin();
    sure = false;
    if (kind === 'dose') {
      const params = { path: { dose_id: id } };
      await dose.load((signal) => ask(client.GET('/api/doses/{dose_id}', { params, signal })));
      const found = dose.data;
      if (!found) return;
      at = localTime(found.poured_at, zone);
      amount = before = found.each;
      [place, water] = [found.stand_id, found.water_id];
      return;
    }
    const params = { path: { row_id: id } };
    if (kind === 'harvest') {
      await harvest.load((signal) => ask(client.GET('/api/harvests/{row_id}', { params, signal })));
      const found = harvest.data;
      if (!found) return;
      on = found.picked_on;
      amount = before = found.weight;
      pieces = found.pieces === null ? '' : String(found.pieces);
      return;
    }
    await look.load((signal) => ask(client.GET('/api/looks/{row_id}', { params, signal })));
    if (look.data) [on, stage] = [look.data.seen_on, look.data.stage];
  }

  async function keep() {
    const params = { path: { row_id: id } };
    const typed = { text: amount, shown: before };
    const number = typedNumber(pieces);
    if (number === undefined) return write.refuse('pieces', pieces, 'a number would do');
    const sent = {
      dose: () =>
        ask(
          client.PUT('/api/doses/{dose_id}', {
            params: { path: { dose_id: id } },
            body: {
              poured_at: at ? instantOf(at, zone) : null,
              each: typed,
              stand_id: place,
              water_id: water,
            },
          }),
        ),
      harvest: () =>
        ask(
          client.PUT('/api/harvests/{row_id}', {
            params,
            body: { picked_on: on, weight: typed, pieces: number },
          }),
        ),
      look: () =>
        ask(client.PUT('/api/looks/{row_id}', { params, body: { seen_on: on, stage, sure } })),
    }[kind];
    if (await write.send(sent)) open = false;
    else sure = kind === 'look' && write.problem?.status === CONFLICT;
  }
</script>

<SheetForm
  title={TITLES[kind]}
  bind:open
  {write}
  fields={['poured_at', 'litres_each', 'picked_on', 'weight', 'grams', 'pieces', 'on']}
  {keep}
>
  {#if kind === 'dose' && dose.data}
    <WhenBox bind:value={at} trouble={write.trouble('poured_at')} />
    <Field
      label="How much on each of {dose.data.plants}"
      bind:value={amount}
      trouble={write.trouble('litres_each')}
    />
    <Choice label="Where" labelled bind:value={place} options={options(dose.data.stands)} />
    <Choice label="Water" labelled bind:value={water} options={options(dose.data.waters)} />
  {:else if kind === 'harvest' && harvest.data}
    <Field label="Day" type="date" bind:value={on} trouble={write.trouble('picked_on')} />
    <Field
      label="Weight"
      bind:value={amount}
      trouble={write.trouble('weight') || write.trouble('grams')}
    />
    <Field
      label="How many"
      inputmode="numeric"
      bind:value={pieces}
      trouble={write.trouble('pieces')}
    />
  {:else if kind === 'look' && look.data}
    <Field label="Day" type="date" bind:value={on} trouble={write.trouble('on')} />
    <Choice label="What was seen" labelled bind:value={stage} options={options(look.data.stages)} />
    {#if sure}<p>Press again if you are sure: the older look is set aside then.</p>{/if}
  {:else}
    <p>Fetching it…</p>
  {/if}
</SheetForm>
