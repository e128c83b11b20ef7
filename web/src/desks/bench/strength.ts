import type { Schemas } from '../../api/client';

/** The ways to say how strong a can is; each has a box on the Bench. */
export type Way = keyof Schemas['WaysOut'];

/** Labels name the concentrate's unit as `unit`. */
export const WAYS: { way: Way; label: string }[] = [
  { way: 'parts', label: 'parts' },
  { way: 'can', label: 'unit a can' },
  { way: 'per_litre', label: 'unit a volume' },
  { way: 'nitrogen', label: 'N, mg/L' },
  { way: 'ec', label: 'can reads' },
  { way: 'label', label: '% label' },
];

/** As strong as such a jar usually is, where no stage says what it likes. */
export const USUAL = 'what is usual';
/** Another source to begin with. */
export const A_LITTLE = 'a quarter of what is usual';
/** A strength that most leaf stands. */
export const ON_LEAVES = 'what is usual on leaves';
