import { afterEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import {
  degreesNumber,
  degreesUnit,
  ec,
  ecNumber,
  example,
  fromScale,
  inGallons,
  volume,
} from '../src/app/measures';
import { answering } from './page';

const GALLONS = [
  { unit: 'gal', litres: 3.785411784, least_l: 3.4 },
  { unit: 'pt', litres: 0.473176473, least_l: 0.426 },
  { unit: 'fl oz', litres: 0.0295735, least_l: 0 },
];
const LITRES = [{ unit: 'L', litres: 1, least_l: 0 }];

async function measuring(how: Record<string, unknown>) {
  answering({ 'GET /api/path': { stops: [], ...how } });
  await garden.load();
}

afterEach(() => garden.walked.clear());

test('volumes are said in the unit that fits', async () => {
  await measuring({ measures: 'us', volumes: GALLONS });
  expect([volume(7.570823568), volume(1.5), volume(0.1)]).toEqual([
    '2 gal',
    '3.17 pt',
    '3.38 fl oz',
  ]);
  expect(volume(-7.570823568)).toBe('-2 gal');
  expect([inGallons(), example('1 kg', '5 lb')]).toEqual([true, '5 lb']);
  await measuring({ measures: 'metric', volumes: LITRES });
  expect([volume(1.5), volume(0.0305)]).toEqual(['1.5 L', '0.0305 L']);
  expect([inGallons(), example('1 kg', '5 lb')]).toEqual([false, '1 kg']);
});

test('a pen of another scale is the garden’s', async () => {
  await measuring({ volumes: LITRES, scale: 'ppm (500)', per_ms: 500 });
  expect([ec(1.236), ecNumber(2.4), fromScale(620)]).toEqual(['620 ppm (500)', '1,200', 1.24]);
  await measuring({ volumes: LITRES, scale: 'CF', per_ms: 10 });
  expect([ec(1.236), ecNumber(1.236, 1), fromScale(14)]).toEqual(['12.4 CF', '12', 1.4]);
  await measuring({ volumes: LITRES, scale: 'mS/cm', per_ms: 1 });
  expect([ec(1.236), ecNumber(1.236, 1), fromScale(1.2)]).toEqual(['1.24 mS/cm', '1.2', 1.2]);
});

test('degrees are the garden’s', async () => {
  await measuring({ volumes: LITRES, degrees: 'F' });
  expect([degreesNumber(25), degreesUnit()]).toEqual(['77', '°F']);
  await measuring({ volumes: LITRES, degrees: 'C' });
  expect([degreesNumber(24.6), degreesUnit()]).toEqual(['25', '°C']);
});
