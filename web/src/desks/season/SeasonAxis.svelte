<script lang="ts">
  import { monthMarks } from '../../charts/weeks';

  interface Props {
    first: string;
    last: string;
    /** Where today lies [px], and how wide the axis is. */
    today: number;
    width: number;
  }
  const { first, last, today, width }: Props = $props();
  const marks = $derived(monthMarks(first, last, width));
</script>

<svg {width} height="40" viewBox="0 0 {width} 40" aria-hidden="true">
  {#each marks.filter((one) => one.x < width - 26) as mark (mark.at)}
    <text x={mark.x} y="34">{mark.name}</text>
  {/each}
  <text class="now" x={Math.min(Math.max(today, 24), width - 24)} y="14">today</text>
  <path class="today" d="M{today} 18v22" />
</svg>

<style>
  svg {
    display: block;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .now {
    fill: var(--color-stop);
    font-weight: 600;
    text-anchor: middle;
  }

  .today {
    stroke: var(--color-stop);
    stroke-width: 2;
  }
</style>
