import { beforeEach, expect, test } from 'vitest';
import { garden } from '../src/app/garden.svelte';
import { inFull } from '../src/desks/bench/strength';

beforeEach(() => garden.walked.clear());

test('a bare number gets the unit of its box', () => {
  expect(inFull('parts', '500', 'mL')).toBe('1 + 500');
  expect(inFull('parts', '0.5', 'g')).toBe('0.5 g/L');
  expect(inFull('can', ' 18 ', 'mL')).toBe('18 mL');
  expect(inFull('per_litre', '2', 'g')).toBe('2 g/L');
  expect(inFull('nitrogen', '90', 'mL')).toBe('N 90 mg/L');
  expect(inFull('ec', '1,4', 'mL')).toBe('EC 1,4 mS/cm');
  expect(inFull('label', '½', 'mL')).toBe('½ % of the label');
});

test('anything more is sent as it was typed', () => {
  for (const typed of ['1:400', 'half a capful', '2 tbsp per gallon', ''])
    expect(inFull('parts', typed, 'mL')).toBe(typed);
});
