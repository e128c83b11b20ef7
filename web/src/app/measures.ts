import { many } from '../ui/language';
import { garden } from './garden.svelte';

/** `1.5`: three digits at most, no trailing zeros. */
const digits = (value: number, count = 3) => String(Number(value.toPrecision(count)));

/** A volume in the garden's measures, as the server says it: `1.5 L`, `2 gal`, `12 fl oz`. */
export function volume(litres: number, count = 3): string {
  const units = garden.path?.volumes ?? [{ unit: 'L', litres: 1, least_l: 0 }];
  const by = units.find((one) => Math.abs(litres) >= one.least_l) ?? { unit: 'L', litres: 1 };
  return `${digits(litres / by.litres, count)} ${by.unit}`;
}

/** Whether gallons are said, not litres. */
export const inGallons = (): boolean => garden.path?.volumes[0]?.unit === 'gal';

/** A conductivity [mS/cm] as the garden's pen shows it, without its unit. */
export function ecNumber(ms: number, places = 2): string {
  const per = garden.path?.per_ms ?? 1;
  if (per < 100) return (ms * per).toFixed(Math.max(0, places - Math.round(Math.log10(per))));
  return many(Math.round((ms * per) / 10) * 10);
}

export const ecScale = (): string => garden.path?.scale ?? 'mS/cm';

export const ec = (ms: number, places = 2): string => `${ecNumber(ms, places)} ${ecScale()}`;

/** A temperature [°C] in the garden's degrees, without its unit. */
export function degreesNumber(celsius: number): string {
  return String(Math.round(garden.path?.degrees === 'F' ? (celsius * 9) / 5 + 32 : celsius));
}

export const degreesUnit = (): string => (garden.path?.degrees === 'F' ? '°F' : '°C');

/** A typed conductivity, on the pen's scale, in mS/cm. */
export const fromScale = (typed: number): number => typed / (garden.path?.per_ms ?? 1);

/** The one of these examples that fits how the garden measures. */
export function example(metric: string, us: string): string {
  return garden.path?.measures === 'us' ? us : metric;
}

/** Scales that pens show, to choose from. */
export const SCALES = [
  { value: 'mS/cm', name: 'mS/cm' },
  { value: 'uS/cm', name: 'µS/cm' },
  { value: 'ppm500', name: 'ppm, 500 scale' },
  { value: 'ppm700', name: 'ppm, 700 scale' },
  { value: 'CF', name: 'CF, tenths of a mS/cm' },
];
