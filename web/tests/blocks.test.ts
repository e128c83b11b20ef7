import { afterEach, expect, test } from 'vitest';
import AskBlock from '../src/desks/round/AskBlock.svelte';
import Beside from '../src/desks/round/Beside.svelte';
import DressBlock from '../src/desks/round/DressBlock.svelte';
import DueBlock from '../src/desks/round/DueBlock.svelte';
import FlushBlock from '../src/desks/round/FlushBlock.svelte';
import MoveOnSheet from '../src/desks/round/MoveOnSheet.svelte';
import Waits from '../src/desks/round/Waits.svelte';
import { may } from '../src/ui/may.svelte';
import { emptied, mounted } from './mounted';
import { answering, refusing, WRITTEN } from './page';

afterEach(emptied);

const PLACE = { at: 0, fill_id: 'fill', place_id: 'tub', subject_id: 'drain', name: 'Tub 2' };
const AFTER = { stops: [], zone: 'UTC' };

test('anything due says what, whose it is and why', () => {
  const due = {
    ...PLACE,
    who: '4 chillies',
    kind: 'shade',
    title: 'shade',
    headline: 'Move it into the shade.',
    reason: '35 °C on the wall.',
  };
  const shown = mounted(DueBlock, { due });
  expect(shown.words).toBe('Tub 2: shade Move it into the shade. 35 °C on the wall. See it');
  expect(shown.all('section')[0]?.getAttribute('aria-label')).toBe('Tub 2: shade');
});

const FLUSH = {
  ...PLACE,
  who: '4 aubergines',
  headline: 'Flush first: rain butt, three pours of 6 L. No feed today.',
  reason: 'The run-off reads about 4.6.',
  line: 'The run-off reads about 4.6.',
  button: 'Pour 6 L of rain butt, 1 of 3',
  water_id: 'butt',
  water: 'rain butt',
  title: 'flush',
  plan: {
    each_l: 6,
    each_text: '6 L',
    goes: 3,
    read_after: 2,
    aim_text: '2.1',
    after_text: '1.8 to 2.4',
  },
  litres: 6,
  flushes: true,
  working: [],
};

test('a flush is poured in one press, and says when it is read', async () => {
  const asked = answering({ 'POST /api/waterings': WRITTEN, 'GET /api/path': AFTER });
  const shown = mounted(FlushBlock, { flush: FLUSH });
  expect(shown.words).toContain('Tub 2: flush The run-off reads about 4.6.');
  await shown.press('Pour 6 L of rain butt, 1 of 3');
  expect(asked[0]?.body).toMatchObject({ fill_id: 'fill', water_id: 'butt', flush: true });
});

test('who only looks reads how much, since no button says it', () => {
  may.write = false;
  const shown = mounted(FlushBlock, { flush: FLUSH });
  expect(shown.words).toContain('three pours of 6 L');
  may.write = true;
});

test('a pour that is refused says so beside its button', async () => {
  answering({ 'POST /api/waterings': () => refusing('litres') });
  const shown = mounted(FlushBlock, { flush: { ...FLUSH, plan: null } });
  await shown.press('Pour 6 L');
  expect(shown.words).toContain('Read “x”; a number would do.');
});

const LOOK = {
  ...PLACE,
  planting_id: 'planting',
  first: true,
  question: {
    about: 'stage',
    what: 'Is it in flower yet?',
    mark: 'look: flowers?',
    after: [
      { answer: 'in leaf', kind: 'wait', leads_to: 'wait' },
      { answer: 'in flower', kind: 'feed', leads_to: 'feed' },
    ],
    stand_id: 'stand',
    yes: 'flowering',
    no: 'vegetative',
  },
};

const ASKED = { at: 0, what: LOOK.question.what, about: 'stage', looks: [LOOK] };

test('a question is answered in a press', async () => {
  const asked = answering({
    'POST /api/plantings/planting/stage': WRITTEN,
    'GET /api/path': AFTER,
  });
  const shown = mounted(AskBlock, { asked: ASKED });
  expect(shown.words).toContain('Tub 2: Is it in flower yet?');
  expect(shown.buttons()).toEqual(['Yes, Tub 2', 'Not yet, Tub 2', 'Other, Tub 2']);
  await shown.press('Yes');
  expect(asked[0]?.body).toMatchObject({ stage: 'flowering' });
});

test('of several stops it is one card, and not yet is said to all', async () => {
  const asked = answering({
    'POST /api/plantings/planting/stage': WRITTEN,
    'POST /api/plantings/melon/stage': WRITTEN,
    'GET /api/path': AFTER,
  });
  const melon = { ...LOOK, name: 'Melon', fill_id: 'frame', planting_id: 'melon' };
  const several = { ...ASKED, what: 'Flower yet?', looks: [LOOK, melon] };
  const shown = mounted(AskBlock, { asked: several });
  expect(shown.words).toContain('Flower yet? Tub 2');
  await shown.press('Not yet to all');
  const said = asked.filter((one) => one.method === 'POST').map((one) => one.body?.stage);
  expect(said).toEqual(['vegetative', 'vegetative']);
});

test('a drain in doubt asks for a reading', () => {
  const asked = { ...ASKED, about: 'drain', what: 'Read the run-off first' };
  const shown = mounted(AskBlock, { asked });
  expect(shown.words).toContain('Tub 2: Read the run-off first');
  expect(shown.buttons()).toEqual(['Read it, Tub 2']);
});

test('a brew is stirred here; what asks for more leads to its page', async () => {
  const asked = answering({ 'POST /api/brews/nettle/steps': WRITTEN, 'GET /api/path': AFTER });
  const stir = {
    id: 'nettle',
    of: 'brew' as const,
    name: 'Nettle soak',
    kind: 'stir',
    words: 'stir it',
  };
  const strain = {
    id: 'comfrey',
    of: 'brew' as const,
    name: 'Comfrey',
    kind: '',
    words: 'strain it',
  };
  const shown = mounted(Beside, { shed: [stir, strain], ...NO_MORE });
  expect(shown.all('a')[0]?.getAttribute('href')).toBe('/shelf/brew?brew=comfrey');
  await shown.press('Nettle soak');
  expect(asked[0]?.body).toMatchObject({ kind: 'stir' });
});

const NO_MORE = { raising: [], grounds: [], media: [], trials: [] };

test('hardening off is begun for all in a tick, or put off for a week', async () => {
  const asked = answering({ 'POST /api/raising': WRITTEN, 'GET /api/path': AFTER });
  const harden = {
    kind: 'harden' as const,
    planting_ids: ['basil', 'lettuce'],
    place_ids: ['sill'],
    stand_id: 'stand',
    title: 'Harden off: basil and lettuces',
    line: '10 days, then out about 24 July.',
    count: 8,
    litres: 0,
    jar_id: null,
    hole: '',
    said: '',
  };
  const shown = mounted(Beside, { shed: [], ...NO_MORE, raising: [harden] });
  await shown.press('Harden off');
  expect(asked[0]?.body).toMatchObject({ planting_ids: ['basil', 'lettuce'], step: 'harden' });
  await shown.press('not now');
  await shown.press('Ask in a week');
  expect(asked.filter((one) => one.method === 'POST').at(-1)?.body).toMatchObject({
    step: 'later',
  });
});

test('planted out with what each hole gets, or without it', async () => {
  const asked = answering({ 'POST /api/stands/stand/out': WRITTEN, 'GET /api/path': AFTER });
  const out = {
    kind: 'plant_out' as const,
    planting_ids: ['kale'],
    place_ids: ['sill'],
    stand_id: 'stand',
    title: 'Plant out: 12 kale plants',
    line: '2 teaspoons of pellets in each hole.',
    count: 12,
    litres: 0,
    jar_id: 'pellets',
    hole: '2 teaspoons of pellets in each hole.',
    said: '9 g each',
  };
  const grounds = [{ fill_id: 'bed', name: 'Wall bed' }];
  const shown = mounted(MoveOnSheet, { raising: out, grounds, media: [], open: true });
  await shown.press('Planted out');
  expect(asked.find((one) => one.method === 'POST')?.body).toMatchObject({
    fill_id: 'bed',
    count: 12,
    jar_id: 'pellets',
    said: '9 g each',
  });
});

test('a slow feed is spread in one press, all of it', async () => {
  const asked = answering({ 'POST /api/dressings': WRITTEN, 'GET /api/path': AFTER });
  const portion = { jar_id: 'pellets', text: '90 g of pellets, 21 g/m2' };
  const dress = { ...PLACE, stand_id: 'stand', who: 'chard', portion, grams: 90, reason: 'Low.' };
  const shown = mounted(DressBlock, { dress } as never);
  expect(shown.words).toContain('Tub 2: 90 g of pellets, 21 g/m2');
  await shown.press('Spread');
  expect(asked[0]?.body).toMatchObject({ stand_id: 'stand', said: '90 g', whole: true });
});

test('what waits says why, a line for a reason; what has to be got is not folded', () => {
  const stops = ['Tub 1', 'Tub 2', 'Step'].map((name) => ({ place_id: name, name, who: '' }));
  const quiet = { kind: 'enough', title: 'Three stops', why: 'Enough.', to_get: false, stops };
  const wanting = { ...quiet, title: 'Tub 4', why: 'Get a tomato feed.', to_get: true };
  const shown = mounted(Waits, { waits: [quiet, wanting], leaves: 'Leaves: open till 9.' });
  expect(shown.all('details')[0]?.textContent).toContain('Nothing today for 3');
  expect(shown.words).toContain('Three stops: Enough. Tub 1, Tub 2, Step Leaves: open till 9.');
  expect(shown.all('p')[0]?.textContent).toContain('Get a tomato feed.');
  expect(mounted(Waits, { waits: [], leaves: '' }).words).toBe('');
});
