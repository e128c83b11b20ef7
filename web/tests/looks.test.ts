import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { POSITIONS, scored } from '../src/desks/looks/looks.svelte';
import { BORNE } from '../src/drawings/plants/fruit';
import { LEAVES, leafOf } from '../src/drawings/plants/leaf';
import { HABITS, type Grown } from '../src/drawings/plants/plant';
import { scattered, within, type Mark } from '../src/drawings/plants/shape';
import { SIGNS, signMarks } from '../src/drawings/plants/sign';
import { stageMarks } from '../src/drawings/plants/stage';

const FIGURES = `${import.meta.dirname}/../../dace/core/figures`;
/** The first cells of a table; none of them has a comma of its own. */
const rowsOf = (table: string, cells: number) =>
  readFileSync(`${FIGURES}/${table}.csv`, 'utf-8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(',').slice(0, cells));
const TOMATO: Grown = { leaf: 'compound', habit: 'vine', bears: 'round' };
const told = (marks: Mark[]) => JSON.stringify(marks);

test('every sign of the table has a drawing of its own, on every kind of leaf', () => {
  const keys = rowsOf('signs', 1).map(([key = '']) => key);
  expect(keys).toHaveLength(60);
  expect([...SIGNS].sort()).toEqual([...keys].sort());
  for (const leaf of LEAVES) {
    const drawn = keys.map((key) => told(signMarks({ key, position: '' }, { ...TOMATO, leaf })));
    expect(new Set(drawn).size).toBe(60);
    expect(drawn.join('')).not.toContain('NaN');
  }
});

test('a sign of leaves says which leaves are meant, and where it stands on each kind', () => {
  const sign = { key: 'old_even_pale' };
  const plain = signMarks({ ...sign, position: '' }, TOMATO);
  const [old, young] = ['old leaves', 'new leaves'].map((position) =>
    signMarks({ ...sign, position }, TOMATO),
  );
  expect(old?.length).toBe(plain.length + 3);
  expect(told(old ?? [])).not.toEqual(told(young ?? []));
  const kinds = LEAVES.map((leaf) =>
    told(signMarks({ ...sign, position: '' }, { ...TOMATO, leaf })),
  );
  expect(new Set(kinds).size).toBe(8);
});

test('every stage of a crop looks unlike the others', () => {
  const found = new Map<string, string[]>();
  for (const [crop = '', , stage = ''] of rowsOf('stages', 3))
    found.set(crop, [...(found.get(crop) ?? []), stage]);
  expect(found.size).toBeGreaterThan(40);
  // how a bush, a root, a head, a bulb and a leaf crop are drawn
  const grown: Record<string, Grown> = {
    chilli: { leaf: 'long', habit: 'bush', bears: 'pointed' },
    carrot: { leaf: 'feathery', habit: 'root', bears: 'taproot' },
    cabbage: { leaf: 'rosette', habit: 'head', bears: 'head' },
    onion: { leaf: 'strap', habit: 'bulb', bears: 'bulb' },
    chard: { leaf: 'rosette', habit: 'leaf', bears: 'leaves' },
    sweetcorn: { leaf: 'strap', habit: 'grass', bears: 'cob' },
  };
  for (const [crop, how] of Object.entries(grown)) {
    const drawn = (found.get(crop) ?? []).map((stage) => told(stageMarks(stage, how)));
    expect(new Set(drawn).size, crop).toBe(drawn.length);
  }
  for (const habit of HABITS)
    for (const bears of BORNE)
      expect(told(stageMarks('harvest', { leaf: 'long', habit, bears }))).not.toContain('NaN');
});

test('potatoes flower over their leaves and not in the ground', () => {
  const potato: Grown = { leaf: 'compound', habit: 'root', bears: 'tuber' };
  const petals = stageMarks('flowering', potato).filter((mark) => mark.fill === 'white');
  expect(petals.length).toBeGreaterThan(0);
  for (const { at } of petals) expect(at?.y).toBeLessThan(30);
});

test('what is scattered over a leaf lies on the leaf', () => {
  const { blades } = leafOf('fan');
  const spots = scattered(blades, 30);
  expect(spots).toHaveLength(30);
  for (const spot of spots) expect(blades.some((blade) => within(spot, blade))).toBe(true);
  expect(within([0, 40], blades[0] ?? [])).toBe(false); // below its foot
});

test('parts are in the order of a plant from above', () => {
  const used = new Set(rowsOf('signs', 2).map(([, position]) => position));
  expect(new Set(POSITIONS)).toEqual(used);
});

test('a point pressed again is taken back', () => {
  const once = scored({}, 'colour', 4);
  expect(once).toEqual({ colour: 4 });
  expect(scored(once, 'colour', 3)).toEqual({ colour: 3 });
  expect(scored({ ...once, set: 2 }, 'colour', 4)).toEqual({ set: 2 });
});
