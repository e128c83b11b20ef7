<!-- So many fills of a measure, drawn: spoons, scoops and caps side by side, jug, syringe and can to a mark. -->
<script lang="ts">
  import type { Schemas } from '../api/client';

  interface Props {
    piece: Schemas['PieceOut'];
    /** What is in it: it has the colour of that. */
    form: Schemas['RecipeLineOut']['form'];
    /** How brown the water in a can is, 0 to 1. */
    tint?: number;
  }
  const { piece, form, tint = 0 }: Props = $props();
  const spoon = $derived(['spoon', 'scoop', 'cap'].includes(piece.kind));
  /** How full each of them is. */
  const fills = $derived(
    spoon
      ? Array.from({ length: Math.ceil(piece.count - 0.001) }, (_, at) =>
          Math.min(1, piece.count - at),
        )
      : [piece.count],
  );
  /** A tablespoon is drawn larger than a teaspoon. */
  const width = $derived(piece.name === 'tablespoon' ? 50 : 40);
  const id = $props.id();
</script>

<span class={form} aria-hidden="true" style:--tint="{100 * tint}%">
  {#each fills as fill, at (at)}
    {#if piece.kind === 'cap'}
      <svg viewBox="0 0 34 30" width="34">
        <rect class="in" x="5" y={26 - 20 * fill} width="24" height={20 * fill} />
        <path class="line" d="M4 5v18q0 4 4 4h18q4 0 4-4V5" />
        <path class="line thin" d="M9 20v5M14 20v5M20 20v5M25 20v5" />
      </svg>
    {:else if spoon}
      <svg viewBox="0 0 44 30" {width}>
        <clipPath id="{id}{at}"><path d="M2 10h24a12 12 0 0 1-24 0Z" /></clipPath>
        <rect
          class="in"
          clip-path="url(#{id}{at})"
          x="0"
          y={22 - 12 * fill}
          width="28"
          height="14"
        />
        <path class="line" d="M2 10h24a12 12 0 0 1-24 0ZM26 10 42 3" />
      </svg>
    {:else if piece.kind === 'syringe'}
      <svg viewBox="0 0 16 44" width="16">
        <rect class="in" x="4" y={34 - 24 * fill} width="8" height={24 * fill} />
        <path class="line" d="M4 10v24h8V10M8 34v8M8 10V3M4 3h8M12 16H9M12 22H9M12 28H9" />
      </svg>
    {:else if piece.kind === 'can'}
      <svg viewBox="0 0 66 46" width="60">
        <clipPath {id}><path d="M20 5h28l3 36H17Z" /></clipPath>
        <rect class="in" clip-path="url(#{id})" x="14" y={42 - 34 * fill} width="40" height="40" />
        <path class="line" d="M20 5h28l3 36H17ZM17 30 6 13M2 16l8-5M49 12c16-8 17 22 2 24" />
        <path class="line thin" d="M48 14h-7M49 23h-7M50 32h-7" />
      </svg>
    {:else}
      <svg viewBox="0 0 44 46" width="40">
        <clipPath {id}><path d="M6 4h24l3 38H7Z" /></clipPath>
        <rect class="in" clip-path="url(#{id})" x="4" y={42 - 36 * fill} width="30" height="40" />
        <path class="line" d="M6 4h24l3 38H7ZM31 12c14-6 14 18 2 18" />
        <path class="line thin" d="M30 14h-7M31 23h-7M32 32h-7" />
      </svg>
    {/if}
  {/each}
</span>

<style>
  span {
    display: inline-flex;
    gap: 2px;
    align-items: flex-end;
  }

  svg {
    flex: none;
  }

  .line {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .thin {
    stroke-width: 1.5;
  }

  .in {
    fill: color-mix(in oklab, var(--color-brew) var(--tint), var(--color-water));
  }

  .brew .in {
    fill: var(--color-brew);
  }

  .liquid .in {
    fill: var(--color-brew-top);
  }

  .dry .in {
    fill: var(--color-stage-early);
  }
</style>
