import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import { COUNTRIES, likelyCountry } from '../src/desks/setup/countries';
import type { Choices, Setup } from '../src/desks/setup/forms';
import { jarAnswers, waterAnswers } from '../src/desks/setup/given';
import { jarForm } from '../src/desks/setup/jarForms';
import { moveForm } from '../src/desks/setup/moveForms';
import { plantingForm } from '../src/desks/setup/plantingForm';
import {
  notNumbers,
  stepOf,
  unanswered,
  withDefaults,
  type Answers,
  type Form,
  type Step,
} from '../src/desks/setup/questions';
import { penForm } from '../src/desks/setup/supplyForms';
import { waterForm } from '../src/desks/setup/waterForms';
import { whereForm } from '../src/desks/setup/whereForm';
import { brewBody, fromRecipe } from '../src/desks/shelf/brewForm';
import { answering, WRITTEN, type Asked } from './page';

const SETUP = {
  garden: {
    name: 'Yard',
    zone: 'UTC',
    latitude: 52,
    approach: 'mixed',
    climate: '',
    measures: 'us',
  },
  waters: [
    { id: 'rain', name: 'butt', kind: 'rain' },
    { id: 'tap', name: 'tap', kind: 'read' },
  ],
} as unknown as Setup;
const CROPS = {
  crops: [{ key: 'tomato', name: 'Tomato', stages: [{ key: 'seedling', cue: 'c', words: 'w' }] }],
} as unknown as Choices;
let asked: Asked[] = [];

beforeEach(async () => {
  asked = answering({
    'GET /api/path': { now: '2026-07-14T23:30:00Z', zone: 'Pacific/Auckland', stops: [] },
    'PUT /api/jars/j': WRITTEN,
    'PUT /api/waters/w': WRITTEN,
    'PUT /api/pens/p': WRITTEN,
    'PUT /api/garden': WRITTEN,
    'POST /api/plantings': WRITTEN,
    'POST /api/stands/s/move': WRITTEN,
  });
  await garden.load();
});

/** What is sent when everything else is left as it stands. */
async function sent(form: Form, answers: Answers): Promise<Record<string, unknown>> {
  const reply = await form.save(withDefaults(form.steps(answers), answers));
  expect(reply.problem).toBeUndefined();
  return asked.at(-1)?.body ?? {};
}
const asks = (steps: Step[]) => steps.flatMap((step) => step.questions.map((one) => one.key));

test('usual answers stand where nothing was said', () => {
  const steps = [
    {
      title: '',
      questions: [
        { key: 'a', label: '', usual: '9 L' },
        { key: 'b', label: '' },
      ],
    },
  ];
  expect(withDefaults(steps, { c: 'kept' })).toEqual({ a: '9 L', b: '', c: 'kept' });
  expect(withDefaults(steps, { a: '' }).a).toBe('');
});

test('the first question without an answer is found, but not where it may stay empty', () => {
  const step = {
    title: '',
    questions: [
      { key: 'a', label: '', optional: true },
      { key: 'b', label: '' },
    ],
  };
  expect(unanswered(step, {})?.key).toBe('b');
  expect(unanswered({ ...step, optional: true }, {})).toBeUndefined();
  expect(unanswered(step, { b: ' ' })?.key).toBe('b');
});

test('a fault leads to the step that asked, else to the last', () => {
  const steps = ['a', 'b', 'c'].map((key) => ({ title: '', questions: [{ key, label: '' }] }));
  expect([stepOf(steps, 'b'), stepOf(steps, 'elsewhere')]).toEqual([1, 2]);
});

test('what is no number is said by its field', () => {
  expect(notNumbers({ Mg: '1,5', ph: '' }, ['Mg', 'ph', 'none'])).toBeNull();
  expect(notNumbers({ Mg: 'some' }, ['Mg'])?.problem).toMatchObject({
    field: 'Mg',
    read: '“some”',
  });
});

test('a liquid jar is not asked how it dissolves, a dry one is', () => {
  const form = jarForm('j');
  expect(asks(form.steps({ form: 'liquid' }))).not.toContain('dissolves');
  expect(asks(form.steps({ form: 'solid' }))).toContain('dissolves');
});

test('a jar is sent with what its label says and no more', async () => {
  const body = await sent(jarForm('j'), {
    name: 'Feed',
    grade: '4-3-8',
    nitrate: '1,5',
    Mg: '0.6',
  });
  expect(body).toMatchObject({
    grade: '4-3-8',
    basis: 'oxide',
    percent: 'mass',
    nitrogen: { nitrate: 1.5 },
    also: { Mg: 0.6 },
    density_g_per_ml: null,
    use_by: null,
    dissolves: true,
  });
});

test('a jar is edited from what stands', () => {
  const jar = {
    form: 'solid',
    holds: 1000,
    unit: 'g',
    rate_per_l: 2,
    nitrogen: { urea: 3 },
    also: { Mg: 1 },
    price: null,
    dissolves: false,
  } as unknown as Setup['jars'][number];
  expect(jarAnswers(jar)).toMatchObject({
    pack: '1000 g',
    rate: '2 g/L',
    urea: '3',
    Mg: '1',
    price: '',
    dissolves: 'no',
  });
});

test('a blend of waters is sent in shares and comes back as one', async () => {
  const answers = { kind: 'blend', name: 'both', one: 'rain', other: 'tap', share: '70' };
  const body = await sent(waterForm(SETUP, 'w'), answers);
  expect(body).toMatchObject({ parts: { rain: 70, tap: 30 }, report: null, ec_ms_cm: null });
  const water = { kind: 'blend', name: 'both', ec_ms_cm: 0.31234, parts: { rain: 0.7, tap: 0.3 } };
  expect(waterAnswers(water as unknown as Setup['waters'][number])).toMatchObject({
    one: 'rain',
    other: 'tap',
    share: '70',
    ec_ms_cm: '0.312',
  });
});

test('of a report only what it has is sent', async () => {
  const body = await sent(waterForm(SETUP, 'w'), {
    kind: 'report',
    Ca: '90',
    alkalinity_caco3: '220',
  });
  expect(body.report).toEqual({ Ca: 90, alkalinity_caco3: 220 });
});

test('a pen has usual figures', async () => {
  expect(await sent(penForm('p'), {})).toMatchObject({
    scale: 'mS/cm',
    compensates: true,
    most_ms_cm: 10,
    step_ms_cm: 0.01,
  });
});

test('the country gives latitude, hours and measures', async () => {
  const body = await sent(whereForm(SETUP), { country: 'New Zealand' });
  expect(body).toMatchObject({ latitude: -41, zone: 'Pacific/Auckland', degrees: 'C' });
  const far = await sent(whereForm(SETUP), { country: 'elsewhere', latitude: '-1,5' });
  expect(far.latitude).toBe(-1.5);
});

test('the device’s zone tells the country', () => {
  expect(likelyCountry('America/New_York')?.name).toBe('United States');
  expect(likelyCountry('Pacific/Fiji')?.name).toBe('New Zealand');
  expect(likelyCountry('Antarctica/Troll')).toBeUndefined();
  for (const one of COUNTRIES) expect(Math.abs(one.latitude)).toBeLessThan(60);
});

test('where grows what is asked only where there is a choice', () => {
  const fills = [
    { value: 'a', name: 'a' },
    { value: 'b', name: 'b' },
  ];
  expect(asks(plantingForm(CROPS, fills).steps({}))).toContain('fill_id');
  expect(asks(plantingForm(CROPS, fills.slice(1)).steps({}))).not.toContain('fill_id');
});

test('a planting keeps its ids when it is sent again', async () => {
  const form = plantingForm(CROPS, [{ value: 'a', name: 'a' }]);
  const first = await sent(form, { count: '3' });
  expect(await sent(form, { count: '3' })).toEqual(first);
  expect(first).toMatchObject({ fill_id: 'a', crop: 'tomato', count: 3, stage: 'seedling' });
  expect(first.started_on).toBe('2026-07-15');
});

test('all of them move unless fewer are said', async () => {
  const stand = {
    id: 's',
    counted: '4 leeks',
    count: 4,
  } as Setup['places'][number]['stands'][number];
  const form = moveForm(stand, [{ value: 'bed', name: 'bed' }]);
  expect(await sent(form, {})).toMatchObject({ count: 4, fill_id: 'bed' });
  const wrong = await form.save({ count: 'most' });
  expect(wrong.problem?.field).toBe('count');
});

test('a recipe is begun from as it was kept', () => {
  const part = (material: string, own_id: string | null) => ({
    material,
    own_id,
    amount: '500 g',
    particle: 'chopped_fine',
  });
  const recipe = {
    method_key: 'acid_extract',
    volume_l: 2,
    acid_percent: 6,
    handling: ['bubbled', 'mesh_bag'],
    name: 'Shells',
    ingredients: [part('eggshell', null), part('', 'mine'), part('kelp', null)],
  } as unknown as Parameters<typeof fromRecipe>[0];
  const asked = brewBody(fromRecipe(recipe, null));
  if (!('body' in asked)) throw new Error('refused');
  expect(asked.body).toMatchObject({
    liquid: '2 L',
    acid_percent: 6,
    handling: ['bubbled', 'mesh_bag'],
    temperature_c: 16,
  });
  expect(asked.body.ingredients.map((one) => [one.material, one.own_id])).toEqual([
    ['eggshell', null],
    ['comfrey_fresh', 'mine'],
    ['kelp', null],
  ]);
});

test('only an acid has a strength', () => {
  const soak = brewBody({
    method: 'anaerobic_ferment',
    acid_percent: '5',
    material: 'nettle_fresh',
  });
  expect('body' in soak && soak.body.acid_percent).toBe(0);
  const wrong = brewBody({ temperature_c: 'warm' });
  expect('problem' in wrong && wrong.problem.field).toBe('temperature_c');
});
