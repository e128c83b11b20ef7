import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { garden, type Verdict } from '../src/app/garden.svelte';
import PlainBar from '../src/desks/bench/PlainBar.svelte';
import VerdictBox from '../src/desks/bench/VerdictBox.svelte';
import VerdictFacts from '../src/desks/bench/VerdictFacts.svelte';
import { emptied, mounted } from './mounted';
import { answering, WRITTEN } from './page';

afterEach(emptied);
beforeEach(() => {
  garden.path = null;
  vi.spyOn(garden, 'spot', 'get').mockReturnValue({
    fill_id: 'fill',
    subject_id: 'drain',
  } as typeof garden.spot);
});

const FLUSH = {
  kind: 'flush',
  headline: 'Flush first: rain butt, three pours of 6 L.',
  reason: 'The run-off reads about 4.6.',
  button: 'Pour 6 L of rain butt, 1 of 3',
  water_id: 'butt',
  water: 'rain butt',
  litres: 6,
  flush: { each_text: '6 L', goes: 3, read_after: 1, aim_text: '2.1', after_text: '1.8 to 2.4' },
  question: null,
  basis: [{ what: 'reading', text: 'read 4.6', age: 'today' }],
  working: [],
  next_on: '2026-07-15',
} as unknown as Verdict;
const nothing = () => undefined;
const sides = { onlook: nothing, ondress: nothing, onanyway: nothing };

test('a flush is drawn pour by pour, with the reading after the first', () => {
  const shown = mounted(VerdictBox, {
    verdict: FLUSH,
    plantingOf: () => '',
    subjectId: 'drain',
    asks: true,
    onlook: nothing,
  });
  const rows = shown.all('li').map((one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim());
  expect(rows).toEqual(['1st pour6 L', 'then readaim 2.1', '2nd pour6 L', '3rd pour6 L']);
  expect(shown.words).toContain('It should read 1.8 to 2.4 then.');
});

test('its one button pours the next go, as a flush', async () => {
  const asked = answering({
    'POST /api/waterings': WRITTEN,
    'GET /api/path': { stops: [], zone: 'UTC' },
  });
  const shown = mounted(PlainBar, { verdict: FLUSH, ...sides });
  await shown.press('Pour 6 L of rain butt, 1 of 3');
  const sent = { fill_id: 'fill', water_id: 'butt', flush: true };
  expect(asked.find((one) => one.method === 'POST')?.body).toMatchObject(sent);
});

test('what is looked at first opens what answers it, and a dressing its own', async () => {
  const onlook = vi.fn();
  const question = { about: 'stage', what: 'Flowers yet?' };
  const look = { ...FLUSH, kind: 'look', button: 'Look', question } as unknown as Verdict;
  await mounted(PlainBar, { verdict: look, ...sides, onlook }).press('Look');
  expect(onlook).toHaveBeenCalledOnce();
  const ondress = vi.fn();
  const dress = { ...FLUSH, kind: 'dress', button: 'Spread 90 g' } as Verdict;
  await mounted(PlainBar, { verdict: dress, ...sides, ondress }).press('Spread 90 g');
  expect(ondress).toHaveBeenCalledOnce();
});

test('where nothing is asked for, water and a feed all the same stay at hand', () => {
  const enough = { ...FLUSH, kind: 'enough', button: '', flush: null } as Verdict;
  expect(mounted(PlainBar, { verdict: enough, ...sides }).buttons()).toEqual([
    'Read the run-off',
    'Pour 6 L of rain butt',
    'Write down a feed anyway',
  ]);
});

test('the next day stands among the facts, but for what is done today', () => {
  const facts = (kind: string) =>
    mounted(VerdictFacts, { verdict: { ...FLUSH, kind } as Verdict, reads: '0.06' }).words;
  expect(facts('enough')).toContain('look again');
  expect(facts('flush')).not.toContain('look again');
  expect(facts('flush')).toContain('reading read 4.6, today');
});
