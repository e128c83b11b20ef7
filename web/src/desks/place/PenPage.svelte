<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { undo } from '../../app/undo.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';

  let pens = $state<Schemas['PenOut'][] | null>(null);
  let problem = $state<Problem | null>(null);
  const STEPS = [
    'Rinse the tip with rain water and shake it dry; wipe nothing.',
    'Dip it in a standard of 1.413 mS/cm at about 25 °C, stir, and wait until the number stands still.',
    'Turn its screw, or hold its button, until it shows 1.41. Rinse it again.',
    'Press “Set right today” here: from now on its age counts anew.',
  ];

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    void garden.version;
    untrack(() => void load());
  });

  async function load() {
    const reply = await ask(client.GET('/api/setup'));
    problem = reply.problem ?? null;
    pens = reply.data?.pens ?? pens;
  }

  async function setRight(pen_id: string) {
    const params = { path: { pen_id } };
    const reply = await ask(client.POST('/api/pens/{pen_id}/calibrate', { params }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<!-- The pens: how far each can be trusted, and how to set one right. -->
<section aria-busy={!pens}>
  <h1>Your pens</h1>
  {#if problem}
    <p class="trouble" role="alert">{problem.message}</p>
    <Button onclick={load}>Try again</Button>
  {/if}
  {#each pens ?? [] as pen (pen.id)}
    <article aria-label={pen.name}>
      <h2>{pen.name}</h2>
      <p>
        {pen.trust.charAt(0).toUpperCase() + pen.trust.slice(1)}. It shows up to {pen.most_ms_cm} mS/cm
        in steps of {pen.step_ms_cm}, and
        {pen.compensates ? 'corrects to 25 °C by itself' : 'wants the temperature beside it'}.
      </p>
      <div class="acts">
        <Button look="go" onclick={() => setRight(pen.id)}>Set right today</Button>
        <Button onclick={() => keys.read()}>Read something</Button>
      </div>
    </article>
  {:else}
    {#if pens}<p>No pen yet. <a href="/setup">Add one in the set-up.</a></p>{/if}
  {/each}
  <h2>To set a pen right</h2>
  <ol>
    {#each STEPS as step (step)}<li>{step}</li>{/each}
  </ol>
  <p class="soft">
    After sixty days without, its readings count as those of a pen left alone: Dace widens every
    band that they bear on.
  </p>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
    align-content: start;
    max-width: 760px;
    padding: var(--space-3) 22px var(--space-8);
  }

  article {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
