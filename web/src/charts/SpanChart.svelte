<script lang="ts">
  import EcAxis from './EcAxis.svelte';
  import type { Schemas } from '../api/client';

  interface Props {
    series: Schemas['SeriesOut'];
    summary: string;
  }
  let { series, summary }: Props = $props();
  let room = $state(0);
  const width = $derived(Math.max(280, room));
  const HEIGHT = 190;
  const LEFT = 40;
  const FOOT = 28;
  const TOP = 22;
  const times = $derived(series.at.map((at) => Date.parse(at)));
  const from = $derived(times[0] ?? 0);
  const to = $derived(Math.max(from + 3_600_000, times.at(-1) ?? 0));
  const most = $derived(Math.max(0.5, ...series.high) * 1.05);
  const x = (at: number) => LEFT + ((at - from) / (to - from)) * (width - LEFT - 8);
  const y = (ec: number) => TOP + (HEIGHT - TOP - FOOT) * (1 - ec / most);
  /** One path for all: from least to most of each point, so that no spike is lost. */
  const d = $derived(
    times
      .map((at, index) => {
        const [low, high] = [series.low[index] ?? 0, series.high[index] ?? 0];
        return `M${x(at).toFixed(1)} ${(y(low) + 0.8).toFixed(1)}V${(y(high) - 0.8).toFixed(1)}`;
      })
      .join(''),
  );
  const marks = $derived(
    [0, 0.25, 0.5, 0.75, 1].map((share) => {
      const at = from + share * (to - from);
      const day = new Date(at).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        year: '2-digit',
        timeZone: 'UTC',
      });
      return { share, x: x(at), day };
    }),
  );
</script>

<!-- A logger's readings: the least and the most of each hour, day or more. -->
<div bind:clientWidth={room}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" role="img" aria-label={summary}>
    <EcAxis {most} {y} left={LEFT} right={width - 8} title="mS/cm, least to most" />
    <path class="spans" {d} />
    {#each marks as mark (mark.share)}
      <text
        class={mark.share === 0 ? '' : mark.share === 1 ? 'end' : 'mid'}
        x={mark.x}
        y={HEIGHT - 6}>{mark.day}</text
      >
    {/each}
  </svg>
</div>

<style>
  div {
    min-width: 0;
    overflow: hidden;
  }

  svg {
    display: block;
  }

  .spans {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 1.6;
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
</style>
