<!-- Where plants go from a tray: into larger pots where they stand, or out, with what each hole gets. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { volume } from '../../app/measures';
  import { Write } from '../../app/write.svelte';
  import Check from '../../ui/Check.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { typedNumber } from '../../ui/numbers';

  interface Props {
    raising: Schemas['RoundRaisingOut'];
    grounds: Schemas['RoundGroundOut'][];
    media: Schemas['RoundMediumOut'][];
    open: boolean;
  }
  let { raising, grounds, media, open = $bindable() }: Props = $props();
  const write = new Write();
  const out = $derived(raising.kind === 'plant_out');
  const params = $derived({ path: { stand_id: raising.stand_id } });
  let count = $state('');
  let litres = $state('');
  let medium = $state('');
  let fill = $state('');
  let hole = $state(true);

  $effect(() => {
    if (open)
      untrack(() => {
        count = String(raising.count);
        litres = raising.litres ? volume(raising.litres, 2) : '';
        medium = media[0]?.key ?? '';
        fill = grounds[0]?.fill_id ?? '';
        hole = raising.jar_id !== null;
      });
  });

  function sent(plants: number) {
    const id = write.id();
    if (!out) {
      const body = { id, count: plants, litres, medium };
      return ask(client.POST('/api/stands/{stand_id}/pots', { params, body }));
    }
    const jar_id = hole ? raising.jar_id : null;
    const body = { id, fill_id: fill, count: plants, jar_id, said: jar_id ? raising.said : '' };
    return ask(client.POST('/api/stands/{stand_id}/out', { params, body }));
  }

  async function keep() {
    const plants = typedNumber(count);
    if (!plants) return write.refuse('count', count, 'how many, such as 12, would do');
    if (await write.send(() => sent(plants))) open = false;
  }
</script>

<SheetForm
  title={raising.title}
  {write}
  submit={out ? 'Planted out' : 'Potted on'}
  fields={['count', 'litres', 'litres_each', 'medium', 'fill_id', 'said']}
  {keep}
  bind:open
>
  <Field label="How many" bind:value={count} inputmode="numeric" trouble={write.trouble('count')} />
  {#if out}
    {#if grounds.length}
      <Choice
        label="Where"
        labelled
        bind:value={fill}
        options={grounds.map((one) => ({ value: one.fill_id, name: one.name }))}
      />
    {:else}
      <p>No bed or pot stands yet: <a href="/setup">add one</a>.</p>
    {/if}
    {#if raising.jar_id}
      <Check bind:checked={hole}>{raising.hole}</Check>
    {/if}
  {:else}
    <Field
      label="Each pot holds"
      bind:value={litres}
      trouble={write.trouble('litres') || write.trouble('litres_each')}
    />
    <Choice
      label="Filled with"
      labelled
      bind:value={medium}
      options={media.map((one) => ({ value: one.key, name: one.name }))}
    />
  {/if}
</SheetForm>
