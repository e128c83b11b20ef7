<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import LedgerPanel from './LedgerPanel.svelte';
  import PlantingSummary from './PlantingSummary.svelte';
  import { season } from './season.svelte';
  import SeasonChart from './SeasonChart.svelte';
  import type { Strip } from './strips';
  import WeatherSheet from './WeatherSheet.svelte';

  const FURTHEST = 24;
  let chosen = $state('');
  let weatherOpen = $state(false);
  const strips = $derived(
    (season.data?.strips ?? []).filter((one) => !garden.stop || one.place_id === garden.stop.id),
  );
  const strip = $derived(
    strips.find((one) => one.planting_id === chosen) ?? (garden.stop ? strips[0] : undefined),
  );
  const gifts = $derived(strips.reduce((sum, one) => sum + one.drops.length, 0));

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    const ahead = season.ahead;
    void garden.version;
    untrack(() => void season.load(ahead));
  });

  $effect(() => {
    const id = strip?.planting_id;
    void garden.version;
    if (id) untrack(() => void season.loadPage(id));
  });

  $effect(() => {
    if (season.page) working.advice = season.page.advice;
  });

  /** To choose a strip is to choose its stop: the desk narrows to it. */
  function choose(one: Strip) {
    chosen = one.planting_id;
    const stop = garden.stops.find((other) => other.id === one.place_id);
    if (stop && stop.id !== garden.stop?.id) garden.choose(stop);
  }
</script>

<section aria-busy={!season.data}>
  <header>
    <div>
      <h1>The season{garden.stop ? `: ${garden.stop.name}` : ''}</h1>
      <p class="soft">
        thirty weeks · {gifts}
        {gifts === 1 ? 'feed' : 'feeds'} given · {season.data?.climate ?? ''}
      </p>
    </div>
    <div class="acts">
      {#if garden.stop}<Button onclick={() => garden.choose(null)}>The whole garden</Button>{/if}
      <Button disabled={season.ahead <= 4} onclick={() => (season.ahead -= 4)}>Earlier</Button>
      <Button disabled={season.ahead >= FURTHEST} onclick={() => (season.ahead += 4)}>Later</Button>
      <Button onclick={() => (weatherOpen = true)}>Own weather</Button>
      <Button onclick={() => print()}>Print</Button>
    </div>
  </header>
  {#if season.problem}
    <p class="trouble" role="alert">{season.problem.message}</p>
    <Button onclick={() => season.load(season.ahead)}>Try again</Button>
  {/if}
  {#if season.data && strips.length === 0}
    <p>
      {garden.stop ? 'Nothing grows here.' : 'Nothing grows yet.'} Say what grows where, and its stages
      stand here.
    </p>
    <a href="/setup{garden.search}">Add what grows</a>
  {:else if season.data}
    <div class="split" class:whole={!strip}>
      <div class="strips">
        <SeasonChart
          data={season.data}
          {strips}
          chosen={strip?.planting_id ?? ''}
          onchoose={choose}
        />
      </div>
      {#if strip && season.page?.id === strip.planting_id}
        <div class="side"><PlantingSummary page={season.page} /></div>
        <div class="books"><LedgerPanel page={season.page} /></div>
      {:else if strip}
        <p class="soft side" aria-busy="true">Working out the books…</p>
      {:else}
        <p class="soft hint">Choose a strip to see what that planting takes and what it gets.</p>
      {/if}
    </div>
  {/if}
</section>
<WeatherSheet bind:open={weatherOpen} />

<style>
  section {
    display: grid;
    gap: var(--space-4);
    padding: var(--space-3) 22px var(--space-8);
  }

  header {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: flex-start;
    justify-content: space-between;
  }

  h1 {
    font-size: 1.5625rem;
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

  .split {
    display: grid;
    grid-template: auto 1fr / minmax(0, 1fr) 250px;
    grid-template-areas: 'strips side' 'books side';
    gap: var(--space-4) var(--space-6);
  }

  .whole {
    grid-template: auto auto / minmax(0, 1fr);
    grid-template-areas: 'strips' 'books';
  }

  .strips {
    grid-area: strips;
    min-width: 0;
  }

  .side {
    grid-area: side;
  }

  .books {
    grid-area: books;
    min-width: 0;
  }

  .hint {
    padding-left: 10px;
  }

  @media print {
    .acts,
    .hint {
      display: none;
    }
  }

  @media (width <= 1000px) {
    .split {
      grid-template: auto auto auto / minmax(0, 1fr);
      grid-template-areas: 'strips' 'side' 'books';
    }
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }
  }
</style>
