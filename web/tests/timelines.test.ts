import { expect, test } from 'vitest';
import type { Schemas } from '../src/api/client';
import { bookTable, poursOf, readsOf, spanOf, trailsOf } from '../src/charts/book';
import { instantsOf, mostOf, rootTable, runsOf } from '../src/charts/roots';
import { inOrder, verdict } from '../src/desks/place/roots';
import {
  bandsOf,
  daysBetween,
  dropSize,
  seasonTable,
  type Strip,
} from '../src/desks/season/strips';

const CHART = {
  first: '2026-07-06',
  today: 8,
  axis: 'what drains, mS/cm',
  likely: Array.from({ length: 15 }, (_, day) => 1 + day / 10),
  low: Array.from({ length: 15 }, () => 0.8),
  high: Array.from({ length: 15 }, () => 2.4),
  comfort_low: Array.from({ length: 15 }, (_, day) => (day < 5 ? 1 : 1.3)),
  comfort_high: Array.from({ length: 15 }, (_, day) => (day < 5 ? 2 : day < 12 ? 2.6 : null)),
  rain_mm: Array.from({ length: 15 }, () => 0),
  dots: [{ id: 'a', day: 6.8, ec: 3.2, title: '', hollow: false }],
  poured: [{ day: 1, title: '9 L at 1 + 280', kind: 'feed', amount: 400 }],
} as unknown as Schemas['RootChartOut'];

test('days of the root chart lie a day apart at noon', () => {
  const at = instantsOf('2026-03-28');
  expect(new Date(at(0)).toISOString()).toBe('2026-03-28T12:00:00.000Z');
  expect(at(2) - at(1)).toBe(86_400_000);
});

test('the axis holds the highest dot', () => {
  expect(mostOf(CHART)).toBeCloseTo(3.2 * 1.12);
});

test('comfort is drawn as one step for days alike', () => {
  expect(runsOf(CHART)).toEqual([
    { from: 0, to: 4, low: 1, high: 2 },
    { from: 5, to: 11, low: 1.3, high: 2.6 },
  ]);
});

test('the table of roots has today, the reading and what was poured', () => {
  const { head, rows } = rootTable(CHART);
  expect(head[1]).toBe('what drains, mS/cm');
  expect(rows.map((row) => row[0])).toEqual(['7 July', '12 July', '14 July, today']);
  expect(rows[0]?.[4]).toBe('9 L at 1 + 280');
  expect(rows[1]).toEqual(['12 July', '1.6', '0.8 to 2.4', '1.3 to 2.6', 'read 3.20']);
});

const read = (id: string, at: string, ec: number, stop: string) => ({ id, at, ec_ms_cm: ec, stop });
const BOOK = {
  doses: [
    {
      id: 'dose',
      at: '2026-07-07T18:00:00Z',
      stop: 'tub 2',
      ratio: '1 + 280',
      litres: '9',
      expected: '1.26',
      mg_l: { N: '120' },
      readings: [read('can', '2026-07-07T18:05:00Z', 1.3, 'tub 2')],
    },
  ],
  readings: [
    read('late', '2026-07-12T19:00:00Z', 3.2, 'tub 2'),
    read('early', '2026-07-05T19:00:00Z', 2.9, 'tub 2'),
  ],
  others: [],
} as unknown as Schemas['NotebookOut'];

test('a dose carries the nitrogen of its litres', () => {
  expect(poursOf(BOOK)[0]).toMatchObject({ nitrogen: 1080, ec: 1.26 });
});

test('what drains from one stop is joined in the order of time', () => {
  const trails = trailsOf(readsOf(BOOK));
  expect(trails.map((trail) => trail.reads.map((one) => one.id))).toEqual([['early', 'late']]);
});

test('the span leaves room at both ends', () => {
  const span = spanOf(poursOf(BOOK), readsOf(BOOK));
  expect(span.from).toBeLessThan(Date.parse('2026-07-05T19:00:00Z'));
  expect(span.to).toBeGreaterThan(Date.parse('2026-07-12T19:00:00Z'));
  expect(span.most).toBeCloseTo(3.2 * 1.12);
});

test('the table of the notebook is newest first, in the garden’s own hours', () => {
  const { rows } = bookTable(poursOf(BOOK), readsOf(BOOK), 'Europe/London');
  expect(rows.map((row) => row[1])).toEqual([
    'tub 2',
    'the can for tub 2',
    '9 L on tub 2, 1 + 280',
    'tub 2',
  ]);
  expect(rows[0]?.[0]).toMatch(/12 July, 20:00/);
});

const stage = (key: string, likely: string, low: string, high: string, seen = false) =>
  ({ key, words: `in ${key}`, likely, low, high, seen }) as Schemas['StageBandOut'];
const STAGES = [
  stage('vegetative', '2026-06-01', '2026-06-01', '2026-06-01', true),
  stage('flowering', '2026-07-01', '2026-06-26', '2026-07-06'),
  stage('harvest', '2026-08-20', '2026-08-10', '2026-09-01'),
];
const june = (date: string) => daysBetween('2026-06-01', date) * 10;

test('stages fill the strip from start to start', () => {
  const bands = bandsOf(STAGES, null, june, 600);
  expect(bands.map((band) => [band.key, band.from, band.to])).toEqual([
    ['vegetative', 0, 300],
    ['flowering', 300, 600],
  ]);
  expect(bands[0]?.title).toContain('seen');
  expect([bands[1]?.low, bands[1]?.high]).toEqual([250, 350]);
});

test('a crop that ended has no strip beyond', () => {
  const bands = bandsOf(STAGES, '2026-07-11', june, 600);
  expect(bands.at(-1)?.to).toBe(400);
});

test('a word stands only where there is room for it', () => {
  const words = bandsOf(STAGES, null, (date) => june(date) / 8, 75).map((band) => band.words);
  expect(words).toEqual(['', '']);
});

test('a gift’s area is in step with its nitrogen', () => {
  const grown = (share: number) => dropSize(share, 1) - dropSize(0, 1);
  expect(grown(1) / grown(0.25)).toBeCloseTo(2);
  expect(dropSize(3, 0)).toBe(dropSize(0, 1));
});

test('the season as a table tells seen from expected', () => {
  const strip = { crop: 'Tomato', place: 'tub', stages: STAGES, drops: [] } as unknown as Strip;
  const { rows } = seasonTable([strip], []);
  expect(rows[0]).toEqual(['Tomato, tub', 'in vegetative', 'seen 1 Jun']);
  expect(rows[1]?.[2]).toBe('expected 1 Jul, 26 Jun to 6 Jul');
});

const line = (name: string, kind: string, flush_l = 0) =>
  ({ name, kind, flush_l, flush_water: 'rain butt' }) as unknown as Schemas['RootLineOut'];

test('salt comes first, then what is fed, then what has enough', () => {
  const all = [line('a', 'enough'), line('b', 'flush', 12), line('c', 'feed'), line('d', 'look')];
  const rows = inOrder(all);
  const names = [rows.wanting, rows.given, rows.waiting].map((part) => part.map((one) => one.name));
  expect(names).toEqual([['b', 'd'], ['c'], ['a']]);
});

test('one sentence about all roots', () => {
  expect(verdict([])).toBe('');
  expect(verdict([line('a', 'rest')])).toBe('No roots want water or a reading first.');
  const all = [line('a', 'flush', 12), line('b', 'water'), line('c', 'flush', 8.4)];
  expect(verdict([...all, line('d', 'feed')])).toBe(
    '3 want water or a reading before any feed. Flushing takes about 20 L from the rain butt. 1 to be fed.',
  );
});
