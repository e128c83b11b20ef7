/** What crops bear: fruits, heads, roots and bulbs, in a field of 100 by 100 about 0, 0. */
import { blot, disc, mirrored, smooth, through, type Ink, type Mark, type Point } from './shape';

export const BORNE = [
  'round',
  'block',
  'pointed',
  'egg',
  'long',
  'gourd',
  'strawberry',
  'pod',
  'cob',
  'berries',
  'fig',
  'lemon',
  'taproot',
  'globe',
  'tuber',
  'bulb',
  'shank',
  'head',
  'curd',
  'flower',
  'leaves',
] as const;
export type Borne = (typeof BORNE)[number];

/** The right halves, from the stalk down to the far end. */
const HALVES: Record<Borne, readonly Point[]> = {
  round: [[0, -27], [13, -29], [27, -19], [34, 0], [28, 18], [15, 30], [0, 34]],
  block: [[0, -26], [14, -34], [28, -26], [31, 0], [25, 28], [13, 36], [7, 31], [0, 34]],
  pointed: [[0, -36], [10, -38], [16, -28], [14, -2], [9, 22], [4, 40], [0, 45]],
  egg: [[0, -34], [11, -32], [17, -14], [27, 8], [27, 28], [14, 42], [0, 45]],
  long: [[0, -44], [9, -41], [13, -20], [14, 12], [12, 34], [6, 44], [0, 46]],
  gourd: [[0, -22], [16, -29], [36, -20], [42, 4], [32, 26], [0, 32]],
  strawberry: [[0, -24], [17, -29], [31, -18], [28, 4], [14, 26], [0, 38]],
  pod: [[0, -44], [6, -38], [8, -20], [7, 8], [8, 30], [4, 42], [0, 46]],
  cob: [[0, -44], [9, -40], [15, -20], [17, 12], [14, 34], [0, 42]],
  berries: [[0, -20], [12, -22], [22, -10], [22, 8], [12, 20], [0, 22]],
  fig: [[0, -38], [5, -30], [10, -14], [26, 8], [27, 26], [14, 40], [0, 41]],
  lemon: [[0, -38], [7, -34], [22, -20], [27, 2], [20, 26], [7, 37], [0, 43]],
  taproot: [[0, -24], [12, -26], [16, -16], [11, 10], [5, 32], [0, 48]],
  globe: [[0, -20], [12, -22], [27, -10], [28, 8], [16, 24], [5, 32], [0, 46]],
  tuber: [[0, -24], [18, -26], [34, -10], [33, 12], [16, 27], [0, 28]],
  bulb: [[0, -40], [5, -38], [7, -24], [26, -6], [29, 10], [18, 27], [0, 31]],
  shank: [[0, -44], [10, -42], [11, 0], [13, 32], [8, 38], [0, 39]],
  head: [[0, -32], [18, -30], [35, -12], [34, 12], [18, 30], [0, 33]],
  curd: [[0, -30], [14, -34], [34, -20], [40, 0], [30, 14], [0, 18]],
  flower: [[0, -12], [8, -11], [12, 0], [8, 11], [0, 12]],
  leaves: [[0, -30], [18, -20], [22, 2], [10, 26], [0, 32]],
}; // prettier-ignore

const RIPE: Record<Borne, Ink> = {
  round: 'red',
  block: 'red',
  pointed: 'red',
  egg: 'purple',
  long: 'deep',
  gourd: 'orange',
  strawberry: 'red',
  pod: 'green',
  cob: 'yellow',
  berries: 'purple',
  fig: 'purple',
  lemon: 'yellow',
  taproot: 'orange',
  globe: 'purple',
  tuber: 'root',
  bulb: 'orange',
  shank: 'cream',
  head: 'young',
  curd: 'cream',
  flower: 'orange',
  leaves: 'green',
};

/** The outline, stretched down or across. */
export function bodyOf(kind: Borne, wide = 1, tall = 1): Point[] {
  return mirrored(HALVES[kind]).map(([x, y]): Point => [x * wide, y * tall]);
}

const UNDER = new Set<Borne>(['taproot', 'globe', 'tuber', 'bulb']);
/** Whether it grows in the soil. */
export const buried = (kind: Borne): boolean => UNDER.has(kind);

/** A fruit as it is when all is well; `ripe` runs from 0, green, to 1. */
export function fruitMarks(kind: Borne, ripe = 1, face?: Ink): Mark[] {
  const body = bodyOf(kind);
  const d = through(body, true);
  const fill = face ?? (ripe >= 1 || buried(kind) ? RIPE[kind] : ripe >= 0.5 ? 'orange' : 'young');
  return [{ d, fill }, ...grain(kind, d), { d, line: 'line', width: 1.8 }, ...top(kind)];
}

/** What makes the kind known: ribs, seeds, kernels, rings. */
function grain(kind: Borne, d: string): Mark[] {
  const line = (path: string, ink: Ink = 'line', width = 1.2): Mark => ({ d: path, line: ink, width, inside: d, fade: 0.7 }); // prettier-ignore
  switch (kind) {
    case 'block':
      return [line('M-9-32C-16-10-14 16-9 36M9-32C16-10 14 16 9 36')];
    case 'long':
      return [line('M-5-42C-9-10-9 20-5 45M5-42C9-10 9 20 5 45', 'young')];
    case 'gourd':
      return [line('M-12-28C-26-8-24 14-12 32M12-28C26-8 24 14 12 32M0-24V32')];
    case 'strawberry':
      return [-14, 0, 14].flatMap((x) =>
        [-12, 2, 16].map((y): Mark => ({ d: disc([x + (y === 2 ? 6 : 0), y], 1.3, 2), fill: 'yellow', inside: d })),
      ); // prettier-ignore
    case 'pod':
      return [-24, -8, 8, 24].map((y): Mark => ({ d: disc([0, y], 5, 6), line: 'line', width: 1, fade: 0.6, inside: d })); // prettier-ignore
    case 'cob':
      return kernels(d, () => false);
    case 'berries':
      return [{ d: 'M-7-16l7-5 7 5-7 4Z', fill: 'deep', inside: d }];
    case 'taproot':
      return [line('M-16-12H-6M16 0H6M-12 14H-4M10 24H3')];
    case 'globe':
      return [line('M-26-2C-10 6 10 6 26-2M-24 8C-10 15 10 15 24 8', 'cream')];
    case 'tuber':
      return [[-16, -8], [12, -12], [18, 10], [-6, 12]].map(([x, y]) => line(`M${x ?? 0} ${y ?? 0}q4 4 8 0`)); // prettier-ignore
    case 'bulb':
      return [line('M-3-26C-22-4-20 18-6 31M3-26C22-4 20 18 6 31M0-26V31')];
    case 'shank':
      return [line('M-4-42V38M4-42V38', 'young')];
    case 'head':
      return [line('M0-32C-8-10-6 14 0 33M0-16C-14-14-26-4-34 8M0-8C14-8 26 0 34 12M0 6C-10 6-18 14-24 24', 'deep')]; // prettier-ignore
    case 'curd':
      return Array.from({ length: 14 }, (_, n): Mark => ({
        d: disc([((n * 23) % 70) - 35, ((n * 13) % 40) - 27], 8),
        line: 'line',
        width: 0.9,
        fade: 0.5,
        inside: d,
      }));
    default:
      return [];
  }
}

/** The rows of a cob; where `gap` says so a kernel is missing. */
export function kernels(d: string, gap: (column: number, row: number) => boolean): Mark[] {
  const found: Mark[] = [];
  for (let row = 0; row < 11; row++)
    for (let column = -2; column <= 2; column++)
      found.push({
        d: disc([column * 6.6, -38 + row * 7.6], 3, 3.4),
        fill: gap(column, row) ? 'cream' : 'yellow',
        line: 'line',
        width: 0.8,
        inside: d,
      });
  return found;
}

/** Stalks, crowns, husks and tops. */
function top(kind: Borne): Mark[] {
  const stalk = (d: string, width = 3): Mark => ({ d, line: 'deep', width });
  switch (kind) {
    case 'round':
      return [
        stalk('M0-28V-42'),
        {
          d: 'M0-28C-8-38-18-34-22-26-14-26-6-22 0-26 6-22 14-26 22-26 18-34 8-38 0-28Z',
          fill: 'deep',
        },
      ];
    case 'block':
    case 'pointed':
    case 'egg':
      return [
        stalk(`M0${String(kind === 'block' ? -28 : -36)}C0-44 4-48 8-48`, 4),
        { d: kind === 'block' ? 'M-12-31Q0-40 12-31 6-27 0-29-6-27-12-31Z' : 'M-11-36Q0-46 11-36 8-24 4-32 0-22-4-32-8-24-11-36Z', fill: 'deep' },
      ]; // prettier-ignore
    case 'long':
    case 'pod':
    case 'gourd':
    case 'lemon':
    case 'fig':
      return [
        stalk(
          `M0${String(kind === 'gourd' ? -23 : kind === 'lemon' || kind === 'fig' ? -37 : -44)}v-6`,
          4,
        ),
      ];
    case 'strawberry':
      return [
        stalk('M0-26V-40'),
        { d: 'M0-26L-24-30-14-20-8-14 0-22 8-14 14-20 24-30Z', fill: 'deep' },
      ];
    case 'cob':
      return [
        { d: 'M-17 14C-34-6-26-22-20-30-20-6-14 16 0 42-10 40-16 30-17 14ZM17 14C34-6 26-22 20-30 20-6 14 16 0 42 10 40 16 30 17 14Z', fill: 'green', line: 'line', width: 1.4 },
        stalk('M-4-42q-4-6-8-6M0-44v-6M4-42q4-6 8-6', 1.4),
      ]; // prettier-ignore
    case 'taproot':
    case 'globe':
      return [stalk('M-4-24C-8-34-12-40-18-44M0-24V-46M4-24C8-34 12-40 18-44', 3)];
    case 'bulb':
      return [stalk('M-3-40C-6-46-8-48-12-50M0-40V-50M3-40C6-46 8-48 12-50', 3), { d: 'M-8 31l-3 7M0 31v8M8 31l3 7', line: 'soil', width: 1.4 }]; // prettier-ignore
    case 'shank':
      return [stalk('M-6-42C-14-46-18-48-24-48M0-44V-50M6-42C14-46 18-48 24-48', 5), { d: 'M-7 38l-4 8M0 39v9M7 38l4 8', line: 'soil', width: 1.4 }]; // prettier-ignore
    case 'curd':
      return [
        { d: 'M-9 17C-8 32-7 38-9 46H9C7 38 8 32 9 17Z', fill: 'young', line: 'line', width: 1.6 },
        { d: 'M-40 2C-48 18-36 36-14 42-26 30-30 18-28 12ZM40 2C48 18 36 36 14 42 26 30 30 18 28 12Z', fill: 'green', line: 'line', width: 1.6 },
      ]; // prettier-ignore
    default:
      return [];
  }
}

/** An open flower about 0, 0. */
export function blossom(r = 12, ink: Ink = 'yellow', eye: Ink = 'orange'): Mark[] {
  const petals = Array.from({ length: 5 }, (_, n) => {
    const turn = (n / 5) * 2 * Math.PI - Math.PI / 2;
    return disc([r * 0.62 * Math.cos(turn), r * 0.62 * Math.sin(turn)], r * 0.42);
  });
  return [
    ...petals.map((d): Mark => ({ d, fill: ink, line: 'line', width: r / 12 })),
    { d: disc([0, 0], r * 0.3), fill: eye, line: 'line', width: r / 14 },
  ];
}

/** A patch that has sunk at the far end. */
export function sunken(kind: Borne, d: string): Mark[] {
  const end = HALVES[kind][HALVES[kind].length - 1]?.[1] ?? 34;
  const at: Point = [0, end - 4];
  return [
    { d: blot(at, 19, 2), fill: 'brown', inside: d },
    { d: blot(at, 15, 2), fill: 'dark', inside: d },
  ];
}

/** A crooked line down a body. */
export const crooked = (points: readonly Point[]): string => through(smooth(points));
