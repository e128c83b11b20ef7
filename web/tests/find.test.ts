import { expect, test } from 'vitest';
import type { Verdict } from '../src/app/garden.svelte';
import type { Schemas } from '../src/api/client';
import { allFindable, matching } from '../src/app/find';
import { suiting } from '../src/desks/shelf/suiting';

const stops = [
  {
    id: 'tub',
    name: 'Quay tub 2',
    line: 'drain 3.2, too salty',
    stands: [
      {
        id: 'auber',
        counted: '2 aubergines',
        spot: 'Quay tub 2',
        stage: 'in flower',
        also: 'eggplant, brinjal',
      },
    ],
  },
  { id: 'bed', name: 'Wall bed', line: 'runner bean', stands: [] },
] as unknown as Schemas['StopOut'][];
const jars = [
  { id: 'jar', name: 'Tomato feed', stock_text: '650 mL' },
] as unknown as Schemas['JarOut'][];
const brews = [
  { id: 'brew', name: 'Eggshell in vinegar', method: 'Acid extract', day: 3 },
] as unknown as Schemas['ShelfBrewOut'][];
const all = allFindable(stops, jars, brews);
const names = (typed: string) => matching(all, typed).map((one) => one.name);

test('places, crops, jars and pages are found by any word', () => {
  expect(names('auber')[0]).toBe('2 aubergines');
  expect(names('salty')).toEqual(['Quay tub 2']);
  expect(names('tomato')).toEqual(['Tomato feed']);
  expect(names('set')).toContain('Set-up');
});

test('crops are found by other names, and brews by theirs', () => {
  expect(names('egg').sort()).toEqual(['2 aubergines', 'Eggshell in vinegar']);
  expect(names('brinjal')).toEqual(['2 aubergines']);
  expect(matching(all, 'vinegar')[0]).toMatchObject({ desk: '/shelf/brew', brew: 'brew' });
});

test('every word must be there, a name before a line', () => {
  expect(names('tub flower')).toEqual(['2 aubergines']);
  expect(names('quay')[0]).toBe('Quay tub 2');
  expect(names('quince')).toEqual([]);
});

test('a jar leads to its page and a crop to its stop', () => {
  expect(matching(all, 'tomato')[0]).toMatchObject({ desk: '/shelf/jar', jar: 'jar' });
  expect(matching(all, 'auber')[0]).toMatchObject({ desk: '/bench', stop: { id: 'tub' } });
});

test('what the verdict offers comes first and the rest keeps its order', () => {
  const shelf = ['a', 'b', 'c', 'd'].map((id) => ({ id })) as unknown as Schemas['ShelfJarOut'][];
  const order = (offers: string[]) => {
    const verdict = { offers: offers.map((jar_id) => ({ jar_id })) } as unknown as Verdict;
    return suiting(shelf, verdict).map((jar) => jar.id);
  };
  expect(order(['d', 'b'])).toEqual(['d', 'b', 'a', 'c']);
  expect(order([])).toEqual(['a', 'b', 'c', 'd']);
  expect(suiting(shelf, null).map((jar) => jar.id)).toEqual(['a', 'b', 'c', 'd']);
});
