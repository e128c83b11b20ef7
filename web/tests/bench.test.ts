import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import { working } from '../src/app/working.svelte';
import { Bench } from '../src/desks/bench/bench.svelte';
import { explanation } from '../src/desks/bench/explain';
import { undo } from '../src/app/undo.svelte';
import { answering, refusing, WRITTEN, type Asked } from './page';

const STAND = { id: 'stand', planting_id: 'p', crop: 'Aubergine', count: 2, spot: 'Quay tub 2' };
const PATH = {
  stops: [{ id: 'tub', name: 'Quay tub 2', stands: [STAND], spots: [] as unknown[] }],
  zone: 'UTC',
};
const SUPPLIES = {
  jars: [
    { id: 'meal', dissolves: false, stock: 900, unit: 'g' },
    { id: 'dry', dissolves: true, stock: 0, unit: 'mL' },
    { id: 'tomato', dissolves: true, stock: 650, unit: 'mL' },
  ],
  waters: [{ id: 'rain' }, { id: 'tap' }],
  vessels: [{ id: 'can', volume_l: 9, name: '9 L can' }],
};
const PREVIEW = {
  unit: 'mL',
  ways: { parts: { shown: '1 + 500', said: '1 + 500' } },
  nutrients: [{ name: 'N', figure: { text: '90', working: ['of N'] } }],
  ec: { value: 1.26, working: ['of EC'] },
  cap: { working: ['of cap'] },
  concentrate: { text: '18', working: ['of mL'] },
  pour: { litres_each: 2, left_l: 5, each: { value: 2, text: '2', working: ['of each'] } },
};

let asked: Asked[] = [];
let answers: Record<string, unknown> = {};

beforeEach(async () => {
  undo.bar = null;
  answers = {
    'GET /api/path': PATH,
    'GET /api/bench': SUPPLIES,
    'POST /api/bench/preview': PREVIEW,
    'POST /api/pours': WRITTEN,
  };
  asked = answering(answers);
  await garden.load();
  const [stop] = garden.stops;
  garden.choose(stop ?? null);
});

async function stocked(): Promise<Bench> {
  const bench = new Bench();
  await bench.load();
  await bench.work();
  asked.length = 0;
  return bench;
}

const sent = (path: string) => asked.filter((one) => one.path === path).map((one) => one.body);

test('tried again after no answer, it is laid out', async () => {
  const bench = new Bench();
  answers['GET /api/bench'] = () => refusing('connection', 503);
  await bench.load();
  expect([bench.ready, bench.jarId, bench.problem?.field]).toEqual([false, '', 'connection']);
  answers['GET /api/bench'] = SUPPLIES;
  await bench.load();
  expect([bench.ready, bench.jarId, bench.problem]).toEqual([true, 'tomato', null]);
  bench.leave();
  expect(bench.ready).toBe(false);
});

test('it begins with the first jar that dissolves and holds something', async () => {
  const bench = await stocked();
  expect([bench.jarId, bench.waterId, bench.vessel]).toEqual(['tomato', 'rain', '9 L']);
  expect(bench.litres).toBe(2);
});

test('a strength typed into a box is asked beside what the box showed', async () => {
  const bench = await stocked();
  const held = { way: 'parts' as const, text: '1 + 500', said: '1 + 500', before: bench.said };
  bench.type('parts', '280', held);
  await bench.work();
  const strength = { text: '280', shown: '1 + 500' };
  expect(sent('/api/bench/preview').at(-1)).toMatchObject({ strength, reading: 0 });
  bench.type('parts', '1 + 500', held);
  expect(bench.said).toBe(held.before); // as it was, to the last digit
});

test('half typed, nothing is wrong yet', async () => {
  const bench = await stocked();
  answers['POST /api/bench/preview'] = () => refusing('strength');
  bench.type('parts', '28x');
  await bench.work();
  expect(bench.typing).toBe(true);
  expect(bench.preview?.unit).toBe('mL');
  bench.typedOut();
  expect([bench.typing, bench.typed?.text]).toEqual([false, '28x']);
});

test('a moved level is asked in what the jar is measured in', async () => {
  const bench = await stocked();
  bench.move(18.123456);
  expect(bench.said).toBe('18.12 mL');
});

test('poured and not answered, the same can is poured again', async () => {
  const bench = await stocked();
  answers['POST /api/pours'] = null;
  expect(await bench.pour(() => undefined)).toBe(false);
  answers['POST /api/pours'] = WRITTEN;
  let read = '';
  expect(await bench.pour((can) => (read = can))).toBe(true);
  const [first, second] = sent('/api/pours') as { can: { id: string }; dose: { id: string } }[];
  expect(first).toEqual(second);
  expect(first?.dose).toMatchObject({ stand_id: 'stand', plants: 2, litres_each: 2 });
  undo.bar?.next?.act();
  expect(read).toBe(first?.can.id);
});

test('what is left in the can is offered to the next stop', async () => {
  const bench = await stocked();
  await bench.pour(() => undefined);
  expect(bench.rest).toMatchObject({ leftL: 5, ratio: '1 + 500', standId: 'stand' });
  answers[`POST /api/cans/${bench.rest?.canId}/doses`] = WRITTEN;
  await bench.pourRest();
  expect(asked.find((one) => one.path.endsWith('/doses'))?.body).toMatchObject({
    litres_each: 2.5,
  });
  expect(bench.rest).toBeNull();
});

test('without a stop a usual weak can is worked out', async () => {
  garden.choose(null);
  const bench = await stocked();
  await bench.work();
  expect(sent('/api/bench/preview').at(-1)).toMatchObject({
    strength: 'what is usual',
    stand_id: null,
  });
});

test('how a number was got follows what was asked', async () => {
  const bench = await stocked();
  working.folded = true;
  bench.explain('N');
  expect([bench.asked, working.folded]).toEqual(['N', false]);
  const preview = PREVIEW as unknown as Parameters<typeof explanation>[0];
  const title = (of: string) => explanation(preview, of).title;
  expect(title('N')).toBe('How 90 mg/L of nitrogen was got');
  expect(title('cap')).toContain('upper limit');
  expect(title('each')).toBe('How 2 L for each was got');
  expect(title('concentrate')).toBe('How 18 mL was got');
  expect(title('Zn')).toBe('How 1.26 mS/cm was got');
});
