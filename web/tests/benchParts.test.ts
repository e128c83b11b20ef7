import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import EachBox from '../src/desks/bench/EachBox.svelte';
import OverCap from '../src/desks/bench/OverCap.svelte';
import WayBoxes from '../src/desks/bench/WayBoxes.svelte';
import ClaimSheet from '../src/desks/shelf/ClaimSheet.svelte';
import KindMark from '../src/ui/KindMark.svelte';
import { newId } from '../src/ui/ids';
import { emptied, mounted } from './mounted';
import { answering, refusing } from './page';

afterEach(emptied);

beforeEach(() => {
  garden.path = null;
});

const WAYS = {
  parts: { shown: '1 + 499', said: '1 + 499' },
  can: { shown: '18', said: '18 mL' },
  per_litre: { shown: '2', said: '2 mL/L' },
  nitrogen: { shown: '92', said: 'N 92 mg/L' },
  ec: { shown: '1.1', said: 'EC 1.1 mS/cm' },
  label: null,
};
const bench = (more: object) =>
  ({ bench: { preview: { ways: WAYS, readings: [] }, ...more } }) as never;

test('over the cap it says how far, and what fits is typed in a press', async () => {
  const type = vi.fn();
  const advice = [
    { key: 'over_cap', severity: 'stop', title: 'Too strong', text: '28 % over' },
    { key: 'else', severity: 'care', title: 'Other', text: 'other' },
  ];
  const preview = { advice, cap: { strongest: '1 + 260' } };
  const shown = mounted(OverCap, bench({ preview, type }));
  expect(shown.all('[role=alert]')[0]?.textContent).toContain('28 % over');
  expect(shown.words).not.toContain('Other');
  await shown.press('Make it 1 + 260');
  expect(type).toHaveBeenCalledWith('parts', '1 + 260');
  expect(mounted(OverCap, bench({ preview: { advice: [], cap: null } })).words).toBe('');
});

test('each way says the same can, and a rate of the label only where there is one', () => {
  const shown = mounted(WayBoxes, bench({ typed: null, problem: null }));
  const values = shown.all('input').map((one) => (one as HTMLInputElement).value);
  expect(values).toEqual(['1 + 499', '18', '2', '92', '1.1']);
});

test('what was typed stays in its box beside the sentence about it', () => {
  const problem = { field: 'strength', message: 'Read “plenty”; write 1 + 200.', status: 422 };
  const typed = { way: 'parts', text: 'plenty' };
  const shown = mounted(WayBoxes, bench({ typed, problem, typing: false }));
  const [box] = shown.all('input') as HTMLInputElement[];
  expect([box?.value, box?.getAttribute('aria-invalid')]).toEqual(['plenty', 'true']);
  const told = document.getElementById(box?.getAttribute('aria-describedby') ?? '');
  expect(told?.textContent).toContain('Read “plenty”; write 1 + 200.');
});

test('how much each gets goes by steps that suit it, and never to nothing', async () => {
  const work = vi.fn();
  const one = { litres: 0.2, litresSaid: '', work, problem: null, typing: false };
  const shown = mounted(EachBox, { bench: one } as never);
  shown.all('button')[0]?.click();
  expect(one.litresSaid).toBe('0.19 L');
  expect(work).toHaveBeenCalledOnce();
  one.litres = 0.01;
  one.litresSaid = '';
  mounted(EachBox, { bench: one } as never)
    .all('button')[0]
    ?.click();
  expect(one.litresSaid).toBe('');
});

test('a claim is held against what can be, or its field is named', async () => {
  const step = { what: 'all of it', text: '0.02', unit: '%', source: 'table' };
  let found: unknown = { verdict: 'impossible', text: 'At most 0.02 %.', working: [step] };
  const asked = answering({ 'POST /api/claims': () => found });
  const shown = mounted(ClaimSheet, { open: true });
  shown.type('input', '3 % nitrogen in rinse water');
  await shown.press('Check it');
  expect(asked[0]?.body).toMatchObject({ claim: '3 % nitrogen in rinse water', brew_id: null });
  expect(shown.words).toContain('It cannot be At most 0.02 %.');
  found = refusing('claim');
  await shown.press('Check it');
  expect(shown.words).toContain('Read “x”; a number would do.');
});

test('each kind has a shape and a tone of its own, and one not known yet is calm', () => {
  const drawn = ['flush', 'water', 'look', 'feed', 'dress', 'wait', 'enough', 'rest'].map(
    (kind) => mounted(KindMark, { kind }).all('svg')[0]?.outerHTML,
  );
  expect(new Set(drawn).size).toBe(8);
  const unknown = mounted(KindMark, { kind: 'shade' }).all('svg')[0];
  expect(unknown?.getAttribute('class')).toContain('calm');
});

test('an id is made where the page has no secure context', () => {
  const getRandomValues = crypto.getRandomValues.bind(crypto);
  vi.stubGlobal('crypto', { getRandomValues });
  const made = [newId(), newId()];
  vi.unstubAllGlobals();
  expect(new Set(made).size).toBe(2);
  for (const id of made) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab]/);
});
