<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import Page from '../../ui/Page.svelte';
  import PhotoStrip from '../looks/PhotoStrip.svelte';
  import HarvestSheet from './HarvestSheet.svelte';
  import RootsPanel from './RootsPanel.svelte';

  const roots = new Resource<Schemas['PlaceRootsOut']>();
  const place = $derived(roots.data);
  let picking = $state(false);

  follow(
    () => [garden.stop?.id, garden.version] as const,
    ([id]) => {
      if (place?.id !== id) roots.clear();
      if (!id) return;
      const params = { path: { place_id: id } };
      void roots.load((signal) =>
        ask(client.GET('/api/places/{place_id}/roots', { params, signal })),
      );
    },
  );

  $effect(() => keys.standAt(place?.fills[0]?.subject_id ?? ''));
</script>

{#if !garden.stop && garden.path}
  <Page title="Roots">
    <p>
      Choose a stop along the path, or <a href="/roots">see all of them</a>.
    </p>
  </Page>
{:else}
  <Page
    title={place?.name ?? garden.stop?.name ?? 'Roots'}
    sub={place ? place.plants.join(' · ') || 'nothing growing' : ''}
    of={roots}
    charts
    waiting="Following the salts…"
  >
    {#snippet acts()}
      {#if place?.plantings.length}
        <Button writes onclick={() => (picking = true)}>Picked something</Button>
      {/if}
      <a href="/bench{garden.search}">To the Bench</a>
      <a href="/season{garden.search}">Its season</a>
      <Button writes onclick={() => (keys.looksOpen = true)}>How do they look?</Button>
      <a href="/signs{garden.search}">What is wrong?</a>
      <a href="/roots">All roots</a>
    {/snippet}
    {#if place}
      {#each place.fills as fill (fill.fill_id)}
        <RootsPanel roots={fill} named={place.fills.length > 1} />
      {:else}
        <p>Nothing is filled here yet. <a href="/setup">Say what it holds.</a></p>
      {/each}
      {#if place.harvests.length}
        <h2>Picked here</h2>
        <ul>
          {#each place.harvests as one (one.id)}<li>{one.at}: {one.text}</li>{/each}
        </ul>
      {/if}
      <PhotoStrip placeId={place.id} />
      <HarvestSheet plantings={place.plantings} bind:open={picking} />
    {/if}
  </Page>
{/if}

<style>
  h2 {
    font-size: var(--text-l);
  }

  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  p a {
    display: inline;
  }
</style>
