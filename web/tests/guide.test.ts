import { expect, test } from 'vitest';
import { cases } from '../src/desks/help/cases';
import { searched } from '../src/desks/help/searching';

test('six cases, each with one choice that is right and a reason for every one', () => {
  const all = cases();
  expect(all).toHaveLength(6);
  for (const one of all) {
    expect(
      one.choices.filter((choice) => choice.right),
      one.key,
    ).toHaveLength(1);
    for (const { why } of one.choices) expect(why.split(' ').length).toBeLessThanOrEqual(15);
    expect(one.marks.length).toBeGreaterThan(0);
  }
  const at = all.map((one) => one.choices.findIndex((choice) => choice.right));
  expect(new Set(at).size).toBe(3); // the right one is not always in the same place
});

test('the guide is searched by sentence, every word of what was typed', () => {
  const pages = [
    { title: 'The Round', html: '<p>Press a row. <b>Dry</b> roots come first.</p>' },
    { title: 'The pen', html: '<p>Dip it; read it.</p>' },
  ];
  expect(searched(pages, 'roots dry')).toEqual([
    { page: 1, title: 'The Round', sentence: 'Dry roots come first.' },
  ]);
  expect(searched(pages, 'pen read')[0]?.page).toBe(2); // the title counts
  expect(searched(pages, 'moon')).toEqual([]);
  expect(searched(pages, 'a')).toEqual([]); // one letter finds everything
});
