import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import { undo } from '../src/app/undo.svelte';
import { Bench } from '../src/desks/bench/bench.svelte';
import { inUnit } from '../src/desks/bench/beside.svelte';
import { Spraying } from '../src/desks/bench/spraying.svelte';
import { answering, WRITTEN, type Asked } from './page';

const STAND = { id: 'stand', planting_id: 'p', crop: 'Chilli', count: 6, spot: 'Quay tub 3' };
const PATH = {
  stops: [{ id: 'tub', name: 'Quay tub 3', stands: [STAND], spots: [] as unknown[] }],
  zone: 'UTC',
};
const JARS = [
  { id: 'liquid', dissolves: true, stock: 650, unit: 'mL' },
  { id: 'salt', dissolves: true, stock: 400, unit: 'g' },
  { id: 'brew', dissolves: true, stock: 900, unit: 'mL' },
  { id: 'meal', dissolves: false, stock: 900, unit: 'g' },
  { id: 'empty', dissolves: true, stock: 0, unit: 'g' },
];
const SUPPLIES = {
  jars: JARS,
  waters: [{ id: 'tap' }, { id: 'rain' }],
  vessels: [
    { id: 'can', volume_l: 9, kind: 'can' },
    { id: 'hand', volume_l: 0.5, kind: 'sprayer' },
  ],
};
const PREVIEW = {
  amount: 18,
  unit: 'mL',
  ways: { parts: { shown: '1 + 500', said: '1 + 500' } },
  more: [{ jar_id: 'salt', amount: 3, unit: 'g' }],
  pour: { litres_each: 1, left_l: 0 },
};

let asked: Asked[] = [];
let answers: Record<string, unknown> = {};

beforeEach(async () => {
  undo.bar = null;
  answers = {
    'GET /api/path': PATH,
    'GET /api/bench': SUPPLIES,
    'GET /api/bench/hours': { now: 8, routes: [] },
    'POST /api/bench/preview': PREVIEW,
    'POST /api/bench/spray': { sources: [{ per_l: 2, unit: 'g' }] },
    'POST /api/pours': WRITTEN,
    'POST /api/sprays': WRITTEN,
  };
  asked = answering(answers);
  await garden.load();
  garden.choose(garden.stops[0] ?? null);
});

async function stocked(): Promise<Bench> {
  const bench = new Bench();
  await bench.load();
  await bench.work();
  return bench;
}

const last = (path: string) => asked.filter((one) => one.path === path).at(-1)?.body;
const named = (id: string) => JARS.find((jar) => jar.id === id) as (typeof JARS)[0] & never;

test('what is poured in begins weaker than it usually is', async () => {
  const bench = await stocked();
  bench.beside.pourIn(named('salt'));
  bench.beside.pourIn(named('brew'));
  await bench.work();
  expect(last('/api/bench/preview')).toMatchObject({
    jar_id: 'liquid',
    more: [
      { jar_id: 'salt', strength: 'a quarter of what is usual' },
      { jar_id: 'brew', strength: 'a quarter of what is usual' },
    ],
  });
});

test('only what dissolves, holds something and is not in yet is offered', async () => {
  const bench = await stocked();
  const left = () => bench.beside.left(bench.supplies?.jars ?? [], bench.jarId).map((j) => j.id);
  expect(left()).toEqual(['salt', 'brew']);
  bench.beside.pourIn(named('salt'));
  expect(left()).toEqual(['brew']);
  bench.beside.takeOut('salt');
  expect(left()).toEqual(['salt', 'brew']);
});

test('a jar that comes first is not poured in twice', async () => {
  const bench = await stocked();
  bench.beside.pourIn(named('salt'));
  bench.jarId = 'salt';
  bench.pickJar();
  expect(bench.beside.rows).toEqual([]);
});

test('half strength halves every source', async () => {
  const bench = await stocked();
  bench.beside.pourIn(named('salt'));
  await bench.work();
  bench.halve();
  expect(bench.said).toBe('9 mL');
  expect(bench.beside.rows[0]?.said).toBe('1.5 g');
});

test('a can that was found is laid out just so, and poured as one', async () => {
  const bench = await stocked();
  bench.takeMix([
    { jar_id: 'salt', name: 'Salt', strength: '0.4 g/L', words: '', text: '' },
    { jar_id: 'brew', name: 'Brew', strength: '33 mL/L', words: '', text: '' },
  ]);
  await bench.work();
  await bench.pour(() => undefined);
  expect(last('/api/pours')).toMatchObject({
    can: { jar_id: 'salt', strength: '0.4 g/L', more: [{ jar_id: 'brew', strength: '33 mL/L' }] },
  });
});

test('another stop begins with an empty can', async () => {
  const bench = await stocked();
  bench.beside.pourIn(named('salt'));
  bench.leave();
  expect(bench.beside.rows).toEqual([]);
});

test('an amount is typed to four digits', () => {
  expect([inUnit(18.123456, 'mL'), inUnit(0.28912, 'g')]).toEqual(['18.12 mL', '0.2891 g']);
});

async function spraying(): Promise<Spraying> {
  const found = new Spraying(await stocked());
  found.begin();
  await found.work();
  return found;
}

test('a spray begins with the softest water and the smallest sprayer', async () => {
  const found = await spraying();
  expect(found.sprayers.map((one) => one.id)).toEqual(['hand']);
  expect(last('/api/bench/spray')).toMatchObject({
    jar_id: 'liquid',
    water_id: 'rain',
    vessel: '0.5 L',
    strength: 'what is usual on leaves',
    stand_id: 'stand',
    plants: 6,
  });
});

test('stronger and weaker go by what a litre holds', async () => {
  const found = await spraying();
  found.times(2);
  expect(found.said).toBe('4 g/L');
  answers['POST /api/bench/spray'] = { sources: [{ per_l: 2.5, unit: 'mL' }] };
  await found.work();
  found.times(0.8);
  expect(found.said).toBe('2 mL/L');
});

test('what was sprayed is written with its can, and again with the same ids', async () => {
  const found = await spraying();
  answers['POST /api/sprays'] = null;
  expect(await found.send()).toBe(false);
  answers['POST /api/sprays'] = WRITTEN;
  expect(await found.send()).toBe(true);
  const [first, second] = asked.filter((one) => one.path === '/api/sprays').map((one) => one.body);
  expect(first).toEqual(second);
  expect(first).toMatchObject({ spray: { stand_id: 'stand', plants: 6 } });
});

test('a press right after a strength was typed waits for its figures', async () => {
  const found = await spraying();
  answers['POST /api/bench/spray'] = { sources: [{ per_l: 9, unit: 'g' }], over: true };
  found.say('9 g/L');
  expect(found.spray?.over).toBeFalsy();
  await found.worked.settled();
  expect([found.spray?.over, last('/api/bench/spray')?.strength]).toEqual([true, '9 g/L']);
});
