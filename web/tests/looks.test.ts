import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { drawnAs, POSITIONS, scored } from '../src/desks/looks/looks.svelte';
import { BODY, DOTS, LINES } from '../src/drawings/signs';

const TABLE = readFileSync(`${import.meta.dirname}/../../dace/core/figures/signs.csv`, 'utf-8');
const SIGNS = TABLE.trim()
  .split('\n')
  .slice(1)
  .map((line) => {
    const [key = '', position = ''] = line.split(',');
    return { key, position };
  });

test('every sign of the table has a drawing of its own on its part of the plant', () => {
  expect(SIGNS).toHaveLength(60);
  for (const position of POSITIONS) {
    const drawn = SIGNS.filter((sign) => sign.position === position).map(drawnAs);
    expect(drawn.length).toBeGreaterThan(0);
    for (const { on, how } of drawn) expect(BODY[on] && (LINES[how] ?? DOTS[how])).toBeTruthy();
    expect(new Set(drawn.map(({ on, how }) => `${on} ${how}`)).size).toBe(drawn.length);
  }
});

test('a point pressed again is taken back', () => {
  const once = scored({}, 'colour', 4);
  expect(once).toEqual({ colour: 4 });
  expect(scored(once, 'colour', 3)).toEqual({ colour: 3 });
  expect(scored({ ...once, set: 2 }, 'colour', 4)).toEqual({ set: 2 });
});
