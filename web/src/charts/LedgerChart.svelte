<script lang="ts">
  import { many } from '../ui/language';
  import { dateInWords } from '../ui/time';
  import Frame from './Frame.svelte';
  import { bandPath, linePath } from './frame';

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
  const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
  const first = $derived(days[0] ?? today);
  const last = $derived(days[days.length - 1] ?? today);
  const now = $derived(days.filter((day) => day <= today).length);
  const most = $derived(Math.max(1, ...line.need, (line.reached[now - 1] ?? 1) * 1.1));
  const mg = (value: number | undefined) => many(Math.round(value ?? 0));
  const table = $derived({
    head: ['day', 'wanted, mg', 'got, mg', '8 in 10'],
    rows: days
      .map((day, index) => [
        dateInWords(day),
        mg(line.need[index]),
        mg(line.reached[index]),
        `${mg(line.low[index])} to ${mg(line.high[index])}`,
      ])
      .filter((_, index) => index % 3 === 0),
  });
</script>

<!-- What one nutrient was wanted and what was got, summed over the days. -->
<Frame {summary} height={126} from={at(first)} to={at(last)} {table}>
  {#snippet children({ x, y, floor })}
    {@const up = (value: number) => Math.max(2, y(Math.min(1.05, value / most)))}
    {@const points = (values: number[]) =>
      values.map((value, index): [number, number] => [x(at(days[index] ?? first)), up(value)])}
    <path class="band" d={bandPath(points(line.low), points(line.high))} />
    <path class="need" d={linePath(points(line.need))} />
    <path class="reached" d={linePath(points(line.reached).slice(0, now))} />
    <path class="reached ahead" d={linePath(points(line.reached).slice(Math.max(0, now - 1)))} />
    <path class="today" d="M{x(at(today))} 0V{floor}" />
  {/snippet}
</Frame>

<style>
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
</style>
