<script lang="ts">
  import { along, endFor } from './frame';

  interface Props {
    /** What one litre holds, with its range [mg/L]. */
    figure: { value: number; low: number; high: number };
    /** The water's part of it, hatched. */
    fromWater: number;
    /** The stage's wish, as a pale band. */
    wish: { low: number; high: number } | null;
  }
  let { figure, fromWater, wish }: Props = $props();
  const id = $props.id();
  const at = $derived(along(endFor(wish && wish.high * 1.3, figure.high), 260));
</script>

<svg viewBox="0 0 260 30" preserveAspectRatio="none" aria-hidden="true">
  <defs>
    <pattern {id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect class="pale" width="6" height="6" />
      <rect class="ink" width="3" height="6" />
    </pattern>
  </defs>
  <rect class="rail" x="0" y="13" width="260" height="4" />
  {#if wish && wish.high > 0}
    <rect
      class="wish"
      x={at(wish.low)}
      y="3"
      width={at(wish.high) - at(wish.low)}
      height="24"
      rx="3"
    />
  {/if}
  <rect class="ink" x="0" y="10" width={at(figure.value)} height="10" />
  {#if fromWater > 0}
    <rect x="0" y="10" width={at(fromWater)} height="10" fill="url(#{id})" />
  {/if}
  <path
    class="whisker"
    d="M{at(figure.low)} 15H{at(figure.high)}M{at(figure.low)} 9v12M{at(figure.high)} 9v12"
  />
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    height: 30px;
  }

  .rail {
    fill: var(--color-line);
  }

  .wish {
    fill: var(--color-wish);
    stroke: var(--color-wish-edge);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }

  .ink {
    fill: var(--color-rim);
  }

  .pale {
    fill: var(--color-rim-pale);
  }

  .whisker {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.6;
    vector-effect: non-scaling-stroke;
  }
</style>
