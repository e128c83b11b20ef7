import { ecScale, inGallons } from '../../app/measures';
/** The ways to say how strong a can is; each has a box on the Bench. */
export type Way = 'parts' | 'can' | 'per_litre' | 'nitrogen' | 'ec' | 'label';

/** Labels name the concentrate's unit as `unit`. */
export const WAYS: { way: Way; label: string }[] = [
  { way: 'parts', label: 'parts' },
  { way: 'can', label: 'unit a can' },
  { way: 'per_litre', label: 'unit a volume' },
  { way: 'nitrogen', label: 'N, mg/L' },
  { way: 'ec', label: 'can reads' },
  { way: 'label', label: '% label' },
];

const BARE = /^\s*[\d.,½¼¾/ ]+$/;

/** Give a bare number the unit of its box; anything more is sent as it was typed. */
export function inFull(way: Way, typed: string, unit: string): string {
  if (!BARE.test(typed) || typed.trim() === '') return typed;
  const number = typed.trim();
  switch (way) {
    case 'parts':
      return unit === 'mL' ? `1 + ${number}` : `${number} g/L`;
    case 'can':
      return `${number} ${unit}`;
    case 'per_litre':
      return `${number} ${unit}/${inGallons() ? 'gal' : 'L'}`;
    case 'nitrogen':
      return `N ${number} mg/L`;
    case 'ec':
      return `EC ${number} ${ecScale()}`;
    case 'label':
      return `${number} % of the label`;
  }
}
