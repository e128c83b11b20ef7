import { expect, test } from 'vitest';
import { amountAt, edges, GLASS, levelY, marks, notched, stepOf } from '../src/desks/bench/level';

test('the level and the amount are one another’s inverse', () => {
  for (const amount of [0, 3, 12.5, 25])
    expect(amountAt(levelY(amount, 25), 25)).toBeCloseTo(amount);
});

test('nothing stands outside the glass', () => {
  expect(levelY(40, 25)).toBe(GLASS.top);
  expect(levelY(-1, 25)).toBe(GLASS.bottom);
  expect(amountAt(0, 25)).toBe(25);
  expect(amountAt(400, 25)).toBe(0);
});

test('a step is a hundredth of the glass', () => {
  expect(stepOf(25)).toBe(0.25);
});

test('four marks, every second one with its number', () => {
  expect(marks(25).map((mark) => mark.text)).toEqual(['20', '', '10', '']);
  expect(marks(25)[0]?.y).toBe(levelY(20, 25));
});

test('the glass narrows towards its foot', () => {
  const [left, right] = edges(GLASS.bottom);
  expect(edges(GLASS.top)).toEqual([GLASS.left, GLASS.right]);
  expect(right - left).toBe(GLASS.right - GLASS.left - 2 * GLASS.taper);
});

test('a pull stops at the cap and a second pull passes', () => {
  expect(notched(30, 10, 20)).toBe(20);
  expect(notched(30, 20, 20)).toBe(30);
  expect(notched(15, 10, 20)).toBe(15);
  expect(notched(30, 10, null)).toBe(30);
});
