<script lang="ts">
  import BrewsDue from './BrewsDue.svelte';
  import { garden } from './garden.svelte';
  import PathStop from './PathStop.svelte';

  const HEIGHT = 'dace-path-height';
  const USUAL = 108;
  let list: HTMLOListElement | undefined = $state();
  let rail: HTMLElement | undefined = $state();

  // As high as it was last time until it is read: on a phone the desk stands below it.
  const kept = Number(localStorage.getItem(HEIGHT)) || USUAL;
  $effect(() => {
    if (garden.path && rail && innerWidth <= 1000)
      localStorage.setItem(HEIGHT, String(rail.offsetHeight));
  });

  // On a phone the path is a row to swipe: the chosen stop stays in sight.
  $effect(() => {
    if (!garden.stop?.id) return;
    list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  });
</script>

<nav
  aria-label="Along the path"
  bind:this={rail}
  style:min-height={garden.path ? undefined : `${kept}px`}
>
  <p class="name" aria-hidden="true">Along the path</p>
  {#if garden.path && garden.stops.length === 0}
    <p class="empty">
      No places yet. Your tubs and beds will stand here, in walking order.
      <a href="/setup">Set up the garden</a>
    </p>
  {/if}
  <ol bind:this={list} aria-busy={!garden.path}>
    {#each garden.stops as stop, index (stop.id)}
      <li>
        <PathStop {stop} {index} />
      </li>
    {/each}
  </ol>
  <div class="shed" class:chosen={garden.stop}>
    <BrewsDue brews={garden.path?.brews ?? []} />
  </div>
</nav>

<style>
  nav {
    grid-area: path;
    padding-left: var(--space-3);
    overflow-y: auto;
  }

  .name {
    margin: 0 0 var(--space-1) var(--space-3);
    color: var(--color-text-soft);
    font: 550 var(--text-s) / 1.4 var(--face-text);
    letter-spacing: 0;
  }

  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .empty {
    padding: var(--space-3);
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (width <= 1000px) {
    nav {
      padding: 0;
    }

    .name {
      display: none;
    }

    ol {
      display: flex;
      gap: var(--space-2);
      padding: 0 var(--space-4) var(--space-2);
      overflow-x: auto;
      scroll-snap-type: x proximity;
    }

    .chosen {
      display: none;
    }

    li {
      flex: none;
      scroll-snap-align: center;
    }
  }
</style>
