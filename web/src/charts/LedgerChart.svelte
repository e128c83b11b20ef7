<script lang="ts">
  import { bandPath, dayScale, linePath, monthMarks } from './weeks';

  interface Line {
    need: number[];
    reached: number[];
    low: number[];
    high: number[];
  }
  interface Props {
    /** Need and what was reached, summed [mg a plant], one value for each day named. */
    line: Line;
    days: string[];
    today: string;
    /** What the picture says, in a sentence. */
    summary: string;
  }
  let { line, days, today, summary }: Props = $props();
  const WIDTH = 300;
  const HEIGHT = 120;
  const FOOT = 18;
  const first = $derived(days[0] ?? today);
  const last = $derived(days[days.length - 1] ?? today);
  const x = $derived(dayScale(first, last, WIDTH));
  const now = $derived(days.filter((day) => day <= today).length);
  const most = $derived(Math.max(1, ...line.need, (line.reached[now - 1] ?? 1) * 1.1));
  const y = (mg: number) => (HEIGHT - FOOT) * (1 - Math.min(1.05, mg / most)) + 4;
  const points = (values: number[]) =>
    values.map((mg, index): [number, number] => [x(days[index] ?? first), y(mg)]);
  const reached = $derived(points(line.reached));
  const EDGE = 14;
  const marks = $derived(
    monthMarks(first, last, WIDTH).filter((mark) => mark.x > EDGE && mark.x < WIDTH - EDGE),
  );
</script>

<svg viewBox="0 0 {WIDTH} {HEIGHT}" role="img" aria-label={summary}>
  <path class="band" d={bandPath(points(line.low), points(line.high))} />
  <path class="need" d={linePath(points(line.need))} />
  <path class="reached" d={linePath(reached.slice(0, now))} />
  <path class="reached ahead" d={linePath(reached.slice(Math.max(0, now - 1)))} />
  <path class="today" d="M{x(today)} 0V{HEIGHT - FOOT + 4}" />
  {#each marks as mark (mark.at)}
    <text x={mark.x} y={HEIGHT - 3}>{mark.name}</text>
  {/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
  }

  .band {
    fill: var(--color-rim-tint);
    stroke: var(--color-rim-pale);
    stroke-width: 0.75;
  }

  .need {
    fill: none;
    stroke: var(--color-wish-edge);
    stroke-width: 3;
  }

  .reached {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 2.5;
  }

  .ahead {
    stroke-dasharray: 2 5;
  }

  .today {
    stroke: var(--color-stop);
    stroke-width: 1.5;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 13px;
    text-anchor: middle;
  }
</style>
