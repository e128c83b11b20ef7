<!-- Every pair as two dots and the line between them, or every pot of two sides. -->
<script lang="ts">
  import Frame from '../../charts/Frame.svelte';
  import { endFor } from '../../charts/frame';
  import { pairsOf, type Trial } from './trials.svelte';

  const { trial }: { trial: Trial } = $props();
  const DROP = 'M0 -12c3.5 6 6.5 9 6.5 12.5a6.5 6.5 0 0 1-13 0c0-3.500 3-6.500 6.500-12.500Z';
  const pairs = $derived(pairsOf(trial));
  const loose = $derived(
    trial.paired ? [] : trial.pots.filter((pot) => !pot.left_out && pot.figure !== null),
  );
  const most = $derived(endFor(...trial.pots.map((pot) => pot.figure ?? 0)));
  const unit = $derived(
    `${trial.measure.name}${trial.measure.unit ? `, ${trial.measure.unit}` : ''}`,
  );
  const columns = $derived(Math.max(1, trial.paired ? pairs.length : 2));
  const table = $derived({
    head: ['pot', 'pair', 'side', trial.measure.name],
    rows: trial.pots.map((pot) => [
      `pot ${pot.number}`,
      pot.pair === null ? '' : String(pot.pair),
      pot.fed ? 'fed' : 'unfed',
      pot.left_out ? `left out: ${pot.left_out}` : pot.figure_text,
    ]),
  });
</script>

<Frame
  summary="{unit} of each pot: unfed as rings, fed as drops."
  height={300}
  across="nothing"
  from={0}
  to={columns}
  most={most || 1}
  {unit}
  bottom={32}
  {table}
>
  {#snippet children({ x, y, floor })}
    {#each pairs as pair, at (pair.name)}
      {@const left = x(at + 0.35)}
      {@const right = x(at + 0.65)}
      <path
        class:down={pair.fed < pair.unfed}
        class="between"
        d="M{left} {y(pair.unfed)}L{right} {y(pair.fed)}"
      />
      <circle cx={left} cy={y(pair.unfed)} r="6"><title>unfed: {pair.unfed}</title></circle>
      <g transform="translate({right} {y(pair.fed)})"
        ><title>fed: {pair.fed}</title><path d={DROP} /></g
      >
      <text x={x(at + 0.5)} y={floor + 20} text-anchor="middle">{pair.name}</text>
    {/each}
    {#each loose as pot, at (pot.number)}
      {@const across = x((pot.fed ? 1.3 : 0.3) + 0.4 * (at / Math.max(1, loose.length - 1)))}
      {#if pot.fed}
        <g transform="translate({across} {y(pot.figure ?? 0)})"><path d={DROP} /></g>
      {:else}
        <circle cx={across} cy={y(pot.figure ?? 0)} r="6" />
      {/if}
    {/each}
    {#if !trial.paired}
      <text x={x(0.5)} y={floor + 20} text-anchor="middle">unfed</text>
      <text x={x(1.5)} y={floor + 20} text-anchor="middle">fed</text>
    {/if}
  {/snippet}
</Frame>
<p><span class="ring"></span> same water, no feed <span class="drop"></span> fed</p>

<style>
  .between {
    stroke: var(--color-rim);
    stroke-width: 2.5;
  }

  .down {
    stroke: var(--color-care);
    stroke-dasharray: 5 4;
  }

  circle {
    fill: var(--color-panel);
    stroke: var(--color-text);
    stroke-width: 2;
  }

  g path {
    fill: var(--color-rim);
  }

  text,
  p {
    fill: var(--color-text-soft);
    color: var(--color-text-soft);
    font-size: 14px;
  }

  p {
    display: flex;
    gap: var(--space-2);
    align-items: center;
  }

  span {
    display: inline-block;
    width: 12px;
    height: 12px;
  }

  .ring {
    border: 2px solid var(--color-text);
    border-radius: 50%;
  }

  .drop {
    margin-left: var(--space-3);
    border-radius: 0 50% 50%;
    background: var(--color-rim);
    rotate: 45deg;
  }
</style>
