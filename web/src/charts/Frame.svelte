<script lang="ts">
  import type { Snippet } from 'svelte';
  import { tables } from '../app/tables.svelte';
  import ChartTable from './ChartTable.svelte';
  import {
    anchor,
    datesAlong,
    numbersAlong,
    plotOf,
    stepsUpTo,
    type Plot,
    type Table,
  } from './frame';

  interface Props {
    /** One sentence that says what the picture shows. */
    summary: string;
    height: number;
    /** Both ends of the axis across: days of a count, instants in ms, or places without a mark. */
    from: number;
    to: number;
    across?: 'days' | 'dates' | 'nothing';
    zone?: string;
    /** The end of the axis upwards; without it none is drawn, and `y` goes from 0 to 1. */
    most?: number;
    /** What the axis upwards counts, with its unit. */
    unit?: string;
    right?: number;
    /** Room left of the axis, where other than the scale upwards takes. */
    left?: number;
    /** Room below the axis for drops and rain. */
    bottom?: number;
    /** The same as a table. */
    table: Table;
    children: Snippet<[Plot]>;
  }
  const {
    summary,
    height,
    from,
    to,
    across = 'dates',
    zone = 'UTC',
    most,
    unit = '',
    right = 10,
    left,
    bottom = 28,
    table,
    children,
  }: Props = $props();
  let room = $state(0);
  const LEAST = 280;
  const box = $derived({
    width: Math.max(LEAST, room),
    height,
    left: left ?? (most === undefined ? 4 : 40),
    right,
    top: unit ? 24 : 6,
    bottom,
  });
  const plot = $derived(plotOf(box, from, to, most ?? 1));
  const marks = $derived.by(() => {
    if (across === 'nothing') return [];
    return across === 'days' ? numbersAlong(plot, from, to) : datesAlong(plot, from, to, zone);
  });
</script>

<!-- A chart's frame: axes, marks and their text, and the same figures as a table. -->
{#if tables.on}
  <ChartTable {table} {summary} />
{:else}
  <div bind:clientWidth={room}>
    <svg
      width={box.width}
      {height}
      viewBox="0 0 {box.width} {height}"
      role="img"
      aria-label={summary}
    >
      {#if most !== undefined}
        {#each stepsUpTo(most) as step (step)}
          <path class="grid" d="M{plot.left} {plot.y(step)}H{plot.right}" />
          <text text-anchor="end" x={plot.left - 8} y={plot.y(step) + 5}>
            {Number(step.toFixed(2))}
          </text>
        {/each}
      {/if}
      {#if unit}<text x="0" y="14">{unit}</text>{/if}
      {#each marks as mark (mark.at)}
        <text text-anchor={anchor(plot.x(mark.at), plot)} x={plot.x(mark.at)} y={height - 8}>
          {mark.text}
        </text>
      {/each}
      {@render children(plot)}
    </svg>
  </div>
{/if}

<style>
  div {
    min-width: 0;
    overflow: hidden;
  }

  svg {
    display: block;
  }

  .grid {
    stroke: var(--color-line);
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }
</style>
