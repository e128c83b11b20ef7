<!-- A mix as layers in a pot, each with a hatch of its own. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { layers }: { layers: Schemas['MixPartOut'][] } = $props();
  const TALL = 168;
  const id = $props.id();
  const drawn = $derived.by(() => {
    let upto = 0;
    return layers.map((layer) => {
      upto += layer.share;
      return { ...layer, y: 190 - TALL * upto, tall: TALL * layer.share };
    });
  });
  const words = $derived(
    layers.map((one) => `${Math.round(100 * one.share)} % ${one.name.toLowerCase()}`).join(', '),
  );
  const short = (name: string) => name.split(',')[0] ?? name;
</script>

<svg viewBox="0 0 200 200" role="img" aria-label="A pot of {words}">
  <defs><clipPath {id}><path d="M14 18H186L164 190H36Z" /></clipPath></defs>
  <g clip-path="url(#{id})">
    {#each drawn as layer, at (layer.key)}
      <rect class={layer.grain} x="0" y={layer.y} width="200" height={layer.tall} />
      {#if layer.grain === 'coarse'}
        {#each [0, 1, 2, 3, 4, 5, 6] as n (n)}
          <circle
            class="grain"
            cx={26 + 25 * n + (at % 2) * 8}
            cy={layer.y + layer.tall / 2}
            r="3"
          />
        {/each}
      {/if}
      <path class="between" d="M0 {layer.y}H200" />
      {#if layer.tall > 15}
        <text x="100" y={layer.y + layer.tall / 2 + 5}>{short(layer.name)}</text>
      {/if}
    {/each}
  </g>
  <path class="pot" d="M8 14H192M14 18 36 190H164L186 18" />
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 240px;
  }

  .fine {
    fill: var(--color-brew-top);
  }

  .medium {
    fill: var(--color-stage-early);
  }

  .coarse {
    fill: var(--color-line);
  }

  .grain,
  .between {
    fill: none;
    stroke: var(--color-text-soft);
  }

  .pot {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 3;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  text {
    fill: var(--color-text);
    stroke: var(--color-panel);
    stroke-width: 3px;
    paint-order: stroke;
    font-size: 14px;
    text-anchor: middle;
  }
</style>
