import { expect, test } from 'vitest';
import { typedNumber } from '../src/ui/numbers';
import { instantOf } from '../src/ui/time';

test('a local time is the garden’s, whatever the phone’s zone', () => {
  expect(instantOf('2026-07-14T17:40', 'Europe/London')).toBe('2026-07-14T16:40:00.000Z');
  expect(instantOf('2026-07-14T17:40', 'Pacific/Auckland')).toBe('2026-07-14T05:40:00.000Z');
  expect(instantOf('2026-07-14T17:40', 'Asia/Kolkata')).toBe('2026-07-14T12:10:00.000Z');
});

test('on the day that clocks change the hour before and after are told apart', () => {
  expect(instantOf('2026-03-29T00:30', 'Europe/London')).toBe('2026-03-29T00:30:00.000Z');
  expect(instantOf('2026-03-29T03:30', 'Europe/London')).toBe('2026-03-29T02:30:00.000Z');
});

test('a comma before three digits parts thousands, before others it is a point', () => {
  expect([typedNumber('1,000'), typedNumber('2,5'), typedNumber('0,125')]).toEqual([
    1000, 2.5, 0.125,
  ]);
  expect([typedNumber('12,500'), typedNumber('1,2,3'), typedNumber(' ')]).toEqual([
    12500,
    undefined,
    null,
  ]);
});
