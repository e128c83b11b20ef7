<script lang="ts">
  import Frame from './Frame.svelte';
  import { bandPath, endFor, linePath } from './frame';

  interface Dot {
    day: number;
    ec: number;
    /** Doubted: drawn hollow. */
    hollow: boolean;
    title: string;
  }

  interface Props {
    days: number[];
    /** Conductivity of the liquid as it stands [mS/cm]. */
    ec: { low: number[]; likely: number[]; high: number[] };
    /** When it may be taken off: low, likely, high [days]. */
    ready: number[];
    /** The day it is now; none for a brew that is only thought of. */
    today?: number;
    dots?: Dot[];
    summary: string;
  }
  let { days, ec, ready, today, dots = [], summary }: Props = $props();
  const HEIGHT = 250;
  const FOOT = 40;
  const last = $derived(days[days.length - 1] ?? 1);
  const most = $derived(Math.max(0.1, endFor(...ec.high, ...dots.map((dot) => dot.ec))));
  const table = $derived({
    head: ['day', 'mS/cm', '8 in 10', 'read'],
    rows: days.map((day, index) => [
      String(day),
      (ec.likely[index] ?? 0).toFixed(2),
      `${(ec.low[index] ?? 0).toFixed(2)} to ${(ec.high[index] ?? 0).toFixed(2)}`,
      dots
        .filter((dot) => Math.floor(dot.day) === day)
        .map((dot) => dot.title)
        .join('; '),
    ]),
  });
</script>

<!-- A brew's expected conductivity day by day, with readings as dots that pull it together. -->
<Frame
  {summary}
  height={HEIGHT}
  from={0}
  to={last}
  across="days"
  {most}
  unit="conductivity of the brew, mS/cm"
  bottom={FOOT}
  {table}
>
  {#snippet children({ x, y, top, floor, right })}
    {@const points = (values: number[]) =>
      values.map((value, index): [number, number] => [x(days[index] ?? 0), y(value)])}
    <rect
      class="ready"
      x={x(ready[0] ?? 0)}
      y={top}
      width={Math.max(3, x(ready[2] ?? 0) - x(ready[0] ?? 0))}
      height={floor - top}
    />
    <text class="readied" x={Math.min(x(ready[0] ?? 0) + 6, right - 62)} y={top + 16}>ready</text>
    <text class="end" x={right} y={floor - 8}>days</text>
    <path class="band" d={bandPath(points(ec.low), points(ec.high))} />
    <path class="likely" d={linePath(points(ec.likely))} />
    {#if today !== undefined}
      <path class="today" d="M{x(today)} {top}V{floor}" />
      <text
        class:end={x(today) > right - 100}
        x={x(today) + (x(today) > right - 100 ? -6 : 6)}
        y={floor - 24}>today, day {Math.floor(today)}</text
      >
    {/if}
    {#each dots as dot (dot.title)}
      <g transform="translate({x(dot.day)} {y(dot.ec)})">
        <title>{dot.title}</title>
        <circle class:hollow={dot.hollow} r="6.5" />
      </g>
    {/each}
  {/snippet}
</Frame>

<style>
  .ready {
    fill: var(--color-wish);
  }

  .readied {
    fill: var(--color-text);
  }

  .band {
    fill: var(--color-rim-pale);
    opacity: 0.45;
  }

  .likely {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 3;
  }

  .today {
    stroke: var(--color-text);
    stroke-dasharray: 4 4;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .end {
    text-anchor: end;
  }

  circle {
    fill: var(--color-stop);
    stroke: var(--color-panel);
    stroke-width: 1.5;
  }

  .hollow {
    fill: var(--color-panel);
    stroke: var(--color-stop);
    stroke-width: 2.5;
  }
</style>
