<script lang="ts">
  import EcAxis from './EcAxis.svelte';
  import type { Schemas } from '../api/client';
  import RootKey from './RootKey.svelte';
  import { bandPath, linePath } from './weeks';

  interface Props {
    chart: Schemas['RootChartOut'];
    summary: string;
  }
  let { chart, summary }: Props = $props();
  let room = $state(0);
  const width = $derived(Math.max(280, room));
  const HEIGHT = 330;
  const LEFT = 40;
  const RIGHT = 10;
  const TOP = 26;
  const FOOT = 86;
  const floor = HEIGHT - FOOT;
  const count = $derived(chart.likely.length);
  const tops = $derived(chart.comfort_high.map((value) => value ?? 0));
  const most = $derived(
    Math.max(0.5, ...chart.high, ...tops, ...chart.dots.map((dot) => dot.ec)) * 1.06,
  );
  const x = (day: number) => LEFT + (day / Math.max(1, count - 1)) * (width - LEFT - RIGHT);
  const y = (ec: number) => TOP + (floor - TOP) * (1 - ec / most);
  const points = (values: number[], from = 0) =>
    values.map((value, index): [number, number] => [x(index + from), y(value)]);
  const past = $derived(linePath(points(chart.likely.slice(0, chart.today + 1))));
  const ahead = $derived(linePath(points(chart.likely.slice(chart.today), chart.today)));
  /** The comfort band as steps, one rectangle for each run of days alike. */
  const comfort = $derived.by(() => {
    const runs: { from: number; to: number; low: number; high: number }[] = [];
    chart.comfort_high.forEach((high, day) => {
      const low = chart.comfort_low[day];
      if (high === null || low === null || low === undefined) return;
      const last = runs.at(-1);
      if (last && last.to === day - 1 && last.low === low && last.high === high) last.to = day;
      else runs.push({ from: day, to: day, low, high });
    });
    return runs;
  });
  const marks = $derived.by(() => {
    const first = Date.parse(`${chart.first}T12:00:00Z`);
    const every = width < 500 ? 21 : 14;
    const found = [];
    for (let day = chart.today % every; day < count; day += every) {
      const at = new Date(first + day * 86_400_000);
      const name = at.toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        timeZone: 'UTC',
      });
      found.push({ day, name: day === chart.today ? 'today' : name });
    }
    return found;
  });
  const richest = $derived(
    Math.max(1, ...chart.poured.filter((p) => p.kind === 'feed').map((p) => p.amount)),
  );
  const size = (one: Schemas['PouredOut']) =>
    one.kind === 'feed' ? 0.5 + 0.6 * Math.sqrt(one.amount / richest) : 0.6;
  const wettest = $derived(Math.max(10, ...chart.rain_mm));
</script>

<!-- Expected, measured and forecast conductivity about the roots, with what came in below. -->
<div class="room" bind:clientWidth={room}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" role="img" aria-label={summary}>
    {#each comfort as run (run.from)}
      <rect
        class="comfort"
        x={x(run.from)}
        y={y(run.high)}
        width={Math.max(2, x(Math.min(run.to + 1, count - 1)) - x(run.from))}
        height={y(run.low) - y(run.high)}
      />
    {/each}
    <EcAxis {most} {y} left={LEFT} right={width - RIGHT} title={chart.axis} />
    <path class="band" d={bandPath(points(chart.low), points(chart.high))} />
    <path class="likely" d={past} />
    <path class="likely ahead" d={ahead} />
    <path class="today" d="M{x(chart.today)} {TOP}V{HEIGHT - 24}" />
    {#each chart.rain_mm as mm, day (day)}
      {#if mm >= 1}
        <path class="rain" d="M{x(day)} {HEIGHT - 28}v{-Math.max(2, (mm / wettest) * 22)}" />
      {/if}
    {/each}
    {#each chart.poured as one, index (index)}
      <g transform="translate({x(one.day)} {floor + 26}) scale({size(one)})">
        <title>{one.title}</title>
        {#if one.kind === 'dry'}
          <rect class="feed" x="-8" y="-14" width="16" height="12" />
        {:else}
          <path
            class={one.kind === 'feed' ? 'feed' : 'water'}
            d="M0 -17c5 8 9 12 9 17a9 9 0 0 1-18 0c0-5 4-9 9-17Z"
          />
        {/if}
      </g>
    {/each}
    {#each marks as mark (mark.day)}
      <text
        class={mark.day > count - 8 ? 'end' : mark.day < 3 ? '' : 'mid'}
        x={x(mark.day)}
        y={HEIGHT - 6}>{mark.name}</text
      >
    {/each}
    {#each chart.dots as dot (dot.id)}
      <g transform="translate({x(dot.day)} {y(dot.ec)})">
        <title>{dot.title}</title>
        <circle class:hollow={dot.hollow} r="6" />
      </g>
    {/each}
  </svg>
  <RootKey />
</div>

<style>
  .room {
    min-width: 0;
    overflow: hidden;
  }

  svg {
    display: block;
  }

  .comfort {
    fill: var(--color-wish);
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

  .ahead {
    stroke-dasharray: 2 6;
    stroke-linecap: round;
  }

  .today {
    stroke: var(--color-text);
    stroke-dasharray: 4 4;
  }

  .rain {
    stroke: var(--color-rim-pale);
    stroke-width: 4;
  }

  .feed {
    fill: var(--color-go);
  }

  .water {
    fill: var(--color-panel);
    stroke: var(--color-rim);
    stroke-width: 3;
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
