import { expect, test } from 'vitest';
import { counted, dates, many } from '../src/ui/language';

test('numbers, plurals and dates follow one language', () => {
  expect(many(12_000)).toBe('12,000');
  expect([0, 1, 2].map((count) => counted(count, 'row'))).toEqual(['0 rows', '1 row', '2 rows']);
  expect(counted(1200, 'leaf', 'leaves')).toBe('1,200 leaves');
  const day = new Date('2026-07-14T12:00:00Z');
  expect(dates({ timeZone: 'UTC', dateStyle: 'long' }).format(day)).toBe('14 July 2026');
});
