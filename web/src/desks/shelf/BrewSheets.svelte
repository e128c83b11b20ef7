<script lang="ts">
  import { volume } from '../../app/measures';
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import AddSheet from './AddSheet.svelte';
  import ClaimSheet from './ClaimSheet.svelte';

  interface Props {
    brew: Schemas['BrewOut'];
    /** Which sheet is up: add, strain, second, throw, claim; none where empty. */
    sheet: string;
  }
  let { brew, sheet = $bindable() }: Props = $props();
  const write = new Write();
  let litres = $state('');
  let name = $state('');
  const params = $derived({ path: { brew_id: brew.id } });
  const recovered = (at: number) => (brew.figures.recovered_l[at] ?? 0).toPrecision(2);

  // A sheet comes up with what is usual; a brew read anew meanwhile leaves what is typed.
  $effect(() => {
    if (!sheet) return;
    untrack(() => {
      litres = sheet === 'strain' ? volume(Number(recovered(1))) : volume(9);
      name = `${brew.name}, bottled`.slice(0, 80);
    });
  });

  async function strain() {
    const body = { bottle_id: write.id(), litres, name };
    const sent = () => ask(client.POST('/api/brews/{brew_id}/strain', { params, body }));
    if (await write.send(sent)) sheet = '';
  }

  async function second() {
    const body = { id: write.id(), liquid: litres };
    const sent = () => ask(client.POST('/api/brews/{brew_id}/second', { params, body }));
    if (await write.send(sent)) sheet = '';
  }

  async function discard() {
    const body = { id: write.id() };
    const sent = () => ask(client.POST('/api/brews/{brew_id}/throw', { params, body }));
    if (await write.send(sent)) sheet = '';
  }
</script>

<SheetForm
  title="Strain and bottle"
  bind:open={() => sheet === 'strain', (open) => open || (sheet = '')}
  {write}
  fields={['litres', 'name']}
  submit="Bottle it"
  keep={strain}
>
  <p>
    Expect {volume(Number(recovered(0)))} to {volume(Number(recovered(2)))} through the cloth. The solids
    go on the heap, or take a second run.
  </p>
  <Field label="It gave" bind:value={litres} trouble={write.trouble('litres')} />
  <Field label="Name on the bottle" bind:value={name} trouble={write.trouble('name')} />
</SheetForm>

<SheetForm
  title="A second run"
  bind:open={() => sheet === 'second', (open) => open || (sheet = '')}
  {write}
  fields={['liquid']}
  submit="Begin it"
  keep={second}
>
  <p>
    Fresh {brew.liquid === 'vinegar' ? 'vinegar' : 'water'} on the same solids: weaker.
  </p>
  <Field label="How much" bind:value={litres} trouble={write.trouble('liquid')} />
</SheetForm>

<SheetForm
  title="Throw it out?"
  bind:open={() => sheet === 'throw', (open) => open || (sheet = '')}
  {write}
  submit="Throw it out"
  keep={discard}
>
  <p>On a resting heap, away from ditches, drains and ponds. It can be undone here.</p>
</SheetForm>

<AddSheet {brew} bind:open={() => sheet === 'add', (open) => open || (sheet = '')} />
<ClaimSheet brewId={brew.id} bind:open={() => sheet === 'claim', (open) => open || (sheet = '')} />
