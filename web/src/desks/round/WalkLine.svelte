<!-- The walk as the path's own winding line: what is done, and where one is. -->
<script lang="ts">
  interface Props {
    done: boolean[];
    at: number;
  }
  const { done, at }: Props = $props();
  const WIDE = 320;
  const step = $derived(done.length > 1 ? (WIDE - 24) / (done.length - 1) : 0);
  const x = (turn: number) => 12 + turn * step;
  const y = (turn: number) => 20 + (turn % 2 ? 5 : -5);
  const line = $derived(
    done
      .map((_, turn) => {
        if (turn === 0) return `M${x(0)} ${y(0)}`;
        const middle = (x(turn - 1) + x(turn)) / 2;
        return `C${middle} ${y(turn - 1)} ${middle} ${y(turn)} ${x(turn)} ${y(turn)}`;
      })
      .join(''),
  );
</script>

<svg
  viewBox="0 0 {WIDE} 40"
  role="img"
  aria-label="{done.filter((one) => one).length} of {done.length} done"
>
  <path d={line} />
  {#each done as one, turn (turn)}
    <circle class:one class:here={turn === at} cx={x(turn)} cy={y(turn)} r={turn === at ? 9 : 6} />
  {/each}
</svg>

<style>
  svg {
    width: 100%;
    max-height: 60px;
  }

  path {
    fill: none;
    stroke: var(--color-edge);
    stroke-width: 2.5;
  }

  circle {
    fill: var(--color-panel);
    stroke: var(--color-edge);
    stroke-width: 2.5;
  }

  .one {
    fill: var(--color-go);
    stroke: var(--color-go);
  }

  .here {
    stroke: var(--color-text);
    stroke-width: 4;
  }
</style>
