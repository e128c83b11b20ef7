<!-- A pot that something befell: it and its pair do not count. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import type { Trial } from './trials.svelte';

  interface Props {
    trial: Trial;
    open: boolean;
  }
  let { trial, open = $bindable() }: Props = $props();
  const write = new Write();
  let [number, why] = $state(['1', '']);

  async function keep() {
    const params = { path: { trial_id: trial.id } };
    const body = { number: Number(number), why };
    const sent = () => ask(client.POST('/api/trials/{trial_id}/left-out', { params, body }));
    if (await write.send(sent)) open = false;
  }
</script>

<SheetForm title="Leave a pot out" bind:open {write} fields={['why']} submit="Leave it out" {keep}>
  <p>
    {trial.exclusions
      ? `Said at the start: ${trial.exclusions}.`
      : 'Leaving out what looks bad makes luck look like a gain.'}
    {trial.paired ? 'Its pair goes with it.' : ''}
  </p>
  <Choice
    label="Which pot"
    labelled
    bind:value={number}
    options={trial.pots.map((pot) => ({ value: String(pot.number), name: `Pot ${pot.number}` }))}
  />
  <Field label="What befell it" bind:value={why} trouble={write.trouble('why')} />
</SheetForm>
