import { expect, test } from 'vitest';
import { asShares, moved, without } from '../src/desks/solids/shares';
import { tintOf } from '../src/drawings/tint';
import { ownedOne, ownOnly, offered } from '../src/desks/setup/homeMeasures';

const sum = (shares: Record<string, number>) => Object.values(shares).reduce((a, b) => a + b, 0);

test('moving one part keeps the whole, and the others keep their proportion', () => {
  const shares = asShares({ coir: 4, compost: 3, bark: 1, castings: 1, perlite: 1 });
  const next = moved(shares, 'compost', 50);
  expect(sum(next)).toBeCloseTo(100);
  expect(next.compost).toBe(50);
  expect((next.coir ?? 0) / (next.bark ?? 1)).toBeCloseTo(4);
  expect(moved(next, 'compost', 140).coir).toBeCloseTo(0);
});

test('a part that is alone is all of it, and one put in takes its room from the rest', () => {
  expect(moved({ coir: 30 }, 'coir', 10)).toEqual({ coir: 100 });
  const put = moved({ coir: 0, sand: 100 }, 'sand', 40);
  expect(put).toEqual({ coir: 60, sand: 40 });
  const left = without({ coir: 50, sand: 30, bark: 20 }, 'coir');
  expect(left).toEqual({ sand: 60, bark: 40 });
});

test('a can is browner the more of it is brewed, and powder colours nothing', () => {
  const brew = (share: number) => tintOf([{ form: 'brew', share }]);
  expect(brew(1 / 11)).toBeGreaterThan(brew(1 / 21));
  expect(tintOf([{ form: 'dry', share: 0 }])).toBe(0);
  expect(brew(1)).toBeLessThan(1);
});

test('what is offered at home is known again among what is owned', () => {
  const spoon = { id: 'a', kind: 'spoon', name: 'quarter', holds_ml: 1.25, step_ml: 1.25 };
  const cap = { id: 'b', kind: 'cap', name: 'cap', holds_ml: 12, step_ml: 12 };
  const owned = [spoon, cap].map((one) => ({ ...one, holds_text: '', mark_text: '' }));
  const quarter = offered('metric').find((one) => one.name === 'quarter teaspoon');
  expect(quarter && ownedOne(quarter, owned)?.id).toBe('a');
  expect(ownOnly(owned, 'metric').map((one) => one.id)).toEqual(['b']);
});
