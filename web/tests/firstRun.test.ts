import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import { session } from '../src/app/session.svelte';
import { FirstQuestions } from '../src/desks/setup/firstRun.svelte';
import type { Choices, Setup } from '../src/desks/setup/forms';
import { materialAnswers, materialForm, materialLine } from '../src/desks/setup/materialForm';
import { SetupDesk } from '../src/desks/setup/setup.svelte';
import { dropDrafts } from '../src/ui/drafts';
import { answering, refusing, WRITTEN, type Asked } from './page';

const SETUP = {
  edition: 1,
  garden: { name: 'Yard', zone: 'UTC', latitude: 52, approach: 'mixed', climate: '', measures: '' },
  waters: [],
  vessels: [],
  jars: [],
} as unknown as Setup;
const stages = [{ key: 'seedling', name: 'seedling', cue: 'two leaves', words: 'small' }];
const CHOICES = {
  climates: [],
  countries: [],
  crops: [
    { key: 'tomato', name: 'Tomato', also: [], stages },
    { key: 'leek', name: 'Leek', also: [], stages },
  ],
  materials: [{ key: 'comfrey_fresh', name: 'Comfrey, fresh' }],
  stand_ins: [{ key: 'lettuce', name: 'a light feeder' }],
  media: [{ key: 'coir', name: 'Coir' }],
  places: [{ key: 'tub', name: 'Tub', medium: 'coir', size: '40 L', size_us: '10 gallon' }],
} as unknown as Choices;
const PLANTED = { crop: 'tomato', count: '3', started: '2026-07-01', stage: 'seedling' };

let asked: Asked[] = [];
let answers: Record<string, unknown> = {};
const writes = () => asked.filter((one) => one.method !== 'GET');
const wrote = () => writes().map((one) => one.path);
const last = () => writes().at(-1)?.body;

beforeEach(async () => {
  dropDrafts();
  session.info = { signed_in: true, household: 'Yard' } as unknown as typeof session.info;
  answers = {
    'GET /api/path': { now: '2026-07-14T12:00:00Z', zone: 'UTC', stops: [] },
    'GET /api/setup': SETUP,
    'GET /api/choices': CHOICES,
    'POST /api/plantings': WRITTEN,
    'POST /api/undo': { ...WRITTEN, change_id: 8 },
    'PUT /api/materials/m': WRITTEN,
  };
  asked = answering(answers);
  await garden.load();
});

function begun(): [SetupDesk, FirstQuestions] {
  const desk = new SetupDesk();
  return [desk, new FirstQuestions(desk, SETUP, CHOICES)];
}

test('one row of steps leads through seven forms', () => {
  const [, first] = begun();
  expect(first.forms).toHaveLength(7);
  const whole = first.lengths.reduce((sum, one) => sum + one, 0);
  const at = Array.from({ length: whole }, (_, step) => first.formAt(step));
  expect(at).toEqual([...at].sort((a, b) => a - b));
  expect(new Set(at)).toEqual(new Set([0, 1, 2, 3, 4, 5, 6]));
  first.lengths.forEach((length, form) => {
    expect(at.filter((one) => one === form)).toHaveLength(length);
    expect(first.formAt(first.before(form))).toBe(form);
  });
  expect(first.formAt(whole + 5)).toBe(6);
});

test('answers and ids outlive a reload, and end with another household', () => {
  const [, first] = begun();
  first.answer(0, { country: 'Elsewhere' });
  const [, again] = begun();
  expect([again.place, again.answers(0)]).toEqual([first.place, { country: 'Elsewhere' }]);
  session.info = { signed_in: true, household: 'Mill' } as unknown as typeof session.info;
  const [, other] = begun();
  expect(other.answers(0)).toEqual({});
  expect(other.place).not.toBe(first.place);
});

test('it is over once she leaves', () => {
  const [, first] = begun();
  first.answer(3, { kind: 'rain' });
  first.leave();
  expect(begun()[1].answers(3)).toEqual({});
});

test('another answer takes the planting back before it plants anew', async () => {
  const [desk, first] = begun();
  await first.submit(desk, 2, PLANTED);
  const id = last()?.id;
  expect(id).toMatch(/^[0-9a-f-]{36}$/);
  await first.submit(desk, 2, PLANTED);
  expect(last()?.id).toBe(id);
  await first.submit(desk, 2, { ...PLANTED, crop: 'leek' });
  expect(wrote()).toEqual(['/api/plantings', '/api/plantings', '/api/undo', '/api/plantings']);
  expect(asked.find((one) => one.path === '/api/undo')?.body).toEqual({ change_id: 7 });
  expect(last()).toMatchObject({ crop: 'leek' });
  expect(last()?.id).not.toBe(id);
});

test('what cannot be taken back is said, and nothing is planted twice', async () => {
  const [desk, first] = begun();
  await first.submit(desk, 2, PLANTED);
  answers['POST /api/undo'] = () => refusing('change_id', 409);
  const problem = await first.submit(desk, 2, { ...PLANTED, count: '5' });
  expect(problem?.field).toBe('change_id');
  expect(wrote()).toEqual(['/api/plantings', '/api/undo']);
});

test('a planting that was refused is written anew without an undo', async () => {
  const [desk, first] = begun();
  answers['POST /api/plantings'] = () => refusing('count');
  expect((await first.submit(desk, 2, PLANTED))?.field).toBe('count');
  answers['POST /api/plantings'] = WRITTEN;
  expect(await first.submit(desk, 2, { ...PLANTED, count: '4' })).toBeNull();
  expect(wrote()).toEqual(['/api/plantings', '/api/plantings']);
});

test('a material of hers is what it is like, and only what she knows', async () => {
  const form = materialForm(CHOICES, 'm');
  const kept = { name: 'by the weir', like: 'comfrey_fresh', N: '0,5', K: '', Mg: '0.05' };
  expect((await form.save(kept)).problem).toBeUndefined();
  expect(asked.at(-1)?.body).toEqual({
    name: 'by the weir',
    like: 'comfrey_fresh',
    percent: { N: 0.5, Mg: 0.05 },
  });
  const sent = asked.length;
  expect((await form.save({ ...kept, K: 'plenty' })).problem?.field).toBe('K');
  expect(asked).toHaveLength(sent);
});

test('a material that stands is told in a line, and given back to be changed', () => {
  const own = { name: 'w', like: 'x', like_name: 'Comfrey, fresh', percent: { N: 0.5, K: 1 } };
  const kept = own as unknown as Setup['materials'][number];
  expect(materialLine(kept)).toBe('like comfrey, fresh · N 0.5 % · K 1 %');
  expect(materialAnswers(kept)).toEqual({ name: 'w', like: 'x', N: '0.5', K: '1' });
});

test('evenings are asked for once, and kept as habits of the garden', async () => {
  answers['POST /api/garden/feeding'] = WRITTEN;
  const [desk, first] = begun();
  expect(await first.submit(desk, 6, { evenings: 'two' })).toBeNull();
  expect([wrote().at(-1), last()]).toEqual(['/api/garden/feeding', { evenings: ['tue', 'fri'] }]);
  await first.submit(desk, 6, { evenings: 'watering' });
  expect(last()).toEqual({ evenings: [], rhythm: 'every_watering' });
});
