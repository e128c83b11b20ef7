import { region } from './region.svelte';

/** The one language that Dace speaks so far: numbers and plurals follow it. */
const LANGUAGE = 'en-GB';

const plurals = new Intl.PluralRules(LANGUAGE);
const numbers = new Intl.NumberFormat(LANGUAGE);

/** A whole number as one reads it: 12,000. */
export const many = (count: number): string => numbers.format(count);

/** So many of something: `counted(1, 'row')`, `counted(1200, 'row')`, `counted(2, 'leaf', 'leaves')`. */
export function counted(count: number, one: string, other = `${one}s`): string {
  return `${many(count)} ${plurals.select(count) === 'one' ? one : other}`;
}

/** Writes dates as they are written where the garden is. */
export const dates = (how: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat(region.american ? 'en-US' : LANGUAGE, how);

/** Writes the time of day: `17:40`, or `5:40 PM`. */
export const clock = (timeZone: string): Intl.DateTimeFormat =>
  dates({ timeZone, hour: region.american ? 'numeric' : '2-digit', minute: '2-digit' });
