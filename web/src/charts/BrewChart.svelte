<script lang="ts">
  import EcAxis from './EcAxis.svelte';
  import { bandPath, linePath } from './weeks';

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
  let room = $state(0);
  const width = $derived(Math.max(280, room));
  const HEIGHT = 250;
  const LEFT = 40;
  const FOOT = 40;
  const TOP = 22;
  const last = $derived(days[days.length - 1] ?? 1);
  const most = $derived(Math.max(0.1, ...ec.high, ...dots.map((dot) => dot.ec)) * 1.08);
  const x = (day: number) => LEFT + (Math.min(day, last) / last) * (width - LEFT - 8);
  const y = (value: number) => TOP + (HEIGHT - TOP - FOOT) * (1 - value / most);
  const points = (values: number[]) =>
    values.map((value, index): [number, number] => [x(days[index] ?? 0), y(value)]);
  const EVERY = [1, 2, 3, 5, 7, 14, 30];
  const marks = $derived.by(() => {
    const every = EVERY.find((step) => last / step <= 8) ?? 30;
    return Array.from({ length: Math.floor(last / every) + 1 }, (_, index) => index * every);
  });
</script>

<div class="room" bind:clientWidth={room}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" role="img" aria-label={summary}>
    <rect
      class="ready"
      x={x(ready[0] ?? 0)}
      y={TOP}
      width={Math.max(3, x(ready[2] ?? 0) - x(ready[0] ?? 0))}
      height={HEIGHT - TOP - FOOT}
    />
    <text class="readied" x={Math.min(x(ready[0] ?? 0) + 6, width - 70)} y={TOP + 16}>ready</text>
    <EcAxis {most} {y} left={LEFT} right={width - 8} title="conductivity of the brew, mS/cm" />
    {#each marks as mark (mark)}
      <text class="mid" x={x(mark)} y={HEIGHT - FOOT + 18}>{mark}</text>
    {/each}
    <text class="end" x={width - 8} y={HEIGHT - 4}>days</text>
    <path class="band" d={bandPath(points(ec.low), points(ec.high))} />
    <path class="likely" d={linePath(points(ec.likely))} />
    {#if today !== undefined}
      <path class="today" d="M{x(today)} {TOP}V{HEIGHT - FOOT}" />
      <text
        class:end={x(today) > width - 110}
        x={x(today) + (x(today) > width - 110 ? -6 : 6)}
        y={HEIGHT - FOOT - 8}>today, day {Math.floor(today)}</text
      >
    {/if}
    {#each dots as dot (dot.title)}
      <g transform="translate({x(dot.day)} {y(dot.ec)})">
        <title>{dot.title}</title>
        <circle class:hollow={dot.hollow} r="6.5" />
      </g>
    {/each}
  </svg>
</div>

<style>
  .room {
    min-width: 0;
    overflow: hidden;
  }

  svg {
    display: block;
  }

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

  .mid {
    text-anchor: middle;
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
