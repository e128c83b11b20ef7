/** Every key and what it does, as the help shows it. */
export const KEYS: [string, string][] = [
  ['1 … 5', 'Round, Bench, Shelf, Season, Notebook'],
  ['[  ]', 'one stop along the path or the walk, back or on'],
  ['p', 'pour: to the Bench'],
  ['r', 'write down a reading'],
  ['o', 'say how they look'],
  ['u', 'undo the last thing'],
  ['w', 'fold or unfold the working'],
  ['c', 'in the Notebook: chart or list'],
  ['t', 'charts as tables, and back'],
  ['/', 'find a place, a crop, a jar or a page'],
  ['?', 'these keys'],
];
