<!-- A heap between its boards: layers as they were put on, warm in the middle. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    layers: Schemas['HeapLayerOut'][];
    /** How warm its middle is, 0 to 1. */
    warmth: number;
    /** Beside words that say the same: it is only looked at. */
    quiet?: boolean;
  }
  const { layers, warmth, quiet = false }: Props = $props();
  const TALL = 150;
  const id = $props.id();
  const drawn = $derived.by(() => {
    let upto = 0;
    return layers.map((layer) => {
      upto += layer.share;
      return { ...layer, y: 170 - TALL * upto, tall: TALL * layer.share };
    });
  });
  const words = $derived(layers.map((one) => `${one.amount} ${one.name.toLowerCase()}`).join(', '));
</script>

<svg
  viewBox="0 0 240 190"
  role={quiet ? 'presentation' : 'img'}
  aria-hidden={quiet}
  aria-label={quiet ? undefined : `A heap of ${words}`}
>
  <defs>
    <clipPath {id}><path d="M26 170V40Q120 6 214 40V170Z" /></clipPath>
    <radialGradient id="{id}-warm">
      <stop class="hot" offset="0" stop-opacity={warmth} />
      <stop class="hot" offset="1" stop-opacity="0" />
    </radialGradient>
  </defs>
  <g clip-path="url(#{id})">
    {#each drawn as layer, at (at)}
      <rect class={layer.colour} x="20" y={layer.y} width="200" height={layer.tall} />
      {#if layer.colour === 'brown'}
        {#each [0, 1, 2, 3, 4, 5] as n (n)}
          <path class="stalk" d="M{34 + 32 * n} {layer.y + layer.tall / 2}l20 -5" />
        {/each}
      {/if}
      <path class="between" d="M20 {layer.y}H220" />
    {/each}
    <ellipse cx="120" cy="100" rx="86" ry="62" fill="url(#{id}-warm)" />
  </g>
  <path class="board" d="M22 20V178M218 20V178M22 60H10M218 60h12M22 110H10M218 110h12" />
  <path class="ground" d="M4 176H236" />
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 320px;
  }

  .green {
    fill: var(--color-stage-leaf);
  }

  .brown {
    fill: var(--color-stage-early);
  }

  .dung {
    fill: var(--color-brew-top);
  }

  .mineral {
    fill: var(--color-line);
  }

  .hot {
    stop-color: var(--color-stop);
  }

  .stalk,
  .between {
    fill: none;
    stroke: var(--color-text-soft);
    stroke-width: 1.2;
  }

  .between {
    stroke-dasharray: 4 4;
  }

  .board,
  .ground {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 4;
    stroke-linecap: round;
  }

  .ground {
    stroke-width: 2;
  }
</style>
