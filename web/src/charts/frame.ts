/** Pure geometry that every chart shares; lengths in px. */
import { dates } from '../ui/language';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, line } from 'd3-shape';

export interface Box {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Mark {
  at: number;
  text: string;
}

/** Where things lie in a chart: `x` of days or instants, `y` of values from 0 up. */
export interface Plot {
  x: (at: number) => number;
  y: (value: number) => number;
  left: number;
  right: number;
  top: number;
  floor: number;
  width: number;
  height: number;
}

/** What a chart shows, as a table. */
export interface Table {
  head: string[];
  rows: string[][];
}

const DAY_MS = 86_400_000;
const DAY_WIDE_PX = 86; // room for a date below an axis
const DATE_WIDE_PX = 66; // a date, at least, between two
const NUMBER_WIDE_PX = 46;

/** Scales of a box: `from` to `to` across, 0 to a little over `most` upwards. */
export function plotOf(box: Box, from: number, to: number, most: number): Plot {
  const right = box.width - box.right;
  const floor = box.height - box.bottom;
  const x = scaleLinear([from, Math.max(to, from + 1e-9)], [box.left, right]).clamp(true);
  const y = scaleLinear([0, most], [floor, box.top]);
  return { x, y, left: box.left, right, top: box.top, floor, width: box.width, height: box.height };
}

/** Round values up an axis, about five of them. */
export function stepsUpTo(most: number): number[] {
  return scaleLinear([0, most], [0, 1]).ticks(5);
}

/** Round numbers along an axis, such as days of a brew. */
export function numbersAlong(plot: Plot, from: number, to: number): Mark[] {
  const room = Math.max(2, Math.floor((plot.right - plot.left) / NUMBER_WIDE_PX));
  const whole = scaleLinear([from, to], [0, 1])
    .ticks(room)
    .filter((at) => Number.isInteger(at));
  return whole.map((at) => ({ at, text: String(at) }));
}

/** Dates along an axis of instants, as many as there is room for; a year where it turns. */
export function datesAlong(plot: Plot, from: number, to: number, zone = 'UTC'): Mark[] {
  const room = Math.max(2, Math.floor((plot.right - plot.left) / DAY_WIDE_PX));
  const long = to - from > 400 * DAY_MS;
  const format = dates({
    timeZone: zone,
    month: 'short',
    ...(long ? { year: 'numeric' } : { day: 'numeric' }),
  });
  const marks: Mark[] = [];
  for (const day of scaleUtc([from, to], [0, 1]).ticks(room)) {
    const [at, before] = [day.getTime(), marks.at(-1)];
    if (before && plot.x(at) - plot.x(before.at) < DATE_WIDE_PX) continue;
    marks.push({ at, text: format.format(day) });
  }
  return marks;
}

/** The place of a mark's text, so that the first and last stay inside. */
export function anchor(x: number, plot: Plot): 'start' | 'middle' | 'end' {
  if (x < plot.left + NUMBER_WIDE_PX / 2) return 'start';
  return x > plot.right - NUMBER_WIDE_PX / 2 ? 'end' : 'middle';
}

type Point = [number, number];

/** A line through points. */
export function linePath(points: Point[]): string {
  return line()(points) ?? '';
}

/** The ground between two lines over the same x. */
export function bandPath(lower: Point[], upper: Point[]): string {
  const rows = lower.map(([x, low], index): [number, number, number] => [
    x,
    low,
    upper[index]?.[1] ?? low,
  ]);
  const ground = area<[number, number, number]>()
    .x((row) => row[0])
    .y0((row) => row[1])
    .y1((row) => row[2]);
  return ground(rows) ?? '';
}

/** A straight scale from 0 to `most` onto 0 to `length`; values beyond stay at its end. */
export function along(most: number, length: number): (value: number) => number {
  return scaleLinear([0, most], [0, length]).clamp(true);
}

/** An end for a scale that leaves the largest value room to breathe. */
export function endFor(...values: (number | null | undefined)[]): number {
  return Math.max(...values.map((value) => value ?? 0), 1e-9) * 1.12;
}

/** Heights for labels that would like to stand at these, moved apart by at least `gap`. */
export function apart(wanted: number[], gap: number): number[] {
  const order = wanted.map((_, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  const placed = [...wanted];
  order.forEach((index, at) => {
    const before = order[at - 1];
    const least = before === undefined ? -Infinity : (placed[before] ?? 0) + gap;
    placed[index] = Math.max(wanted[index] ?? 0, least);
  });
  return placed;
}
