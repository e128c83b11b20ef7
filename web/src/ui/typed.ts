import type { Schemas } from '../api/client';

/** An amount as typed: a text, with what its box showed in full, so that a bare number is of it. */
export type Typed = string | Schemas['BoxIn'];

const BARE = /^[\d.,½¼¾/ ]*$/;

/** The text alone, as one reads it. */
export const textOf = (typed: Typed): string => (typeof typed === 'string' ? typed : typed.text);

/** What a box shows in full: a bare number is still of what stood there before it. */
export function shownBy(typed: Typed): string {
  if (typeof typed === 'string') return typed;
  return BARE.test(typed.text) ? (typed.shown ?? '') : typed.text;
}

const NUMBER = /[\d.,½¼¾/](?:[\d.,½¼¾/ ]*[\d.,½¼¾/])?(?=[^\d½¼¾]*$)/;

/** Whether a text is what a box shows, with its unit or bare: typed back it changes nothing. */
export function asShown(shown: string, text: string): boolean {
  const typed = text.trim();
  return typed !== '' && (typed === shown.trim() || typed === NUMBER.exec(shown)?.[0]);
}

/** What was typed over what a box holds. */
export const typedOver = (held: Typed, text: string): Typed =>
  asShown(textOf(held), text) ? held : { text, shown: shownBy(held) };
