<!-- The gain with its interval, beside no difference and what would be worth it. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { gainSpan, signed, type Trial } from './trials.svelte';

  const { trial }: { trial: Trial } = $props();
  let room = $state(0);
  const width = $derived(Math.max(280, room));
  const span = $derived(gainSpan(trial));
  const x = $derived(scaleLinear(span, [6, width - 6]));
  const low = $derived(trial.low ?? span[0]);
  const high = $derived(trial.high ?? span[1]);
  const summary = $derived(
    `Gain ${trial.gain === null ? 'not known' : signed(trial.gain)}, from ` +
      `${trial.low === null ? 'no lower end' : signed(trial.low)} to ` +
      `${trial.high === null ? 'no upper end' : signed(trial.high)}; ` +
      `worth it from ${signed(trial.worthwhile)} on.`,
  );
</script>

<div bind:clientWidth={room}>
  <svg {width} height="92" viewBox="0 0 {width} 92" role="img" aria-label={summary}>
    <rect
      class="worth"
      x={x(trial.worthwhile)}
      y="28"
      width={x(span[1]) - x(trial.worthwhile)}
      height="24"
    />
    <path class="axis" d="M{x(span[0])} 40H{x(span[1])}" />
    <path class="none" d="M{x(0)} 18V62" />
    <text x={x(0)} y="80" text-anchor="middle">no difference</text>
    <text class="good" x={x(span[1])} y="80" text-anchor="end"
      >worth it: {trial.worthwhile} % or more</text
    >
    {#if trial.gain !== null}
      <path class="span" class:open={trial.low === null} d="M{x(low)} 40H{x(high)}" />
      {#if trial.low !== null}
        <path class="end" d="M{x(low)} 31v18" />
        <text x={x(low)} y="22" text-anchor="middle">{signed(trial.low)}</text>
      {/if}
      {#if trial.high !== null}
        <path class="end" d="M{x(high)} 31v18" />
        <text x={x(high)} y="22" text-anchor="middle">{signed(trial.high)}</text>
      {/if}
      <circle cx={x(trial.gain)} cy="40" r="8" />
      <text class="gain" x={x(trial.gain)} y="16" text-anchor="middle">{signed(trial.gain)}</text>
    {/if}
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

  .worth {
    fill: var(--color-wish);
    stroke: var(--color-wish-edge);
  }

  .axis {
    stroke: var(--color-line);
    stroke-width: 4;
  }

  .none {
    stroke: var(--color-text);
    stroke-width: 2;
  }

  .span,
  .end {
    stroke: var(--color-rim);
    stroke-width: 3;
  }

  .open {
    stroke-dasharray: 3 5;
  }

  circle {
    fill: var(--color-rim);
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .gain {
    fill: var(--color-text);
    font-weight: 700;
  }
</style>
