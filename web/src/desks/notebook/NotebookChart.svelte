<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { bookTable, poursOf, readsOf, spanOf, trailsOf } from '../../charts/book';
  import { apart, linePath } from '../../charts/frame';
  import Frame from '../../charts/Frame.svelte';

  import ScoreLanes from './ScoreLanes.svelte';

  interface Props {
    book: Schemas['NotebookOut'];
    zone: string;
  }
  const { book, zone }: Props = $props();
  const FOOT = 84;
  const NAMES = 122;
  const NAME_GAP = 17;
  const pours = $derived(poursOf(book));
  const reads = $derived(readsOf(book));
  const trails = $derived(trailsOf(reads));
  const span = $derived(spanOf(pours, reads));
  const richest = $derived(Math.max(1, ...pours.map((one) => one.nitrogen)));
  const size = (nitrogen: number) => 0.45 + 0.75 * Math.sqrt(nitrogen / richest);
  const shortened = (name: string) => (name.length > 15 ? `${name.slice(0, 14)}…` : name);
  const cans = $derived(reads.filter((one) => one.what === 'can').length);
  const summary = $derived(
    `${pours.length} doses as drops sized by their nitrogen, ${cans} readings of cans and ` +
      `${reads.length - cans} of what drains or of water, on one axis of days; conductivity upwards.`,
  );
</script>

{#if pours.length + reads.length === 0}
  <p>Nothing was poured or read in these days.</p>
{:else}
  <figure>
    <Frame
      {summary}
      height={420}
      {...span}
      {zone}
      unit="mS/cm at 25 °C"
      right={NAMES}
      bottom={FOOT}
      table={bookTable(pours, reads, zone)}
    >
      {#snippet children({ x, y, right, floor })}
        {@const ends = trails.map((trail) => y(trail.reads.at(-1)?.ec ?? 0))}
        {@const names = apart(ends, NAME_GAP)}
        {#each pours as one (one.id)}
          <g transform="translate({x(one.at)} {floor + 30}) scale({size(one.nitrogen)})">
            <title>{one.title}</title>
            <path class="drop" d="M0 -17c5 8 9 12 9 17a9 9 0 0 1-18 0c0-5 4-9 9-17Z" />
          </g>
          <path class="expected" d="M{x(one.at) - 7} {y(one.ec)}h14" />
        {/each}
        {#each trails as trail, index (trail.stop)}
          <path class="trail" d={linePath(trail.reads.map((one) => [x(one.at), y(one.ec)]))} />
          <text x={right + 12} y={(names[index] ?? 0) + 5}>{shortened(trail.stop)}</text>
        {/each}
        {#each reads as one (one.id)}
          <g transform="translate({x(one.at)} {y(one.ec)})">
            <title>{one.stop}: {one.what} {one.ec} mS/cm</title>
            {#if one.what === 'can'}
              <rect class="can" x="-5" y="-5" width="10" height="10" />
            {:else}
              <circle class="drain" r="5.5" />
            {/if}
          </g>
        {/each}
      {/snippet}
    </Frame>
    <figcaption>
      <span><i class="square"></i> can, read</span>
      <span><i class="dash"></i> can, expected</span>
      <span><i class="round"></i> what drains, or water</span>
      <span>drops: doses, sized by the nitrogen they carry</span>
    </figcaption>
  </figure>
  <ScoreLanes from={span.from} to={span.to} {zone} right={NAMES} />
{/if}

<style>
  figure {
    margin: 0;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 15px;
  }

  .drop {
    fill: var(--color-rim);
  }

  .expected {
    stroke: var(--color-text);
    stroke-width: 2.5;
  }

  .trail {
    fill: none;
    stroke: var(--color-stop);
    stroke-width: 1.5;
    opacity: 0.5;
  }

  .can {
    fill: var(--color-care);
    stroke: var(--color-panel);
  }

  .drain {
    fill: var(--color-stop);
    stroke: var(--color-panel);
  }

  figcaption {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-4);
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  i {
    display: inline-block;
    width: 11px;
    height: 11px;
  }

  .square {
    background: var(--color-care);
  }

  .round {
    border-radius: 50%;
    background: var(--color-stop);
  }

  .dash {
    height: 0;
    border-top: 3px solid var(--color-text);
    vertical-align: 4px;
  }
</style>
