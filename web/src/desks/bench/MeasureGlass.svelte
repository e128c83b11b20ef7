<script lang="ts">
  import type { Bench } from './bench.svelte';
  import GlassDrawing from './GlassDrawing.svelte';
  import { amountAt, edges, levelY, notched, stepOf, stepsOf } from './level';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();

  const preview = $derived(bench.preview);
  const fits = $derived(preview?.measure ?? { kind: 'beaker', holds: 50 });
  let holdsWhileDragging = $state(50);
  const holds = $derived(bench.dragging ? holdsWhileDragging : fits.holds);
  let pulled = $state(0);
  const amount = $derived(bench.dragging ? pulled : (preview?.amount ?? 0));
  const unit = $derived(preview?.unit ?? 'mL');
  const form = $derived(
    preview?.lines.find((line) => line.what === bench.jar?.name)?.form ?? 'liquid',
  );
  const cap = $derived(preview?.cap?.amount_at_cap ?? null);
  const y = $derived(levelY(amount, holds));
  const side = $derived(edges(y));

  let svg: SVGSVGElement | undefined = $state();
  let began = 0;

  function pull(event: PointerEvent) {
    if (!svg || !bench.dragging) return;
    const box = svg.getBoundingClientRect();
    const at = ((event.clientY - box.top) / box.height) * svg.viewBox.baseVal.height;
    const wanted = notched(amountAt(at, holds), began, cap);
    if (wanted <= 0) return;
    pulled = wanted;
    bench.move(wanted);
  }

  function grab(event: PointerEvent) {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    began = pulled = preview?.amount ?? 0;
    holdsWhileDragging = fits.holds;
    bench.dragging = true;
  }

  function nudge(steps: number) {
    const next = amount + steps * stepOf(holds);
    if (next > 0) bench.move(next);
  }

  function onkey(event: KeyboardEvent) {
    const by = stepsOf(event.key);
    if (by === undefined) return;
    event.preventDefault();
    nudge(by);
  }
</script>

<div class="measure">
  <svg bind:this={svg} width="150" height="168" viewBox="0 0 150 168">
    <GlassDrawing kind={fits.kind} {form} {holds} {amount} {cap} />
    <g
      class="handle"
      role="slider"
      tabindex="0"
      aria-label="Level of the concentrate"
      aria-orientation="vertical"
      aria-valuemin="0"
      aria-valuemax={holds}
      aria-valuenow={Number(amount.toPrecision(4))}
      aria-valuetext={preview?.spoken ?? 'nothing yet'}
      onpointerdown={grab}
      onpointermove={pull}
      onpointerup={() => (bench.dragging = false)}
      onpointercancel={() => (bench.dragging = false)}
      onkeydown={onkey}
    >
      <circle class="reach" cx={side[1]} cy={y} r="22" />
      <circle class="knob" cx={side[1]} cy={y} r="13" />
      <path class="arrows" d="M{side[1] - 5} {y - 2}l5-5 5 5m-10 4l5 5 5-5" />
    </g>
  </svg>
  <div class="said">
    {#if preview?.spoons}
      <p class="amount spoons">{preview.spoons}</p>
      {#if unit === 'mL' || bench.supplies?.weighs}
        <p class="soft">{preview.concentrate.text} {unit}</p>
      {/if}
    {:else}
      <p class="amount">{preview?.concentrate.text ?? '–'} <span>{unit}</span></p>
    {/if}
    <div class="nudges">
      <button type="button" aria-label="A little less" onclick={() => nudge(-1)}>−</button>
      <button type="button" aria-label="A little more" onclick={() => nudge(1)}>+</button>
    </div>
  </div>
</div>

<style>
  .measure {
    display: flex;
    gap: var(--space-2);
    align-items: flex-start;
  }

  svg {
    flex: none;
  }

  .handle {
    cursor: ns-resize;
    touch-action: none;
  }

  .handle:focus-visible {
    outline: none;
  }

  .handle:focus-visible .knob {
    stroke-width: 5;
  }

  .reach {
    fill: transparent;
  }

  .knob {
    fill: var(--color-panel);
    stroke: var(--color-rim);
    stroke-width: 3;
  }

  .arrows {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 2;
  }

  .said {
    display: grid;
    gap: var(--space-1);
    padding-top: var(--space-6);
  }

  .amount {
    font: 650 var(--text-xxl) / 1.1 var(--face-head);
    white-space: nowrap;
  }

  .amount span {
    font-size: var(--text-l);
  }

  .spoons {
    font-size: var(--text-l);
    white-space: normal;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .nudges {
    display: flex;
    gap: var(--space-2);
  }

  .nudges button {
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: 50%;
    background: var(--color-panel);
    font-size: var(--text-xl);
    line-height: 1;
    cursor: pointer;
  }
</style>
