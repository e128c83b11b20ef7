import type { Schemas } from '../../api/client';

type Owned = Schemas['OwnMeasureOut'];

/** Something that many have at home: what it is called, holds and is marked in, as one types it. */
export interface AtHome {
  kind: string;
  name: string;
  holds: string;
  mark: string;
  /** What it holds [mL], by which it is known among those that are owned. */
  ml: number;
}

/** Every kitchen's spoons: Dace measures by them whatever else there is. */
export const KITCHEN: readonly AtHome[] = [
  { kind: 'spoon', name: 'tablespoon', holds: '1 tbsp', mark: '', ml: 15 },
  { kind: 'spoon', name: 'teaspoon', holds: '1 tsp', mark: '', ml: 5 },
];

const METRIC: readonly AtHome[] = [
  { kind: 'spoon', name: 'dessertspoon', holds: '10 mL', mark: '', ml: 10 },
  { kind: 'spoon', name: 'half teaspoon', holds: '2.5 mL', mark: '', ml: 2.5 },
  { kind: 'spoon', name: 'quarter teaspoon', holds: '1.25 mL', mark: '', ml: 1.25 },
  { kind: 'syringe', name: 'small syringe', holds: '5 mL', mark: '0.2 mL', ml: 5 },
  { kind: 'syringe', name: 'large syringe', holds: '20 mL', mark: '1 mL', ml: 20 },
  { kind: 'beaker', name: 'medicine cup', holds: '30 mL', mark: '5 mL', ml: 30 },
];

const CUPS: readonly AtHome[] = [
  { kind: 'spoon', name: 'half teaspoon', holds: '0.5 tsp', mark: '', ml: 2.46446 },
  { kind: 'spoon', name: 'quarter teaspoon', holds: '0.25 tsp', mark: '', ml: 1.23223 },
  { kind: 'syringe', name: 'small syringe', holds: '5 mL', mark: '0.2 mL', ml: 5 },
  { kind: 'beaker', name: 'medicine cup', holds: '30 mL', mark: '5 mL', ml: 30 },
];

/** What is offered to be pressed, in the family that the garden measures in. */
export const offered = (measures: string): readonly AtHome[] =>
  measures === 'metric' ? METRIC : CUPS;

/** The one of those owned that this is; none where it is not owned. */
export function ownedOne(one: AtHome, owned: readonly Owned[]): Owned | undefined {
  return owned.find(
    (held) => held.kind === one.kind && Math.abs(held.holds_ml - one.ml) < 0.02 * one.ml,
  );
}

/** Those that she said herself: none of what is offered. */
export function ownOnly(owned: readonly Owned[], measures: string): Owned[] {
  const known = [...KITCHEN, ...offered(measures)].map((one) => ownedOne(one, owned)?.id);
  return owned.filter((held) => !known.includes(held.id));
}
