<script lang="ts">
  import type { Schemas } from '../api/client';
  import { along } from './frame';

  interface Props {
    line: Schemas['RootLineOut'];
    /** The end of the scale [mS/cm], one for all that stand below each other. */
    most: number;
  }
  const { line, most }: Props = $props();
  const WIDTH = 240;
  const at = $derived(along(most, WIDTH));
</script>

<!-- Where the roots stand today: what is comfortable behind, the band and its middle before. -->
<svg viewBox="-2 0 244 24" role="img" aria-label={line.headline}>
  <rect class="rail" y="10" width={WIDTH} height="4" rx="2" />
  {#if line.comfort_high}
    {@const low = at(line.comfort_low ?? 0)}
    <rect class="comfort" x={low} y="3" width={at(line.comfort_high) - low} height="18" />
  {/if}
  <path
    class="band"
    d="M{at(line.low)} 12H{at(line.high)}M{at(line.low)} 7v10M{at(line.high)} 7v10"
  />
  <circle cx={at(line.likely)} cy="12" r="5" />
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
