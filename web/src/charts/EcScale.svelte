<script lang="ts">
  import { ecNumber, ecScale } from '../app/measures';
  import { along, endFor } from './frame';

  interface Props {
    /** What the water alone reads [mS/cm at 25 °C]. */
    water: number;
    /** What the can should read, with its range. */
    can: { value: number; low: number; high: number };
    /** What the can reads when its feed just reaches the cap; null where no cap is known. */
    most: number | null;
  }
  let { water, can, most }: Props = $props();
  const WIDTH = 262;
  const at = $derived(along(endFor(can.high, most && most * 1.1), WIDTH));
  const over = $derived(most !== null && can.value > most);
  const label = $derived(
    `Water ${ecNumber(water)}, the can ${ecNumber(can.value)}` +
      (most === null ? '' : `, upper limit ${ecNumber(most)}`) +
      ` ${ecScale()}`,
  );
</script>

<svg viewBox="-2 -8 266 44" role="img" aria-label={label}>
  <rect class="rail" width={WIDTH} height="10" rx="5" />
  <rect class={over ? 'over' : 'can'} width={at(can.value)} height="10" rx="5" />
  <rect class="water" width={at(water)} height="10" rx="5" />
  <path class="whisker" d="M{at(can.low)} 5H{at(can.high)}M{at(can.low)} 1v8M{at(can.high)} 1v8" />
  {#if most !== null}
    <path class="most" d="M{at(most)} -6v22" />
    <text class="limit" x={Math.min(at(most), WIDTH - 34)} y="30">limit {ecNumber(most)}</text>
  {/if}
  <text x="0" y="30">water {ecNumber(water)}</text>
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 276px;
  }

  .rail {
    fill: var(--color-line);
  }

  .can {
    fill: var(--color-rim);
  }

  .over {
    fill: var(--color-stop);
  }

  .water {
    fill: var(--color-rim-pale);
  }

  .whisker {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.4;
  }

  .most {
    stroke: var(--color-stop);
    stroke-width: 3;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .limit {
    fill: var(--color-stop);
    text-anchor: middle;
  }
</style>
