<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Reply, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import Sheet from '../../ui/Sheet.svelte';
  import AddSheet from './AddSheet.svelte';
  import ClaimSheet from './ClaimSheet.svelte';

  interface Props {
    brew: Schemas['BrewOut'];
    /** Which sheet is up: add, strain, second, throw, claim; none where empty. */
    sheet: string;
  }
  let { brew, sheet = $bindable() }: Props = $props();
  let litres = $state('');
  let name = $state('');
  let problem = $state<Problem | null>(null);
  const params = $derived({ path: { brew_id: brew.id } });
  const recovered = (at: number) => (brew.figures.recovered_l[at] ?? 0).toPrecision(2);
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');
  const elsewhere = $derived(
    problem && !['litres', 'name', 'liquid'].includes(problem.field) ? problem.message : '',
  );

  $effect(() => {
    if (sheet) untrack(begin);
  });

  /** A sheet comes up with what is usual; a brew read anew meanwhile leaves what is typed. */
  function begin() {
    problem = null;
    litres = sheet === 'strain' ? `${recovered(1)} L` : '9 L';
    name = `${brew.name}, bottled`.slice(0, 80);
  }

  async function done(reply: Reply<Schemas['WrittenOut']>) {
    problem = reply.problem ?? null;
    if (!reply.data) return;
    sheet = '';
    undo.offer(reply.data);
    await garden.changed();
  }

  async function strain() {
    const body = { bottle_id: newId(), litres, name };
    await done(await ask(client.POST('/api/brews/{brew_id}/strain', { params, body })));
  }

  async function second() {
    const body = { id: newId(), liquid: litres };
    await done(await ask(client.POST('/api/brews/{brew_id}/second', { params, body })));
  }

  async function discard() {
    const body = { id: newId() };
    await done(await ask(client.POST('/api/brews/{brew_id}/throw', { params, body })));
  }
</script>

<Sheet
  title="Strain and bottle"
  bind:open={() => sheet === 'strain', (open) => open || (sheet = '')}
>
  <div class="form">
    <p>
      Expect {recovered(0)} to {recovered(2)} L through the cloth. The solids go on the heap, or take
      a second run.
    </p>
    <Field label="It gave" bind:value={litres} trouble={trouble('litres')} />
    <Field label="Name on the bottle" bind:value={name} trouble={trouble('name')} />
    {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
    <Button look="go" onclick={strain}>Bottle it</Button>
  </div>
</Sheet>
<Sheet title="A second run" bind:open={() => sheet === 'second', (open) => open || (sheet = '')}>
  <div class="form">
    <p>
      Fresh {brew.method_key === 'acid_extract' ? 'vinegar' : 'water'} on the same solids: weaker.
    </p>
    <Field label="How much" bind:value={litres} trouble={trouble('liquid')} />
    {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
    <Button look="go" onclick={second}>Begin it</Button>
  </div>
</Sheet>
<Sheet title="Throw it out?" bind:open={() => sheet === 'throw', (open) => open || (sheet = '')}>
  <div class="form">
    <p>On a resting heap, away from ditches, drains and ponds. It can be undone here.</p>
    {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
    <Button look="go" onclick={discard}>Throw it out</Button>
  </div>
</Sheet>
<AddSheet {brew} bind:open={() => sheet === 'add', (open) => open || (sheet = '')} />
<ClaimSheet brewId={brew.id} bind:open={() => sheet === 'claim', (open) => open || (sheet = '')} />

<style>
  .form {
    display: grid;
    gap: var(--space-3);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
