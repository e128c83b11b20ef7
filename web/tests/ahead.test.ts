import { beforeEach, expect, test } from 'vitest';
import type { Schemas } from '../src/api/client';
import { laidOut } from '../src/desks/bench/laidOut';

const OFFER = {
  jar_id: 'crystals',
  water_id: 'rain',
  vessel_l: 9,
  strength: '0.53 g/L',
  base: null,
} as Schemas['PortionOut'];
const VERDICT = {
  each: [
    { stand_id: 'chilli', litres: 1.25 },
    { stand_id: 'leek', litres: 0 },
  ],
} as unknown as Schemas['VerdictOut'];
let offer = OFFER;

beforeEach(() => {
  offer = { ...OFFER };
});

test('what a verdict offers stands on the Bench just so', () => {
  expect(laidOut(offer, VERDICT, 'chilli', 'tap')).toEqual({
    jar_id: 'crystals',
    water_id: 'rain',
    vessel: '9 L',
    strength: '0.53 g/L',
    litres: '1.25 L',
    more: [],
  });
});

test('a brew that goes in first stands beside it', () => {
  offer.base = { jar_id: 'comfrey', name: 'comfrey', words: '0.8 L', strength: '1 + 10' };
  expect(laidOut(offer, VERDICT, 'chilli', 'tap').more).toEqual([
    { jar_id: 'comfrey', strength: '1 + 10', reading: 0 },
  ]);
});

test('the usual water where it names none', () => {
  offer.water_id = null;
  expect(laidOut(offer, VERDICT, 'chilli', 'tap').water_id).toBe('tap');
});

test('litres are Dace’s own to say where the verdict has none for these plants', () => {
  for (const [verdict, stand] of [
    [VERDICT, 'leek'],
    [VERDICT, 'nobody'],
    [VERDICT, undefined],
    [null, 'chilli'],
  ] as const) {
    expect(laidOut(offer, verdict, stand, 'tap').litres).toBe('');
  }
});
