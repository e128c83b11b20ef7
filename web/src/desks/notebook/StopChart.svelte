<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import RootChart from '../../charts/RootChart.svelte';
  import { instantsOf } from '../../charts/roots';
  import Message from '../../ui/Message.svelte';

  import ScoreLanes from './ScoreLanes.svelte';

  const { stopId }: { stopId: string } = $props();
  const roots = new Resource<Schemas['PlaceRootsOut']>();
  const place = $derived(roots.data);

  follow(
    () => [stopId, garden.version] as const,
    ([place_id]) => {
      const params = { path: { place_id } };
      void roots.load((signal) =>
        ask(client.GET('/api/places/{place_id}/roots', { params, signal })),
      );
    },
  );
</script>

<!-- One stop's doses and readings on the chart of its roots, as its own page has it. -->
<Message problem={roots.problem} again={roots.again} />
{#if place}
  {#each place.fills as fill, at (fill.fill_id)}
    {#if place.fills.length > 1}<h2>{fill.name}</h2>{/if}
    <RootChart chart={fill.chart} summary="{fill.name}: {fill.headline}" />
    {#if at === 0}
      {@const day = instantsOf(fill.chart.first)}
      <ScoreLanes
        from={day(0)}
        to={day(fill.chart.likely.length - 1)}
        zone={garden.path?.zone ?? 'UTC'}
        {stopId}
        right={10}
      />
    {/if}
  {/each}
{:else if !roots.problem}
  <p>Following the salts…</p>
  <progress aria-label="Following the salts"></progress>
{/if}

<style>
  h2 {
    margin-top: var(--space-3);
    font-size: var(--text-l);
  }
</style>
