/** Scores in lanes below the Notebook's chart: a lane a scale, 0 to 5 within each. */
import type { Schemas } from '../api/client';
import { dateInWords } from '../ui/time';
import type { Table } from './frame';

export const LANE = 34;
const BEST = 5;

export interface Dot {
  at: number;
  /** From 0 at the lane's foot to 1 at its top. */
  height: number;
  low: number;
  high: number;
  title: string;
}

export interface Lane {
  key: string;
  name: string;
  dots: Dot[];
}

export function lanesOf(found: Schemas['LanesOut']): Lane[] {
  return found.lanes.map((lane) => ({
    key: lane.key,
    name: lane.name,
    dots: lane.on.map((on, n) => {
      const [mean, low, high] = [lane.mean[n] ?? 0, lane.low[n] ?? 0, lane.high[n] ?? 0];
      return {
        at: Date.parse(`${on}T12:00Z`),
        height: mean / BEST,
        low: low / BEST,
        high: high / BEST,
        title: `${lane.name} ${Number(mean.toFixed(1))} of 5, ${dateInWords(on)}`,
      };
    }),
  }));
}

export function lanesTable(found: Schemas['LanesOut']): Table {
  const days = [...new Set(found.lanes.flatMap((lane) => lane.on))].sort().reverse();
  const figure = (lane: Schemas['LaneOut'], day: string) => {
    const at = lane.on.indexOf(day);
    return at < 0 ? '' : String(Number((lane.mean[at] ?? 0).toFixed(1)));
  };
  return {
    head: [found.weekly ? 'week from' : 'day', ...found.lanes.map((lane) => lane.name)],
    rows: days.map((day) => [dateInWords(day), ...found.lanes.map((lane) => figure(lane, day))]),
  };
}
