<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    brew: Schemas['BrewOut'];
    open: boolean;
  }
  let { brew, open = $bindable() }: Props = $props();
  const choices = new Resource<Schemas['BrewChoicesOut']>();
  const write = new Write();
  const materials = $derived(choices.data?.materials ?? []);
  let material = $state('nettle_fresh');
  let amount = $state('500 g');

  $effect(() => {
    if (open && !choices.data)
      untrack(
        () => void choices.load((signal) => ask(client.GET('/api/brew-choices', { signal }))),
      );
  });

  async function add() {
    const params = { path: { brew_id: brew.id } };
    const body = { id: write.id(), material, amount, particle: 'chopped_coarse' };
    const sent = () => ask(client.POST('/api/brews/{brew_id}/add', { params, body }));
    if (await write.send(sent)) open = false;
  }
</script>

<!-- Something more goes into a brew that is on its way. -->
<SheetForm
  title="Add something"
  bind:open
  submit="Put it in"
  {write}
  fields={['amount']}
  keep={add}
>
  <Message problem={choices.problem} again={choices.again} />
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
    trouble={write.trouble('amount')}
  />
</SheetForm>
