<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import { endFor } from '../../charts/scale';
  import Button from '../../ui/Button.svelte';
  import RootsRow from './RootsRow.svelte';
  import { AllRoots, type Read } from './roots.svelte';

  const all = new AllRoots();

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => {
      all.stop();
      working.folded = false;
    };
  });

  $effect(() => {
    void garden.version;
    if (garden.stops.length) untrack(() => void all.follow(garden.stops));
  });

  /** One scale for what drains, so that places compare; a wild one stays at its end. */
  const most = $derived(
    endFor(
      ...all.found.flatMap(({ roots: { chart } }) => [
        Math.min(6, chart.high[chart.today] ?? 0),
        Math.min(6, chart.comfort_high[chart.today] ?? 0),
      ]),
    ),
  );
  const flushes = $derived(all.found.flatMap(({ roots }) => (roots.flush ? [roots.flush] : [])));
  const litres = $derived(flushes.reduce((sum, flush) => sum + flush.litres, 0));
  const verdict = $derived.by(() => {
    if (all.busy || !all.found.length) return '';
    const count = all.wanting.length;
    if (!count) return 'Nothing here asks for anything: feed as usual.';
    const names = count === 1 ? 'One asks' : `${count} ask`;
    const water = flushes.length
      ? ` Flushing takes about ${Math.round(litres)} L from the ${flushes[0]?.water}.`
      : '';
    return `${names} for something before the next feed.${water}`;
  });
</script>

{#snippet rows(title: string, found: Read[])}
  {#if found.length}
    <h2>{title}</h2>
    <ul>
      {#each found as one (one.roots.fill_id)}
        <li><RootsRow {one} {most} /></li>
      {/each}
    </ul>
  {/if}
{/snippet}

<section aria-busy={all.busy}>
  <h1>What the roots say</h1>
  {#if all.problem}
    <p class="trouble" role="alert">{all.problem.message}</p>
    <Button onclick={() => all.follow(garden.stops)}>Try again</Button>
  {:else if all.busy}
    <label>
      Following the salts: {all.done} of {all.total} places
      <progress max={all.total} value={all.done}></progress>
    </label>
  {:else if garden.path && !garden.stops.length}
    <p>There is no place yet. <a href="/setup">Set up the first one.</a></p>
  {/if}
  <p role="status">{verdict}</p>
  {@render rows('Before the next feed', all.wanting)}
  {@render rows('Feed as usual', all.fine)}
  {@render rows('Feed as usual, but read first: nothing was read there yet', all.unread)}
  {#if all.found.length}
    <p class="soft">
      Bars run from 0 to {most.toFixed(0)} mS/cm: the dot is what it likely reads, the line where 8 in
      10 lie, the green what suits what grows there. Beds speak of a paste of their soil.
    </p>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
    align-content: start;
    padding: var(--space-3) 22px var(--space-8);
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  label {
    display: grid;
    gap: var(--space-1);
    max-width: 420px;
    color: var(--color-text-soft);
  }

  progress {
    width: 100%;
    accent-color: var(--color-rim);
  }

  .soft {
    max-width: 70ch;
    color: var(--color-text-soft);
    font-size: var(--text-s);
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
