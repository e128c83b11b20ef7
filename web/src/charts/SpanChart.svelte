<script lang="ts">
  import type { Schemas } from '../api/client';
  import { dayInWords } from '../ui/time';
  import Frame from './Frame.svelte';
  import { endFor } from './frame';

  interface Props {
    series: Schemas['SeriesOut'];
    summary: string;
  }
  let { series, summary }: Props = $props();
  const times = $derived(series.at.map((at) => Date.parse(at)));
  const from = $derived(times[0] ?? 0);
  const to = $derived(Math.max(from + 3_600_000, times.at(-1) ?? 0));
  const most = $derived(Math.max(0.5, endFor(...series.high)));
  const table = $derived({
    head: ['from', 'least, mS/cm', 'most, mS/cm', 'readings'],
    rows: series.at.map((at, index) => [
      dayInWords(at, 'UTC'),
      (series.low[index] ?? 0).toFixed(2),
      (series.high[index] ?? 0).toFixed(2),
      String(series.count[index] ?? 0),
    ]),
  });
</script>

<!-- A logger's readings: the least and the most of each hour, day or more. -->
<Frame {summary} height={190} {from} {to} {most} unit="mS/cm, least to most" {table}>
  {#snippet children({ x, y })}
    <!-- one path for all: from least to most of each point, so that no spike is lost -->
    <path
      d={times
        .map((at, index) => {
          const [low, high] = [series.low[index] ?? 0, series.high[index] ?? 0];
          return `M${x(at).toFixed(1)} ${(y(low) + 0.8).toFixed(1)}V${(y(high) - 0.8).toFixed(1)}`;
        })
        .join('')}
    />
  {/snippet}
</Frame>

<style>
  path {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 1.6;
  }
</style>
