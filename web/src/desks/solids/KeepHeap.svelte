<!-- A heap that was thought of begins: what it is called, and since when it stands. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { navigate } from '../../app/way';
  import { Write } from '../../app/write.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { dayOf } from '../../ui/time';

  interface Props {
    method: Schemas['KeptHeapIn']['method'];
    covered: boolean;
    inputs: Schemas['HeapInputIn'][];
    /** What it is called where nothing else is said. */
    name: string;
    open: boolean;
  }
  let { method, covered, inputs, name, open = $bindable() }: Props = $props();
  const write = new Write();
  let called = $state('');
  let since = $state('');

  $effect(() => {
    if (!open) return;
    untrack(() => {
      called = name;
      since = garden.path ? dayOf(garden.path.now, garden.path.zone) : '';
    });
  });

  async function keep() {
    const body = {
      id: write.id(),
      name: called,
      method,
      covered,
      inputs,
      begun_on: since || null,
    };
    const made = await write.send(() => ask(client.POST('/api/heaps', { body })));
    if (!made) return;
    open = false;
    await navigate('/shelf/heap', { heap: made.id });
  }
</script>

<SheetForm
  title="Keep this heap"
  {write}
  submit="Begin it"
  fields={['name', 'begun_on']}
  {keep}
  bind:open
>
  <p>From now on it ages with the weather here.</p>
  <Field label="What do you call it?" bind:value={called} trouble={write.trouble('name')} />
  <Field label="Begun on" type="date" bind:value={since} trouble={write.trouble('begun_on')} />
</SheetForm>
