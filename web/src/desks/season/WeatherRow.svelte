<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    weeks: Schemas['WeekOut'][];
    /** Where a day lies [px], and how wide the axis is. */
    x: (date: string) => number;
    width: number;
  }
  let { weeks, x, width }: Props = $props();
  const HEIGHT = 74;
  const BASE = 70;
  const low = $derived(Math.min(0, ...weeks.map((week) => week.t_min)));
  const high = $derived(Math.max(20, ...weeks.map((week) => week.t_max)));
  const wet = $derived(Math.max(20, ...weeks.map((week) => week.rain_mm)));
  const y = (c: number) => 6 + ((high - c) / (high - low)) * 40;
  const wide = $derived(width / Math.max(1, weeks.length));
  const summary = $derived(
    `Weather by the week: lows and highs from ${Math.round(low)} to ${Math.round(high)} degrees, ` +
      'rain below; pale weeks are yet to come.',
  );
</script>

<svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" role="img" aria-label={summary}>
  {#each weeks as week (week.first)}
    <g class:ahead={!week.known}>
      <title>
        week of {week.first}: {week.t_min}° to {week.t_max}°, {week.rain_mm} mm of rain
        {week.known ? '' : '(likely)'}
      </title>
      <rect
        class="warmth"
        x={x(week.first) + wide * 0.25}
        y={y(week.t_max)}
        width={wide * 0.5}
        height={y(week.t_min) - y(week.t_max)}
        rx="3"
      />
      <rect
        class="rain"
        x={x(week.first) + wide * 0.12}
        y={BASE - (week.rain_mm / wet) * 20}
        width={wide * 0.76}
        height={(week.rain_mm / wet) * 20}
      />
    </g>
  {/each}
  <path class="zero" d="M0 {BASE}H{width}" />
</svg>

<style>
  svg {
    display: block;
  }

  .warmth {
    fill: var(--color-care);
  }

  .rain {
    fill: var(--color-rim);
  }

  .ahead {
    opacity: 0.4;
  }

  .zero {
    stroke: var(--color-line);
  }
</style>
