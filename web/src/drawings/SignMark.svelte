<!-- A sign as a small drawing: a leaf, a fruit, a plant, roots or a pot, and what is seen on it.
     Every kind has a shape of its own: dots, lines, hatching; colour only helps. -->
<script lang="ts">
  import { BODY, DOTS, LINES } from './signs';

  interface Props {
    drawn: { on: 'leaf' | 'fruit' | 'plant' | 'root' | 'pot'; how: string };
  }
  const { drawn }: Props = $props();
</script>

<svg width="56" height="58" viewBox="0 0 56 58" aria-hidden="true">
  <path class="body {drawn.on}" d={BODY[drawn.on]} />
  {#if LINES[drawn.how]}<path class="line" d={LINES[drawn.how]} />{/if}
  {#each DOTS[drawn.how] ?? [] as [cx, cy, r], index (index)}
    <circle class:hole={drawn.how === 'holes'} {cx} {cy} {r} />
  {/each}
</svg>

<style>
  .body {
    fill: var(--color-stage-leaf);
    stroke: var(--color-text);
    stroke-width: 1.5;
    stroke-linejoin: round;
  }

  .fruit {
    fill: var(--color-stage-fruit);
  }

  .root,
  .pot {
    fill: var(--color-stage-early);
  }

  .line {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  circle {
    fill: var(--color-brew);
    stroke: var(--color-text);
    stroke-width: 1;
  }

  .hole {
    fill: var(--color-panel);
  }
</style>
