<!-- Green manure on its beds: what is next, what it gives, and its cut. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';

  const { green }: { green: Schemas['GreenStandOut'][] } = $props();
  const write = new Write();
  let cutting = $state<Schemas['GreenStandOut'] | null>(null);
  let stand = $state('flower');
  let place = $state('in');

  async function cut() {
    if (!cutting) return;
    const params = { path: { green_id: cutting.id } };
    const body = { stand: stand as 'short' | 'flower', dug_in: place === 'in' };
    const sent = () => ask(client.POST('/api/green/{green_id}/cut', { params, body }));
    if (await write.send(sent)) cutting = null;
  }
</script>

{#if green.length}
  <section aria-labelledby="green">
    <h2 id="green">Green manure</h2>
    <ul>
      {#each green as one (one.id)}
        <li class:due={one.due}>
          <span>
            <b>{one.name}, {one.place}</b>
            <small>{one.line} · {one.gives}</small>
          </span>
          {#if one.cut_on === null && session.owner}
            <Button look={one.due ? 'go' : 'plain'} onclick={() => (cutting = one)}>Cut it</Button>
          {/if}
        </li>
      {/each}
    </ul>
    <Message problem={write.problem} />
  </section>
{/if}

<SheetForm
  title={cutting ? `Cut the ${cutting.name.toLowerCase()}` : ''}
  bind:open={() => cutting !== null, (open) => open || (cutting = null)}
  {write}
  submit="It is cut"
  keep={cut}
>
  <Choice
    label="How tall was it?"
    labelled
    bind:value={stand}
    options={[
      { value: 'short', name: 'young and short' },
      { value: 'flower', name: 'at its buds' },
    ]}
  />
  <Choice
    label="Where does it go?"
    labelled
    bind:value={place}
    options={[
      { value: 'in', name: 'dug in' },
      { value: 'on', name: 'left on top' },
    ]}
  />
  {#if cutting?.caution}<p class="soft">{cutting.caution}</p>{/if}
</SheetForm>

<style>
  section {
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  h2 {
    padding: var(--space-2) var(--space-4) 0;
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-2) var(--space-4);
    border-top: 1px solid var(--color-line);
  }

  li:first-child {
    border-top: 0;
  }

  .due {
    background: var(--color-rim-tint);
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .soft {
    color: var(--color-text-soft);
  }
</style>
