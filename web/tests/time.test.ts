import { expect, test } from 'vitest';
import { ago, clockTime, dateInWords, dayInWords, dayOf } from '../src/ui/time';
import { region } from '../src/ui/region.svelte';

test('a day is the garden’s own, not the device’s', () => {
  const late = '2026-07-14T23:30:00Z';
  expect(dayOf(late, 'UTC')).toBe('2026-07-14');
  expect(dayOf(late, 'Europe/Paris')).toBe('2026-07-15');
  expect(dayOf(late, 'Pacific/Auckland')).toBe('2026-07-15');
  expect(clockTime(late, 'America/New_York')).toBe('19:30');
});

test('dates are said in words', () => {
  expect(dateInWords('2026-07-06')).toBe('6 July');
  expect(dayInWords('2026-07-14T12:00:00Z', 'UTC').replace(',', '')).toBe('Tue 14 July');
});

test('an American garden has the month first and twelve hours on the clock', () => {
  region.american = true;
  expect(dateInWords('2026-07-06')).toBe('July 6');
  expect(dayInWords('2026-07-14T12:00:00Z', 'UTC')).toBe('Tue, July 14');
  const at = clockTime('2026-07-14T23:30:00Z', 'America/New_York');
  expect(at.replace(/\s/g, ' ')).toBe('7:30 PM');
  region.american = false;
});

test('ago counts days, over a change of the clocks too', () => {
  const zone = 'Europe/London';
  expect(ago('2026-03-28T23:50:00Z', '2026-03-29T00:10:00Z', zone)).toBe('yesterday');
  expect(ago('2026-03-28T12:00:00Z', '2026-04-04T12:00:00Z', zone)).toBe('7 days ago');
  expect(ago('2026-07-15T12:00:00Z', '2026-07-14T12:00:00Z', zone)).toBe('today');
});
