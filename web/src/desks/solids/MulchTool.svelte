<!-- A mulch: how much to bring for a bed, and the nitrogen that it takes. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { example } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { draftOf, keepDraft } from '../../ui/drafts';

  import OnABed from './OnABed.svelte';

  const { offered }: { offered: Schemas['SolidsOut'] } = $props();
  interface Thought {
    material: string;
    area: string;
    depth: string;
  }
  const BEGUN: Thought = {
    material: 'wheat_straw',
    area: example('3 x 2 m', '10 x 6 ft'),
    depth: '',
  };
  let thought = $state<Thought>(draftOf<Thought>('mulch') ?? BEGUN);
  const found = new Resource<Schemas['MulchOut']>();
  const mulch = $derived(found.data);

  follow(
    () => JSON.stringify(thought),
    () => {
      keepDraft('mulch', thought);
      const body = { ...thought };
      found.soon((signal) => ask(client.POST('/api/solids/mulch', { body, signal })));
    },
  );
</script>

<form onsubmit={(event) => event.preventDefault()}>
  <Choice
    label="Mulch"
    labelled
    bind:value={thought.material}
    options={offered.mulches.map((one) => ({ value: one.key, name: one.name }))}
  />
  <label>On <input bind:value={thought.area} autocomplete="off" /></label>
  <label>
    Settled to <input
      bind:value={thought.depth}
      autocomplete="off"
      placeholder={example('usual, or 75 mm', 'usual, or 3 in')}
    />
  </label>
</form>
<Message problem={found.problem} again={found.again} />
{#if mulch && !found.problem}
  <section aria-label="What to bring" aria-live="polite">
    <h2>{mulch.bring}</h2>
    <p>{mulch.lies}.</p>
    <p>{mulch.nitrogen}.</p>
    <p class="care">{mulch.caution}</p>
    {#if offered.beds.length && session.owner}
      <OnABed
        beds={offered.beds}
        title="Lay it"
        press="Lay it on a bed"
        send={(id, fill_id) =>
          ask(
            client.POST('/api/mulched', {
              body: { id, fill_id, material: thought.material, depth: thought.depth },
            }),
          )}
      />
    {/if}
  </section>
{/if}

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: end;
  }

  label {
    display: grid;
    gap: var(--space-1);
    font-weight: 550;
  }

  input {
    width: 18ch;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  section {
    display: grid;
    gap: var(--space-2);
  }

  h2 {
    font-size: var(--text-xl);
  }

  .care {
    max-width: 60ch;
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
    color: var(--color-text-soft);
  }
</style>
