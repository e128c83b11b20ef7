<script lang="ts">
  interface Props {
    /** How full each load is, 0 to 1. */
    full: number;
    /** How much that is, in words. */
    load: string;
    /** How often it is filled. */
    loads: number;
    /** Its strength, in words. */
    strength: string;
  }
  const { full, load, loads, strength }: Props = $props();
  const id = $props.id();
  const top = $derived(196 - 130 * Math.min(1, Math.max(0.04, full)));
</script>

<svg
  viewBox="0 0 220 212"
  role="img"
  aria-label="A sprayer with {load} at {strength}, filled {loads} {loads === 1 ? 'time' : 'times'}"
>
  <defs><clipPath {id}><rect x="44" y="66" width="96" height="132" rx="14" /></clipPath></defs>
  <g clip-path="url(#{id})">
    <rect class="inside" x="40" y="60" width="110" height="150" />
    <rect class="water" x="40" y={top} width="110" height="150" />
    <path class="ripple" d="M40 {top}q14-5 28 0t28 0t28 0t28 0v6H40Z" />
  </g>
  <rect class="body" x="44" y="66" width="96" height="132" rx="14" />
  <path class="body" d="M74 66V46h36v20" />
  <path class="rim" d="M68 44h48" />
  <path class="pump" d="M92 44V22M76 20h32" />
  <path class="hose" d="M140 172c40 4 34-62 18-104L146 34" />
  <path class="mist" d="M142 30 118 10M146 28 136 4M150 28 156 6" />
  <text x="92" y="132">{load}</text>
  <text x="92" y="150" class="small">{strength}</text>
  {#if loads > 1}<text x="92" y="170" class="small">× {loads}</text>{/if}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-height: 184px;
  }

  text {
    fill: var(--color-text);
    font: 650 20px var(--face-head);
    text-anchor: middle;
  }

  .small {
    font: 400 14px var(--face-text);
  }

  .body,
  .pump,
  .hose,
  .mist,
  .rim {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
  }

  .pump,
  .hose,
  .rim {
    stroke-width: 5;
    stroke-linecap: round;
  }

  .rim {
    stroke: var(--color-rim);
    stroke-width: 6;
  }

  .mist {
    stroke-dasharray: 3 4;
  }

  .inside {
    fill: var(--color-glass);
  }

  .water {
    fill: var(--color-water);
  }

  .ripple {
    fill: var(--color-water-top);
  }
</style>
