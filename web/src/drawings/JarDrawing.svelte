<script lang="ts">
  interface Props {
    /** How full, 0 to 1. */
    share: number;
    /** `jar` for dry things, `bottle` for liquids, `vessel` for brews. */
    kind: 'jar' | 'bottle' | 'vessel';
    /** Bubbles rise while it works. */
    working?: boolean;
    /** How far a brew is on its way to ready: from 0, leaves in water, to 1, dark and settled. */
    ripe?: number;
    /** Whether leaves are in the brew. */
    leafy?: boolean;
  }
  let { share, kind, working = false, ripe, leafy = false }: Props = $props();
  const id = $props.id();
  const SHAPES = {
    jar: { d: 'M14 22h52v66a8 8 0 0 1-8 8H22a8 8 0 0 1-8-8Z', top: 22, lid: 'M11 12h58v10H11Z' },
    bottle: {
      d: 'M32 8h16v22c12 6 16 12 16 22v36a8 8 0 0 1-8 8H24a8 8 0 0 1-8-8V52c0-10 4-16 16-22Z',
      top: 30,
      lid: 'M30 2h20v9H30Z',
    },
    vessel: { d: 'M8 20h64l-6 70a7 7 0 0 1-7 6H21a7 7 0 0 1-7-6Z', top: 26, lid: 'M4 13h72v7H4Z' },
  };
  const shape = $derived(SHAPES[kind]);
  const level = $derived(shape.top + (96 - shape.top) * (1 - Math.min(1, Math.max(0, share))));
  const dark = $derived(Math.round(70 * Math.min(1, Math.max(0, ripe ?? 0))));
  const liquid = $derived(
    ripe === undefined
      ? undefined
      : !leafy
        ? 'var(--color-water)'
        : `color-mix(in oklab, var(--plant-young), var(--plant-dark) ${dark}%)`,
  );
  // leaves float at first, sink as they soften, and lie on the ground in the end
  const LEAVES = [
    [18, 6, 20],
    [34, 3, -30],
    [50, 7, 40],
    [62, 4, -10],
  ] as const;
  const sunk = (depth: number): number =>
    level + depth + Math.min(1, ripe ?? 0) ** 2 * (84 - level - depth);
  const foams = $derived(ripe !== undefined && ripe > 0.2 && ripe < 0.95);
</script>

<svg width="64" height="80" viewBox="0 0 80 100" aria-hidden="true">
  <defs><clipPath {id}><path d={shape.d} /></clipPath></defs>
  <path class="glass" d={shape.d} />
  <g clip-path="url(#{id})">
    <rect class={kind} style:fill={liquid} x="0" y={level} width="80" height={100 - level} />
    {#if leafy}
      {#each LEAVES as [x, depth, turn] (x)}
        <path
          class="leaf"
          d="M0 0C3-6 11-6 14 0 11 5 3 5 0 0ZM0 0H12"
          transform="translate({x - 6} {sunk(depth)}) rotate({turn})"
        />
      {/each}
    {/if}
    <path class="{kind} top" d="M0 {level}c14-3 26 3 40 0s26-3 40 0v5H0Z" />
    {#if foams}
      <path
        class="foam"
        d="M0 {level + 3}q5-9 10 0q5-9 10 0q5-9 10 0q5-9 10 0q5-9 10 0q5-9 10 0q5-9 10 0q5-9 10 0Z"
      />
    {/if}
    {#if working && (ripe === undefined || ripe < 1)}
      <circle class="bubble" cx="30" cy={level + 18} r="3" />
      <circle class="bubble" cx="48" cy={level + 30} r="2.4" />
      <circle class="bubble" cx="40" cy={level + 10} r="1.8" />
    {/if}
  </g>
  <path class="rim" d={shape.d} />
  <path class="lid" d={shape.lid} />
</svg>

<style>
  .glass {
    fill: var(--color-glass);
  }

  .rim {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
  }

  .lid {
    fill: var(--color-rim);
  }

  .jar {
    fill: var(--color-stage-early);
  }

  .bottle {
    fill: var(--color-brew);
  }

  .bottle.top {
    fill: var(--color-brew-top);
  }

  .vessel {
    fill: var(--color-wish-edge);
  }

  .vessel.top {
    fill: var(--color-wish);
  }

  .jar.top {
    fill: var(--color-stage-flower);
  }

  .leaf {
    fill: var(--plant-deep);
    stroke: var(--plant-line);
    stroke-width: 1;
  }

  .foam {
    fill: var(--plant-cream);
    stroke: var(--plant-line);
    stroke-width: 1;
  }

  .bubble {
    fill: var(--color-wish);
  }
</style>
