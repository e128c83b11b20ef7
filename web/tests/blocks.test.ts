import { afterEach, expect, test } from 'vitest';
import DressBlock from '../src/desks/round/DressBlock.svelte';
import DueBlock from '../src/desks/round/DueBlock.svelte';
import FlushBlock from '../src/desks/round/FlushBlock.svelte';
import LookBlock from '../src/desks/round/LookBlock.svelte';
import Waits from '../src/desks/round/Waits.svelte';
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
  expect(shown.words).toBe('Tub 2: shade 4 chillies Move it into the shade. 35 °C on the wall.');
  expect(shown.all('section')[0]?.getAttribute('aria-label')).toBe('Tub 2');
});

const FLUSH = {
  ...PLACE,
  who: '4 aubergines',
  headline: 'Flush first: rain butt, three pours of 6 L. No feed today.',
  reason: 'The run-off reads about 4.6.',
  button: 'Pour 6 L of rain butt, 1 of 3',
  water_id: 'butt',
  water: 'rain butt',
  title: 'flush, no feed',
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
  expect(shown.words).toContain('Tub 2: flush, no feed');
  expect(shown.words).toContain('One go of 6 L, then read: 2.1 or less is the aim.');
  expect(shown.words).toContain('Most likely 2 more.');
  await shown.press('Pour 6 L of rain butt, 1 of 3');
  expect(asked[0]?.body).toMatchObject({ fill_id: 'fill', water_id: 'butt', flush: true });
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

test('a look says what each answer leads to, and takes one in a press', async () => {
  const asked = answering({
    'POST /api/plantings/planting/stage': WRITTEN,
    'GET /api/path': AFTER,
  });
  const shown = mounted(LookBlock, { look: LOOK });
  expect(shown.words).toContain('in leaf: wait · in flower: feed');
  expect(shown.buttons()).toEqual(['Yes', 'Not yet', 'Something else']);
  await shown.press('Yes');
  expect(asked[0]?.body).toMatchObject({ stage: 'flowering' });
});

test('a drain in doubt asks for a reading', () => {
  const question = { ...LOOK.question, about: 'drain', what: 'Read the run-off first', no: '' };
  const shown = mounted(LookBlock, { look: { ...LOOK, question } });
  expect(shown.words).toContain('Read the run-off first.');
  expect(shown.buttons()).toEqual(['Write down a reading']);
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

test('what waits says why, and leads to its place; nothing waits in silence', () => {
  const wait = { place_id: 'tub', name: 'Tub 2', who: 'chard', why: 'Fed on Friday.' };
  const shown = mounted(Waits, { waits: [wait], leaves: 'open till 9' } as never);
  expect(shown.words).toContain('Tub 2 chard Fed on Friday. Leaf sprays open till 9');
  expect(shown.all('a')[0]?.getAttribute('href')).toBe('/bench?stop=tub');
  expect(mounted(Waits, { waits: [], leaves: '' }).words).toBe('');
});
