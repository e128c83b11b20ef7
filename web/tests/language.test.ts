import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { counted, dates, many } from '../src/ui/language';

test('numbers, plurals and dates follow one language', () => {
  expect(many(12_000)).toBe('12,000');
  expect([0, 1, 2].map((count) => counted(count, 'row'))).toEqual(['0 rows', '1 row', '2 rows']);
  expect(counted(1200, 'leaf', 'leaves')).toBe('1,200 leaves');
  const day = new Date('2026-07-14T12:00:00Z');
  expect(dates({ timeZone: 'UTC', dateStyle: 'long' }).format(day)).toBe('14 July 2026');
});

const MOST_WORDS = 15;

test('no sentence of the catalogues has more than fifteen words', () => {
  const said = ['en.po', 'modules/en.po'].map((name) =>
    readFileSync(`${import.meta.dirname}/../src/texts/${name}`, 'utf-8'),
  );
  const texts = [...said.join('\n').matchAll(/^msgid ((?:"[^\n]*"\n?)+)/gm)].map(
    ([, quoted = '']) => quoted.replace(/"\n"|^"|"\s*$/g, '').replace(/<\/?\d+\/?>/g, ' '),
  );
  expect(texts.length).toBeGreaterThan(1000);
  const sentences = texts.flatMap((text) => text.split(/(?<=[.?!])\s+/));
  const long = sentences.filter(
    (one) => one.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length > MOST_WORDS,
  );
  expect(long).toEqual([]);
});
