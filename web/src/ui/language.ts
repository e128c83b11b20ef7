/** The one language that Dace speaks so far: dates, numbers and plurals follow it. */
export const LANGUAGE = 'en-GB';

const plurals = new Intl.PluralRules(LANGUAGE);
const numbers = new Intl.NumberFormat(LANGUAGE);

/** A whole number as one reads it: 12,000. */
export const many = (count: number): string => numbers.format(count);

/** So many of something: `counted(1, 'row')`, `counted(1200, 'row')`, `counted(2, 'leaf', 'leaves')`. */
export function counted(count: number, one: string, other = `${one}s`): string {
  return `${many(count)} ${plurals.select(count) === 'one' ? one : other}`;
}

/** Writes dates in this language. */
export const dates = (how: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat(LANGUAGE, how);
