<script lang="ts">
  import { stepsUpTo } from './scale';

  interface Props {
    /** The most that the axis holds [mS/cm], and where a value lies. */
    most: number;
    y: (ec: number) => number;
    left: number;
    right: number;
    title: string;
  }
  const { most, y, left, right, title }: Props = $props();
</script>

<!-- Lines and numbers of an axis of conductivity, inside a chart's svg. -->
{#each stepsUpTo(most) as step (step)}
  <path d="M{left} {y(step)}H{right}" />
  <text class="end" x={left - 8} y={y(step) + 5}>{Number(step.toFixed(2))}</text>
{/each}
<text x="0" y="14">{title}</text>

<style>
  path {
    stroke: var(--color-line);
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .end {
    text-anchor: end;
  }
</style>
