import { expect, test } from 'vitest';
import { lanesOf, lanesTable } from '../src/charts/lanes';
import MeasureSheet from '../src/desks/trials/MeasureSheet.svelte';
import { firstPair, photoAt, problemOf } from '../src/desks/looks/photos';
import {
  gainSpan,
  pairsOf,
  signed,
  twinsOf,
  withTwins,
  type Trial,
} from '../src/desks/trials/trials.svelte';
import { emptied, mounted } from './mounted';
import { answering, WRITTEN } from './page';

const stand = (stand_id: string, crop: string, fill_id: string, pots: number) => ({
  stand_id,
  fill_id,
  crop,
  pots,
  name: stand_id,
  who: '',
  fed: true,
});
const STANDS = [
  stand('tub', 'chilli', 'f1', 1),
  stand('fed', 'chilli', 'f2', 3),
  stand('unfed', 'chilli', 'f3', 3),
  stand('beside', 'chilli', 'f3', 3),
  stand('bean', 'bean', 'f4', 1),
];

test('a twin is of the same crop and shares no pot', () => {
  expect(twinsOf(STANDS, 'unfed').map((one) => one.stand_id)).toEqual(['tub', 'fed']);
  expect(twinsOf(STANDS, 'bean')).toEqual([]);
  expect(twinsOf(STANDS, 'nobody')).toEqual([]);
});

test('what has most pots is offered first, what has no twin never', () => {
  expect(withTwins(STANDS).map((one) => one.stand_id)).toEqual(['fed', 'unfed', 'beside', 'tub']);
});

const pot = (number: number, pair: number, fed: boolean, figure: number | null, left_out = '') => ({
  number,
  pair,
  fed,
  figure,
  left_out,
  figure_text: '',
});

test('only whole pairs that count are drawn', () => {
  const pots = [
    pot(1, 1, true, 12),
    pot(2, 1, false, 10),
    pot(3, 2, true, 9),
    pot(4, 2, false, null),
    pot(5, 3, false, 7, 'slugs'),
    pot(6, 3, true, 8, 'slugs'),
  ];
  expect(pairsOf({ pots, paired: true })).toEqual([{ name: 'pair 1', fed: 12, unfed: 10 }]);
  expect(pairsOf({ pots, paired: false })).toEqual([]);
});

test('no difference and what would be worth it are always in the picture', () => {
  for (const [gain, low, high] of [
    [9, -5, 22],
    [-40, -60, -20],
    [80, 70, 95],
    [-9, null, null],
  ] as const) {
    const [from, to] = gainSpan({ gain, low, high, worthwhile: 20 });
    expect(from).toBeLessThan(Math.min(0, low ?? gain));
    expect(to).toBeGreaterThan(Math.max(20, high ?? gain));
  }
});

test('a gain has its sign', () => {
  expect([signed(9.4), signed(-12), signed(0)]).toEqual(['+9 %', '−12 %', '+0 %']);
});

test('a file that cannot be a photo is told before it is sent', () => {
  const said = (size: number, type: string) => problemOf({ size, type })?.read;
  expect(said(30_000_000, 'image/jpeg')).toBe('30 MB');
  expect(said(0, 'image/jpeg')).toBe('an empty file');
  expect(said(10, 'text/plain')).toBe('no picture');
  expect(said(10, 'image/heic')).toBeUndefined();
  expect(said(10, '')).toBeUndefined(); // some phones do not say
});

test('the earliest and the latest photo stand side by side at first', () => {
  const photos = ['newest', 'between', 'oldest'].map((id) => ({ id }));
  expect(firstPair(photos)).toEqual(['oldest', 'newest']);
  expect(firstPair([])).toEqual(['', '']);
  expect(photoAt('a', 'small')).toBe('/api/photos/a?size=small');
});

const LANES = {
  weekly: false,
  lanes: [
    {
      key: 'set',
      name: 'fruit set',
      on: ['2026-06-19', '2026-06-26'],
      mean: [1.5, 5],
      low: [1, 5],
      high: [2, 5],
    },
    { key: 'colour', name: 'leaf colour', on: ['2026-06-26'], mean: [3], low: [3], high: [3] },
  ],
};

test('a lane runs from none at its foot to the best at its top', () => {
  const [set] = lanesOf(LANES);
  expect(set?.dots.map((one) => one.height)).toEqual([0.3, 1]);
  expect([set?.dots[0]?.low, set?.dots[0]?.high]).toEqual([0.2, 0.4]);
  expect(set?.dots[0]?.title).toBe('fruit set 1.5 of 5, 19 June');
});

test('as a table a day without a score stays empty', () => {
  expect(lanesTable(LANES).rows).toEqual([
    ['26 June', '5', '3'],
    ['19 June', '1.5', ''],
  ]);
});

test('figures of pots outlive the sheet, until they are written', async () => {
  const asked = answering({ 'POST /api/trials/t/measured': WRITTEN });
  const measure = { key: 'harvest_g', name: 'harvest', unit: 'g' };
  const pots = [1, 2].map((number) => ({ number, left_out: '' }));
  const trial = { id: 't', measure, also: [], pots } as unknown as Trial;
  const figures = () =>
    (mounted(MeasureSheet, { trial, open: true }).all('input') as HTMLInputElement[])
      .map((one) => one.value)
      .filter((value) => /^\d/.test(value));
  const shown = mounted(MeasureSheet, { trial, open: true });
  shown.type('input[inputmode=decimal]', '340');
  await emptied();
  expect(figures()).toEqual(['340']);
  const again = mounted(MeasureSheet, { trial, open: true });
  await again.press('Write it down');
  expect(asked.find((one) => one.method === 'POST')?.body).toMatchObject({ values: { 1: 340 } });
  await emptied();
  expect(figures()).toEqual([]);
});
