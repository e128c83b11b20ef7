<script lang="ts">
  import { edges, GLASS, levelY, marks } from './level';

  interface Props {
    /** Syringe, beaker, jug: named above the drawing. */
    kind: string;
    /** What stands in it: a brew, a liquid, a powder. */
    form: string;
    /** What the glass holds when full, in mL or g. */
    holds: number;
    /** What stands in it, in mL or g. */
    amount: number;
    /** The most that fits this stage, marked on the glass; null where nothing limits. */
    cap: number | null;
  }
  let { kind, form, holds, amount, cap }: Props = $props();
  const y = $derived(levelY(amount, holds));
  const side = $derived(edges(y));
  const foot = edges(GLASS.bottom);
</script>

<g>
  <text x="0" y="14" class="soft">
    {form === 'dry' ? 'measure by the spoon' : `measure in a ${kind}`}
  </text>
  <path
    class="glass"
    d="M{GLASS.left} {GLASS.top}H{GLASS.right}L{foot[1]} {GLASS.bottom}Q{foot[1]} 158 {foot[1] -
      8} 158H{foot[0] + 8}Q{foot[0]} 158 {foot[0]} {GLASS.bottom}Z"
  />
  {#if amount > 0}
    <path
      class={form}
      d="M{side[0] + 1.5} {y}H{side[1] - 1.5}L{foot[1] - 1.5} {GLASS.bottom}Q{foot[1] -
        1.5} 156 {foot[1] - 8} 156H{foot[0] + 8}Q{foot[0] + 1.5} 156 {foot[0] +
        1.5} {GLASS.bottom}Z"
    />
    <path class="top" d="M{side[0] + 1} {y}H{side[1] - 1}" />
  {/if}
  {#each marks(holds) as mark (mark.y)}
    <path class="mark" d="M{edges(mark.y)[0]} {mark.y}h{mark.text ? 16 : 10}" />
    {#if mark.text}
      <text x={edges(mark.y)[0] + 20} y={mark.y + 5}>{mark.text}</text>
    {/if}
  {/each}
  {#if cap !== null && cap > 0 && cap <= holds}
    <path class="cap" d="M{GLASS.left - 6} {levelY(cap, holds)}H{GLASS.right + 6}" />
  {/if}
</g>

<style>
  text {
    fill: var(--color-text);
    font-size: 14px;
  }

  .soft {
    fill: var(--color-text-soft);
  }

  .glass {
    fill: var(--color-glass);
    stroke: var(--color-text);
    stroke-width: 2;
  }

  .brew {
    fill: var(--color-brew);
  }

  .liquid {
    fill: var(--color-brew-top);
  }

  .dry {
    fill: var(--color-stage-early);
  }

  .top {
    stroke: var(--color-brew-top);
    stroke-width: 5;
  }

  .mark {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.3;
  }

  .cap {
    fill: none;
    stroke: var(--color-stop);
    stroke-width: 2;
    stroke-dasharray: 5 3;
  }
</style>
