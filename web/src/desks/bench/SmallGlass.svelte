<!-- A small measure: how much of a further source, its level a slider. -->
<script lang="ts">
  import { stepOf, stepsOf } from './level';

  interface Props {
    name: string;
    /** What it holds when full, and what is in it, mL or g. */
    holds: number;
    amount: number;
    /** How much that is, spoken. */
    spoken: string;
    onset: (amount: number) => void;
  }
  const { name, holds, amount, spoken, onset }: Props = $props();
  const TALL = 44;
  const level = $derived(TALL * Math.min(1, amount / holds));
  let svg: SVGSVGElement | undefined = $state();
  let dragging = $state(false);

  function pull(event: PointerEvent) {
    if (!svg || !dragging) return;
    const box = svg.getBoundingClientRect();
    onset((1 - Math.min(1, Math.max(0, (event.clientY - box.top) / box.height))) * holds);
  }

  function grab(event: PointerEvent) {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragging = true;
  }

  function onkey(event: KeyboardEvent) {
    const by = stepsOf(event.key);
    if (by === undefined) return;
    event.preventDefault();
    onset(amount + by * stepOf(holds));
  }
</script>

<svg
  bind:this={svg}
  width="44"
  height={TALL}
  viewBox="0 0 44 {TALL}"
  role="slider"
  tabindex="0"
  aria-label="Level of {name}"
  aria-orientation="vertical"
  aria-valuemin="0"
  aria-valuemax={holds}
  aria-valuenow={Number(amount.toPrecision(4))}
  aria-valuetext={spoken}
  onpointerdown={grab}
  onpointermove={pull}
  onpointerup={() => (dragging = false)}
  onpointercancel={() => (dragging = false)}
  onkeydown={onkey}
>
  <rect class="brew" x="8" y={TALL - level} width="28" height={level} />
  <path class="glass" d="M8 1v38q0 4 4 4h20q4 0 4-4V1" />
  <path class="top" d="M4 {TALL - level}h36" />
</svg>

<style>
  svg {
    flex: none;
    border-radius: var(--radius);
    cursor: ns-resize;
    touch-action: none;
  }

  .glass,
  .top {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
  }

  .top {
    stroke: var(--color-brew-top);
    stroke-width: 4;
  }

  .brew {
    fill: var(--color-brew);
  }
</style>
