import { expect, test } from 'vitest';
import {
  anchor,
  apart,
  bandPath,
  datesAlong,
  endFor,
  linePath,
  numbersAlong,
  plotOf,
  stepsUpTo,
} from '../src/charts/frame';
import { dayScale, monthMarks } from '../src/charts/weeks';

const BOX = { width: 440, height: 126, left: 40, right: 0, top: 6, bottom: 20 };
const day = (date: string) => Date.parse(`${date}T12:00:00Z`);

test('a plot spans its box and stays inside it', () => {
  const plot = plotOf(BOX, 0, 100, 2);
  expect([plot.x(0), plot.x(50), plot.x(100)]).toEqual([40, 240, 440]);
  expect(plot.x(130)).toBe(440);
  expect([plot.y(0), plot.y(1), plot.y(2)]).toEqual([106, 56, 6]);
});

test('steps upwards are round and end within the axis', () => {
  expect(stepsUpTo(4)).toEqual([0, 1, 2, 3, 4]);
  expect(stepsUpTo(0.52)).toEqual([0, 0.1, 0.2, 0.3, 0.4, 0.5]);
});

test('days of a count are whole numbers', () => {
  const marks = numbersAlong(plotOf(BOX, 0, 3, 1), 0, 3);
  expect(marks.map((mark) => mark.text)).toEqual(['0', '1', '2', '3']);
});

test('dates have room between them', () => {
  const [from, to] = [day('2026-04-01'), day('2026-10-31')];
  const plot = plotOf(BOX, from, to, 1);
  const marks = datesAlong(plot, from, to);
  expect(marks.length).toBeGreaterThan(1);
  const at = marks.map((mark) => plot.x(mark.at));
  at.slice(1).forEach((x, index) => expect(x - (at[index] ?? 0)).toBeGreaterThanOrEqual(66));
});

test('years are named where more than one is shown', () => {
  const [from, to] = [day('2024-01-01'), day('2026-06-01')];
  const marks = datesAlong(plotOf(BOX, from, to, 1), from, to);
  expect(marks.every((mark) => /20\d\d/.test(mark.text))).toBe(true);
});

test('texts at the ends stay inside', () => {
  const plot = plotOf(BOX, 0, 1, 1);
  expect([anchor(41, plot), anchor(200, plot), anchor(438, plot)]).toEqual([
    'start',
    'middle',
    'end',
  ]);
});

test('paths go through their points', () => {
  expect(
    linePath([
      [0, 1],
      [2, 3],
    ]),
  ).toBe('M0,1L2,3');
  expect(
    bandPath(
      [
        [0, 9],
        [2, 9],
      ],
      [
        [0, 4],
        [2, 5],
      ],
    ),
  ).toBe('M0,4L2,5L2,9L0,9Z');
});

test('the end of an axis leaves room above the largest', () => {
  expect(endFor(1, null, 5)).toBeCloseTo(5.6);
  expect(endFor(null)).toBeGreaterThan(0);
});

test('names move apart and keep their order', () => {
  expect(apart([10, 12, 60], 17)).toEqual([10, 27, 60]);
  expect(apart([12, 10], 17)).toEqual([27, 10]);
});

test('an axis of days has whole days and months with room', () => {
  const x = dayScale('2026-01-01', '2026-12-31', 364);
  expect([x('2026-01-01'), x('2026-01-11'), x('2026-12-31')]).toEqual([0, 10, 364]);
  const names = (width: number) =>
    monthMarks('2026-01-01', '2026-12-31', width).map((mark) => mark.name);
  expect(names(600)).toHaveLength(11);
  expect(names(300).length).toBeLessThan(8);
});
