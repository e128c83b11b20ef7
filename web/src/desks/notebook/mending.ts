/** Entries that can be put right once they are written. */
export type Mended = 'dose' | 'harvest' | 'look';

export const TITLES: Record<Mended, string> = {
  dose: 'What was really poured?',
  harvest: 'What was really picked?',
  look: 'What was really seen?',
};

/** Whether an entry of this kind can be put right. */
export const canBeMended = (kind: string): kind is Mended => kind in TITLES;
