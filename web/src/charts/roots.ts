/** What a root-zone chart draws: days count from its first. */
import type { Schemas } from '../api/client';
import { dateInWords } from '../ui/time';
import { endFor, type Table } from './frame';

type Chart = Schemas['RootChartOut'];
const DAY_MS = 86_400_000;

/** The instant of a day; noon, so that no clock change moves one. */
export function instantsOf(first: string): (day: number) => number {
  const noon = Date.parse(`${first}T12:00:00Z`);
  return (day) => noon + day * DAY_MS;
}

/** The end of the axis: all that is drawn fits. */
export function mostOf(chart: Chart): number {
  return Math.max(
    0.5,
    endFor(...chart.high, ...chart.comfort_high, ...chart.dots.map((dot) => dot.ec)),
  );
}

export interface Run {
  from: number;
  to: number;
  low: number;
  high: number;
}

/** The comfort band as steps: one rectangle for each run of days alike. */
export function runsOf(chart: Chart): Run[] {
  const runs: Run[] = [];
  chart.comfort_high.forEach((high, day) => {
    const low = chart.comfort_low[day];
    if (high === null || low === null || low === undefined) return;
    const last = runs.at(-1);
    if (last && last.to === day - 1 && last.low === low && last.high === high) last.to = day;
    else runs.push({ from: day, to: day, low, high });
  });
  return runs;
}

const EVERY = 7;

/** A row for each week and for each day with a reading or something poured. */
export function rootTable(chart: Chart): Table {
  const told = new Map<number, string[]>();
  const tell = (day: number, text: string) =>
    told.set(Math.floor(day), [...(told.get(Math.floor(day)) ?? []), text]);
  for (const dot of chart.dots) tell(dot.day, `read ${dot.ec.toFixed(2)}`);
  for (const one of chart.poured) tell(one.day, one.title);
  const at = instantsOf(chart.first);
  const rows = chart.likely.flatMap((likely, day) => {
    const said = told.get(day);
    if (!said && (day - chart.today) % EVERY !== 0) return [];
    const date = dateInWords(new Date(at(day)).toISOString().slice(0, 10));
    const band = `${chart.low[day]?.toFixed(1)} to ${chart.high[day]?.toFixed(1)}`;
    const [low, high] = [chart.comfort_low[day], chart.comfort_high[day]];
    const comfort = high == null ? '' : `${low?.toFixed(1)} to ${high.toFixed(1)}`;
    const name = day === chart.today ? `${date}, today` : date;
    return [[name, likely.toFixed(1), band, comfort, (said ?? []).join('; ')]];
  });
  return { head: ['day', chart.axis, '8 in 10', 'comfortable', 'read and poured'], rows };
}
