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
    brew: Schemas['BrewOut'];
    open: boolean;
  }
  let { brew, open = $bindable() }: Props = $props();
  let materials = $state<Schemas['NamedOut'][]>([]);
  let material = $state('nettle_fresh');
  let amount = $state('500 g');
  let problem = $state<Problem | null>(null);

  $effect(() => {
    if (open) untrack(() => materials.length || void load());
  });

  async function load() {
    const reply = await ask(client.GET('/api/brew-choices'));
    problem = reply.problem ?? null;
    materials = reply.data?.materials ?? [];
  }

  async function add() {
    const params = { path: { brew_id: brew.id } };
    const body = { id: newId(), material, amount, particle: 'chopped_coarse' };
    const reply = await ask(client.POST('/api/brews/{brew_id}/add', { params, body }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<!-- Something more goes into a brew that is on its way. -->
<SheetForm
  title="Add something"
  bind:open
  submit="Put it in"
  {problem}
  fields={['amount']}
  keep={add}
>
  <p>It soaks from today on; the band is worked out anew.</p>
  <Choice
    label="What goes in"
    labelled
    bind:value={material}
    options={materials.map((one) => ({ value: one.key, name: one.name }))}
  />
  <Field
    label="How much of it"
    bind:value={amount}
    hint="500 g, or 2 L loosely filled."
    trouble={problem?.field === 'amount' ? problem.message : ''}
  />
</SheetForm>
