<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import RootChart from '../../charts/RootChart.svelte';

  const { stopId }: { stopId: string } = $props();
  let place = $state<Schemas['PlaceRootsOut'] | null>(null);
  let problem = $state<Problem | null>(null);

  $effect(() => {
    const id = stopId;
    void garden.version;
    untrack(() => void load(id));
  });

  async function load(place_id: string) {
    const params = { path: { place_id } };
    const reply = await ask(client.GET('/api/places/{place_id}/roots', { params }));
    problem = reply.problem ?? null;
    place = reply.data ?? null;
  }
</script>

<!-- One stop's doses and readings on the chart of its roots, as its own page has it. -->
{#if problem}<p role="alert">{problem.message}</p>{/if}
{#if place}
  {#each place.fills as fill (fill.fill_id)}
    {#if place.fills.length > 1}<h2>{fill.name}</h2>{/if}
    <RootChart chart={fill.chart} summary="{fill.name}: {fill.headline}" />
  {/each}
{:else if !problem}
  <p>Following the salts…</p>
  <progress aria-label="Following the salts"></progress>
{/if}

<style>
  h2 {
    margin-top: var(--space-3);
    font-size: var(--text-l);
  }
</style>
