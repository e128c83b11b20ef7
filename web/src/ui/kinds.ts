/** How each kind of verdict looks; a new kind is a row here. What it says comes from the server. */
export interface KindLook {
  /** A drawing in 16 by 16, so that a kind is never told by colour alone. */
  shape: string;
  tone: 'stop' | 'care' | 'go' | 'calm';
  /** Drawn as an outline. */
  hollow: boolean;
  /** Plain water is poured for it. */
  pours: boolean;
  /** What it asks for comes before any food, so a list names it first. */
  beforeFood: boolean;
  /** Something from the shelf is given. */
  gives: boolean;
  /** Its day is worth a line of its own on the Bench. */
  dated: boolean;
}

const DROP = 'M8 1.5c3 4 5 6.4 5 8.8a5 5 0 0 1-10 0c0-2.4 2-4.8 5-8.8z';
const CALM: KindLook = {
  shape: 'M2 8h12',
  tone: 'calm',
  hollow: true,
  pours: false,
  beforeFood: false,
  gives: false,
  dated: true,
};
const SALT: KindLook = { ...CALM, tone: 'stop', pours: true, beforeFood: true };
const GIVEN: KindLook = { ...CALM, tone: 'go', hollow: false, gives: true };

const KINDS: Record<string, KindLook> = {
  flush: { ...SALT, shape: 'M5 1h6l4 4v6l-4 4H5l-4-4V5z', hollow: false, dated: false },
  water: { ...SALT, shape: DROP },
  look: {
    ...SALT,
    shape: 'M1 8q7-9 14 0q-7 9-14 0zM6 8a2 2 0 1 0 4 0a2 2 0 1 0-4 0',
    tone: 'care',
    dated: false,
  },
  feed: { ...GIVEN, shape: DROP },
  dress: { ...GIVEN, shape: 'M3 6h2v2H3zM7 3h2v2H7zM11 6h2v2h-2zM5 10h2v2H5zM10 11h2v2h-2z' },
  wait: { ...CALM, shape: 'M4 1.5h8L8.8 8l3.2 6.5H4L7.2 8z' },
  enough: { ...CALM, shape: 'M2 8l4 5 8-10' },
  rest: CALM,
};

/** A kind's looks; one that is not known yet is drawn as calm. */
export const lookOf = (kind: string | null | undefined): KindLook => KINDS[kind ?? ''] ?? CALM;
