<script lang="ts">
  import type { Schemas } from '../api/client';
  import Frame from './Frame.svelte';
  import { bandPath, linePath } from './frame';
  import { instantsOf, mostOf, rootTable, runsOf } from './roots';
  import RootKey from './RootKey.svelte';

  interface Props {
    chart: Schemas['RootChartOut'];
    summary: string;
  }
  let { chart, summary }: Props = $props();
  const HEIGHT = 330;
  const FOOT = 86;
  const at = $derived(instantsOf(chart.first));
  const count = $derived(chart.likely.length);
  const runs = $derived(runsOf(chart));
  const richest = $derived(
    Math.max(1, ...chart.poured.filter((p) => p.kind === 'feed').map((p) => p.amount)),
  );
  const size = (one: Schemas['PouredOut']) =>
    one.kind === 'feed' ? 0.5 + 0.6 * Math.sqrt(one.amount / richest) : 0.6;
  const wettest = $derived(Math.max(10, ...chart.rain_mm));
</script>

<!-- Expected, measured and forecast conductivity about the roots, with what came in below. -->
<Frame
  {summary}
  height={HEIGHT}
  from={at(0)}
  to={at(count - 1)}
  most={mostOf(chart)}
  unit={chart.axis}
  bottom={FOOT}
  table={rootTable(chart)}
>
  {#snippet children({ x, y, top, floor })}
    {@const points = (values: number[], from = 0) =>
      values.map((value, index): [number, number] => [x(at(index + from)), y(value)])}
    {#each runs as run (run.from)}
      <rect
        class="comfort"
        x={x(at(run.from))}
        y={y(run.high)}
        width={Math.max(2, x(at(Math.min(run.to + 1, count - 1))) - x(at(run.from)))}
        height={y(run.low) - y(run.high)}
      />
    {/each}
    <path class="band" d={bandPath(points(chart.low), points(chart.high))} />
    <path class="likely" d={linePath(points(chart.likely.slice(0, chart.today + 1)))} />
    <path class="likely ahead" d={linePath(points(chart.likely.slice(chart.today), chart.today))} />
    <path class="today" d="M{x(at(chart.today))} {top}V{HEIGHT - 24}" />
    {#each chart.rain_mm as mm, day (day)}
      {#if mm >= 1}
        <path class="rain" d="M{x(at(day))} {HEIGHT - 28}v{-Math.max(2, (mm / wettest) * 22)}" />
      {/if}
    {/each}
    {#each chart.poured as one, index (index)}
      <g transform="translate({x(at(one.day))} {floor + 26}) scale({size(one)})">
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
    {#each chart.dots as dot (dot.id)}
      <g transform="translate({x(at(dot.day))} {y(dot.ec)})">
        <title>{dot.title}</title>
        <circle class:hollow={dot.hollow} r="6" />
      </g>
    {/each}
  {/snippet}
</Frame>
<RootKey />

<style>
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
