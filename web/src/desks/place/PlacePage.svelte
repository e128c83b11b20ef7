<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import HarvestSheet from './HarvestSheet.svelte';
  import RootsPanel from './RootsPanel.svelte';

  let place = $state<Schemas['PlaceRootsOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let picking = $state(false);

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => {
      working.folded = false;
      working.clear();
    };
  });

  $effect(() => {
    const id = garden.stop?.id;
    void garden.version;
    if (id) untrack(() => void load(id));
  });

  $effect(() => keys.standAt(place?.fills[0]?.subject_id ?? ''));

  async function load(id: string) {
    if (place?.id !== id) place = null;
    const params = { path: { place_id: id } };
    const reply = await ask(client.GET('/api/places/{place_id}/roots', { params }));
    if (garden.stop?.id !== id) return;
    problem = reply.problem ?? null;
    if (reply.data) place = reply.data;
  }
</script>

<section aria-busy={!place}>
  {#if problem}
    <p class="trouble" role="alert">{problem.message}</p>
    <Button onclick={() => garden.stop && load(garden.stop.id)}>Try again</Button>
  {/if}
  {#if place}
    <header>
      <div>
        <h1>{place.name}</h1>
        <p class="soft">{place.plants.join(' · ') || 'nothing growing'}</p>
      </div>
      <div class="acts">
        {#if place.plantings.length}
          <Button onclick={() => (picking = true)}>Picked something</Button>
        {/if}
        <a href="/bench{garden.search}">To the Bench</a>
        <a href="/season{garden.search}">Its season</a>
        <a href="/roots">All roots</a>
      </div>
    </header>
    {#each place.fills as roots (roots.fill_id)}
      <RootsPanel {roots} named={place.fills.length > 1} />
    {:else}
      <p>Nothing is filled here yet. <a href="/setup">Say what it holds.</a></p>
    {/each}
    {#if place.harvests.length}
      <h2>Picked here</h2>
      <ul>
        {#each place.harvests as one (one.id)}<li>{one.at}: {one.text}</li>{/each}
      </ul>
    {/if}
    <HarvestSheet plantings={place.plantings} bind:open={picking} />
  {:else if !garden.stop && garden.path}
    <h1>Roots</h1>
    <p>
      Choose a stop along the path, and Dace says what its drain tells, or
      <a href="/roots">see all of them</a>.
    </p>
  {:else if !problem}
    <p class="soft">Following the salts…</p>
    <progress aria-label="Following the salts"></progress>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-4);
    align-content: start;
    padding: var(--space-3) 22px var(--space-8);
  }

  header,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: center;
    justify-content: space-between;
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  .acts a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .trouble {
    color: var(--color-stop);
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }
  }
</style>
