<!-- From when to when nobody is there, and who waters meanwhile. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { dayOf } from '../../ui/time';

  let { open = $bindable() }: { open: boolean } = $props();
  const write = new Write();
  let since = $state('');
  let until = $state('');
  let waters = $state('helper');

  $effect(() => {
    if (open)
      untrack(() => {
        since ||= garden.path ? dayOf(garden.path.now, garden.path.zone) : '';
        until ||= since;
      });
  });

  async function keep() {
    const body = {
      id: write.id(),
      from_on: since,
      to_on: until,
      waters: waters as 'helper' | 'drip' | 'nobody',
    };
    if (await write.send(() => ask(client.POST('/api/away', { body })))) open = false;
  }
</script>

<SheetForm title="Away" {write} submit="Plan it so" fields={['from_on', 'to_on']} {keep} bind:open>
  <p>Nothing is planned then, nor in the three days before.</p>
  <Field label="From" type="date" bind:value={since} trouble={write.trouble('from_on')} />
  <Field label="To, and with" type="date" bind:value={until} trouble={write.trouble('to_on')} />
  <Choice
    label="Who waters?"
    labelled
    bind:value={waters}
    options={[
      { value: 'helper', name: 'a helper' },
      { value: 'drip', name: 'it waters itself' },
      { value: 'nobody', name: 'nobody' },
    ]}
  />
</SheetForm>
