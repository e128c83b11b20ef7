/** The desks, as the header names them and as keys 1 to 5 open them. */
export const DESKS = [
  { path: '/round', name: 'Round' },
  { path: '/bench', name: 'Bench' },
  { path: '/shelf', name: 'Shelf' },
  { path: '/season', name: 'Season' },
  { path: '/notebook', name: 'Notebook' },
] as const;

/** Every page that a button or a key leads to. */
export type PagePath =
  | (typeof DESKS)[number]['path']
  | '/place'
  | '/walk'
  | '/roots'
  | '/year'
  | '/learned'
  | '/signs'
  | '/trials'
  | '/trial'
  | '/heap'
  | '/help'
  | '/exchange'
  | '/setup'
  | '/shelf/jar'
  | '/shelf/brew'
  | '/shelf/heap';
