import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import type { Choices, Setup } from '../src/desks/setup/forms';
import { jarAnswers, waterAnswers } from '../src/desks/setup/given';
import { jarForm } from '../src/desks/setup/jarForms';
import { mendForm, moveForm } from '../src/desks/setup/moveForms';
import { plantingForm } from '../src/desks/setup/plantingForm';
import {
  notNumbers,
  stepOf,
  typed,
  unanswered,
  withDefaults,
  type Answers,
  type Form,
  type Step,
} from '../src/desks/setup/questions';
import { penForm } from '../src/desks/setup/supplyForms';
import { waterForm } from '../src/desks/setup/waterForms';
import { likelyCountry, whereForm } from '../src/desks/setup/whereForm';
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
const country = (name: string, latitude: number, zone: string, climates: string[]) => ({
  name,
  latitude,
  zone,
  measures: 'metric',
  degrees: 'C',
  climates,
});
const PLACES = {
  climates: [
    { key: 'plains', name: 'Hard winters', like: 'the plains', latitude: 47 },
    { key: 'south', name: 'Mild winters', like: 'the south', latitude: 33 },
    { key: 'island', name: 'Cool and mild', like: 'the island', latitude: -41 },
  ],
  countries: [
    country('New Zealand', -41, 'Pacific/Auckland', ['island']),
    country('United States', 39, 'America/New_York', ['plains', 'south']),
  ],
} as unknown as Choices;
const CROPS = {
  stand_ins: [{ key: 'zinnia', name: 'a flower' }],
  crops: [
    {
      key: 'tomato',
      name: 'Tomato',
      also: [],
      stages: [{ key: 'seedling', cue: 'c', words: 'w' }],
    },
  ],
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
    'PUT /api/plantings/p': WRITTEN,
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
  expect(withDefaults(steps, { c: 'kept' })).toMatchObject({ a: '9 L', b: '', c: 'kept' });
  expect(withDefaults(steps, { a: '' }).a).toBe('');
});

test('an amount goes with what its box held before', () => {
  const steps = [{ title: '', questions: [{ key: 'a', label: '', usual: '9 L' }] }];
  const asked = withDefaults(steps, { a: '8' });
  expect(typed(asked, 'a')).toEqual({ text: '8', shown: '9 L' });
  expect(typed(withDefaults(steps, { a: '8' }, { a: '2 gal' }), 'a')).toMatchObject({
    shown: '2 gal',
  });
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
  const options = [{ value: '', name: 'not known' }];
  expect(unanswered({ title: '', questions: [{ key: 'c', label: '', options }] }, {})).toBe(
    undefined,
  );
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
    muriate: false,
    density_g_per_ml: null,
    use_by: null,
    dissolves: true,
  });
});

test('oxides are told apart from elements, and potash by what goes with it', async () => {
  const body = await sent(jarForm('j'), { name: 'P', grade: '0-0-60', Mg: '3,3 MgO', Ca: '5' });
  expect(body).toMatchObject({ also: { mgo: 3.3, Ca: 5 }, muriate: true });
  expect(asks(jarForm('j').steps({ grade: '4-3-8' }))).not.toContain('potash');
  const wrong = await jarForm('j').save({ Mg: '2 CaO' });
  expect(wrong.problem?.field).toBe('Mg');
});

test('a jar is edited from what stands', () => {
  const jar = {
    form: 'solid',
    pack_text: '1 kg',
    rate_text: '1 tbsp per gallon',
    nitrogen: { urea: 3 },
    also: { Mg: 1 },
    price: null,
    dissolves: false,
  } as unknown as Setup['jars'][number];
  expect(jarAnswers(jar)).toMatchObject({
    pack: '1 kg',
    rate: '1 tbsp per gallon',
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

test('the country gives latitude, hours, measures and the only climate that it has', async () => {
  const form = whereForm(SETUP, PLACES);
  const body = await sent(form, { country: 'New Zealand' });
  expect(body).toMatchObject({ latitude: -41, zone: 'Pacific/Auckland', climate: 'island' });
  expect(asks(form.steps({ country: 'New Zealand' }))).not.toContain('climate');
  const far = await sent(form, { country: 'elsewhere', latitude: '-1,5' });
  expect(far).toMatchObject({ latitude: -1.5, climate: '' });
});

test('of a large country the climate is asked, and tells the latitude', async () => {
  const form = whereForm(SETUP, PLACES);
  expect(asks(form.steps({ country: 'United States' }))).toContain('climate');
  const usual = await sent(form, { country: 'United States' });
  expect(usual).toMatchObject({ climate: 'plains', latitude: 47 });
  const south = await sent(form, { country: 'United States', climate: 'south' });
  expect(south).toMatchObject({ climate: 'south', latitude: 33 });
});

test('the device’s zone tells the country', () => {
  const { countries } = PLACES;
  expect(likelyCountry('America/New_York', countries)?.name).toBe('United States');
  expect(likelyCountry('Pacific/Fiji', countries)?.name).toBe('New Zealand');
  expect(likelyCountry('Antarctica/Troll', countries)).toBeUndefined();
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

test('what is in no list is set up as most like something', async () => {
  const form = plantingForm(CROPS, [{ value: 'a', name: 'a' }]);
  expect(asks(form.steps({ crop: 'other' }))).toContain('called');
  const body = await sent(form, { crop: 'other', called: 'Dahlia', like: 'zinnia' });
  expect(body).toMatchObject({ crop: 'zinnia', called: 'Dahlia' });
  expect(await sent(form, {})).toMatchObject({ crop: 'tomato', called: '' });
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

test('what has an own name can be called otherwise, and loses it with its kind', async () => {
  const stand = {
    planting_id: 'p',
    crop_key: 'zinnia',
    called: 'Dahlia',
    counted: '2 Dahlia',
    started_on: '2026-05-01',
  } as Setup['places'][number]['stands'][number];
  const form = mendForm(stand, CROPS);
  expect(asks(form.steps({}))).toContain('called');
  expect(await sent(form, { crop: 'zinnia', called: ' Oca ' })).toMatchObject({ called: 'Oca' });
  expect(await sent(form, { crop: 'tomato', called: 'Oca' })).toMatchObject({ called: '' });
  expect(asks(mendForm({ ...stand, called: '' }, CROPS).steps({}))).not.toContain('called');
});

const METHODS = {
  methods: [
    { key: 'acid_extract', liquid: 'vinegar' },
    { key: 'anaerobic_ferment', liquid: 'water' },
  ],
} as unknown as Parameters<typeof brewBody>[1];

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
  const asked = brewBody(fromRecipe(recipe, null), METHODS);
  if (!('body' in asked)) throw new Error('refused');
  expect(asked.body).toMatchObject({
    liquid: { text: '2 L', shown: '' },
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
  const soak = brewBody(
    {
      method: 'anaerobic_ferment',
      acid_percent: '5',
      material: 'nettle_fresh',
    },
    METHODS,
  );
  expect('body' in soak && soak.body.acid_percent).toBe(0);
  const wrong = brewBody({ temperature_c: 'warm' }, null);
  expect('problem' in wrong && wrong.problem.field).toBe('temperature_c');
});
