<script lang="ts">
  import type { Schemas } from '../api/client';
  import { scale } from './scale';

  interface Props {
    chart: Schemas['RootChartOut'];
    /** The end of the scale [mS/cm], one for all that stand below each other. */
    most: number;
    summary: string;
  }
  const { chart, most, summary }: Props = $props();
  const WIDTH = 240;
  const at = $derived(scale(most, WIDTH));
  const day = $derived(chart.today);
  const value = (row: (number | null)[]) => row[day] ?? 0;
  const comfort = $derived({ low: value(chart.comfort_low), high: value(chart.comfort_high) });
  const now = $derived({
    low: value(chart.low),
    likely: value(chart.likely),
    high: value(chart.high),
  });
</script>

<!-- Where the roots stand today: what is comfortable behind, the band and its middle before. -->
<svg viewBox="-2 0 244 24" role="img" aria-label={summary}>
  <rect class="rail" y="10" width={WIDTH} height="4" rx="2" />
  {#if comfort.high}
    <rect
      class="comfort"
      x={at(comfort.low)}
      y="3"
      width={at(comfort.high) - at(comfort.low)}
      height="18"
    />
  {/if}
  <path class="band" d="M{at(now.low)} 12H{at(now.high)}M{at(now.low)} 7v10M{at(now.high)} 7v10" />
  <circle cx={at(now.likely)} cy="12" r="5" />
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 320px;
  }

  .rail {
    fill: var(--color-line);
  }

  .comfort {
    fill: var(--color-wish);
    stroke: var(--color-wish-edge);
  }

  .band {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.6;
  }

  circle {
    fill: var(--color-rim);
  }
</style>
