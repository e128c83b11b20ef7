<script lang="ts">
  import { dayScale, monthMarks } from '../../charts/weeks';

  interface Props {
    first: string;
    last: string;
    /** Where today lies [px], and how wide the axis is. */
    today: number;
    width: number;
    /** Usual frosts that lie on the axis. */
    frosts: { on: string; text: string }[];
  }
  const { first, last, today, width, frosts }: Props = $props();
  const x = $derived(dayScale(first, last, width));
  const marks = $derived(monthMarks(first, last, width));
</script>

<svg {width} height="40" viewBox="0 0 {width} 40" aria-hidden="true">
  {#each marks.filter((one) => one.x < width - 26) as mark (mark.at)}
    <text x={mark.x} y="34">{mark.name}</text>
  {/each}
  {#each frosts as one (one.on)}
    <path class="frost" d="M{x(one.on)} 16v8m-3.5 -6l7 4m0 -4l-7 4" />
    <text class="cold" x={Math.min(Math.max(x(one.on), 50), width - 50)} y="14">{one.text}</text>
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

  .cold {
    font-size: 12px;
    text-anchor: middle;
  }

  .frost {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 1.5;
  }

  .today {
    stroke: var(--color-stop);
    stroke-width: 2;
  }
</style>
