<script lang="ts">
  import StageMark from '../drawings/StageMark.svelte';
  import BrewsDue from './BrewsDue.svelte';
  import { ago } from '../ui/time';
  import { garden, type Stop } from './garden.svelte';

  function fed(stop: Stop): string {
    if (!stop.fed_at || !garden.path) return '';
    return `fed ${ago(stop.fed_at, garden.path.now, garden.path.zone)}`;
  }

  let list: HTMLOListElement | undefined = $state();

  // On a phone the path is a row to swipe: the chosen stop stays in sight.
  $effect(() => {
    if (!garden.stop?.id) return;
    list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  });

  /** The path swings a little at each stop, always the same way. */
  function swing(index: number): number {
    return [4, -3, 2, -4, 3, -2][index % 6] ?? 0;
  }
</script>

<nav aria-label="Along the path">
  <h2>Along the path</h2>
  {#if garden.path && garden.stops.length === 0}
    <p class="empty">
      No places yet. Your tubs and beds will stand here, in walking order.
      <a href="/setup">Set up the garden</a>
    </p>
  {/if}
  <ol bind:this={list} aria-busy={!garden.path}>
    {#each garden.stops as stop, index (stop.id)}
      <li>
        <button
          type="button"
          aria-current={stop.id === garden.stop?.id ? 'true' : undefined}
          onclick={() => garden.choose(stop.id === garden.stop?.id ? null : stop)}
        >
          <svg class="way" width="34" height="62" viewBox="0 0 34 62" aria-hidden="true">
            <path
              d="M{17 + swing(index - 1) / 2 + swing(index) / 2} -6
                 Q{17 + swing(index) * 2} 16 {17 + swing(index)} 31
                 T{17 + swing(index) / 2 + swing(index + 1) / 2} 68"
            />
            <circle cx={17 + swing(index)} cy="31" r={stop.id === garden.stop?.id ? 8 : 6} />
          </svg>
          <span class="words">
            <b>{stop.name}</b>
            <span title={stop.line}>{stop.line}</span>
            {#if fed(stop)}<span class="fed">{fed(stop)}</span>{/if}
          </span>
          <StageMark kind={stop.drawing} />
        </button>
      </li>
    {/each}
  </ol>
  <BrewsDue brews={garden.path?.brews ?? []} />
</nav>

<style>
  nav {
    grid-area: path;
    padding-left: var(--space-3);
    overflow-y: auto;
  }

  h2 {
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

  button {
    display: flex;
    gap: 6px;
    align-items: center;
    width: 100%;
    min-height: 62px;
    padding: 0 var(--space-2) 0 0;
    border: 0;
    border-radius: var(--radius) 0 0 var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  button[aria-current] {
    background: var(--color-panel);
    box-shadow: inset 3px 0 0 var(--color-rim);
  }

  .way {
    flex: none;
    overflow: visible;
  }

  .way path {
    fill: none;
    stroke: var(--color-edge);
    stroke-width: 2;
  }

  .way circle {
    fill: var(--color-ground);
    stroke: var(--color-text);
    stroke-width: 2;
  }

  button[aria-current] circle {
    fill: var(--color-rim);
    stroke: var(--color-rim);
  }

  .words {
    flex: 1;
    min-width: 0;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    line-height: 1.25;
  }

  .words b {
    display: block;
    color: var(--color-text);
    font-size: 0.9375rem;
    font-weight: 600;
  }

  .words span {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
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

    h2 {
      display: none;
    }

    ol {
      display: flex;
      gap: var(--space-2);
      padding: 0 var(--space-4) var(--space-2);
      overflow-x: auto;
      scroll-snap-type: x proximity;
    }

    li {
      flex: none;
      scroll-snap-align: center;
    }

    button {
      min-height: 56px;
      padding: 0 var(--space-3);
      border: 1px solid var(--color-line);
      border-radius: var(--radius);
    }

    button[aria-current] {
      border-color: var(--color-rim);
      box-shadow: inset 0 3px 0 var(--color-rim);
    }

    .way,
    .words .fed {
      display: none;
    }
  }
</style>
