/** Eight kinds of leaf, and what can be seen on one. A leaf stands in a field of 100 by 100. */
import {
  blot,
  disc,
  mirrored,
  placing,
  scattered,
  smooth,
  through,
  type Ink,
  type Mark,
  type Point,
  type Warp,
} from './shape';

export const LEAVES = [
  'compound',
  'lobed',
  'heart',
  'long',
  'fan',
  'feathery',
  'strap',
  'rosette',
] as const;
export type LeafKind = (typeof LEAVES)[number];

/** Blades with their middle and side veins, and the stalk that carries them. */
export interface Leaf {
  blades: Point[][];
  middles: Point[][];
  veins: Point[][];
  stalks: Point[][];
  /** How broad the lines on it may be: less on narrow blades. */
  grain: number;
}

/** The right half of each blade, its foot at 0, 0 and its tip upwards. */
const HALVES: Record<LeafKind, readonly Point[]> = {
  compound: [[0, 0], [7, -4], [11, -11], [8, -14], [12, -20], [8, -25], [8, -31], [0, -42]],
  lobed: [[0, 0], [4, -3], [5, -12], [16, -13], [18, -21], [8, -27], [24, -31], [28, -42], [17, -47], [29, -57], [25, -74], [12, -86], [0, -88]],
  heart: [[0, 0], [12, 8], [28, 4], [37, -14], [30, -36], [14, -60], [0, -78]],
  long: [[0, 0], [9, -6], [20, -24], [22, -42], [13, -66], [0, -88]],
  fan: [[0, 0], [8, 12], [24, 16], [38, 8], [30, -2], [47, -18], [44, -34], [28, -32], [18, -54], [0, -68]],
  feathery: [[0, 0], [3, -2], [9, -5], [5, -9], [10, -13], [5, -16], [7, -22], [0, -30]],
  strap: [[0, 0], [6, -2], [8, -30], [7, -62], [4, -84], [0, -94]],
  rosette: [[0, 0], [5, -2], [6, -14], [17, -26], [31, -44], [30, -66], [17, -82], [0, -86]],
}; // prettier-ignore

/** Where each leaflet of a divided leaf sits: x, y, degrees, size. */
const LEAFLETS: Partial<Record<LeafKind, readonly [number, number, number, number][]>> = {
  compound: [
    [0, -50, 0, 0.98],
    [3, -46, 56, 0.92],
    [-3, -46, -56, 0.92],
    [3, -20, 70, 1.02],
    [-3, -20, -70, 1.02],
  ],
  feathery: [
    [0, -60, 0, 1],
    [0, -54, 46, 0.86],
    [0, -54, -46, 0.86],
    [0, -36, 56, 1.15],
    [0, -36, -56, 1.15],
    [0, -16, 64, 1.3],
    [0, -16, -64, 1.3],
  ],
};
const GRAIN: Partial<Record<LeafKind, number>> = { strap: 0.36, compound: 0.6, feathery: 0.42 };
const AT = [0.16, 0.34, 0.52, 0.7] as const;

function bladeOf(kind: LeafKind, place: Warp): Leaf {
  const half = HALVES[kind];
  const whole = mirrored(half);
  const right = smooth(half);
  const top = half[half.length - 1]?.[1] ?? -80;
  const wide = (y: number): number =>
    right.reduce((best, point) =>
      Math.abs(point[1] - y) < Math.abs(best[1] - y) ? point : best,
    )[0];
  const veins: Point[][] = [];
  if (kind === 'strap') {
    for (const side of [-0.5, 0.5])
      veins.push([0, 0.3, 0.6, 0.85].map((t): Point => [side * wide(top * t), top * t]));
  } else if (kind === 'fan') {
    for (const [x, y] of [[34, 6], [42, -26], [22, -40]] as const)
      for (const side of [1, -1]) veins.push([[0, 0], [side * x * 0.5, y * 0.5 - 3], [side * x, y]]); // prettier-ignore
  } else {
    const at = kind === 'feathery' ? [0.4] : kind === 'compound' ? [0.15, 0.45] : AT;
    for (const t of at)
      for (const side of [1, -1]) {
        const end = top * (t + 0.13);
        veins.push([
          [0, top * t],
          [side * wide(end) * 0.45, top * (t + 0.04)],
          [side * wide(end) * 0.88, end],
        ]);
      }
  }
  return {
    blades: [whole.map(place)],
    middles: [[0, 0.25, 0.5, 0.75, 0.96].map((t): Point => place([0, top * t]))],
    veins: veins.map((vein) => smooth(vein).map(place)),
    stalks: [],
    grain: GRAIN[kind] ?? 1,
  };
}

const joined = (leaves: Leaf[]): Leaf => ({
  blades: leaves.flatMap((one) => one.blades),
  middles: leaves.flatMap((one) => one.middles),
  veins: leaves.flatMap((one) => one.veins),
  stalks: leaves.flatMap((one) => one.stalks),
  grain: leaves[0]?.grain ?? 1,
});

/** A leaf with its foot at 0, 0. */
export function leafOf(kind: LeafKind): Leaf {
  const lift = kind === 'fan' ? -26 : kind === 'heart' ? -14 : kind === 'long' ? -4 : 0;
  const parts = LEAFLETS[kind]?.map(([x, y, turn, size]) =>
    bladeOf(kind, placing(x, y, turn, size)),
  );
  const whole = joined(parts ?? [bladeOf(kind, placing(0, lift))]);
  const end = parts ? (kind === 'compound' ? -52 : -62) : lift;
  return { ...whole, stalks: [[[0, 0], [0, end / 2], [0, end]]] }; // prettier-ignore
}

/** The same leaf, every point of it moved. */
export function warped(leaf: Leaf, warp: Warp): Leaf {
  const moved = (lines: Point[][]) => lines.map((line) => line.map(warp));
  return {
    blades: moved(leaf.blades),
    middles: moved(leaf.middles),
    veins: moved(leaf.veins),
    stalks: moved(leaf.stalks),
    grain: leaf.grain,
  };
}

/** What can be seen on a leaf. */
export type Look =
  | 'well'
  | 'young'
  | 'deep'
  | 'pale'
  | 'yellow'
  | 'dying'
  | 'between'
  | 'netted'
  | 'edge'
  | 'tip_edge'
  | 'inner_edge'
  | 'purple'
  | 'rings'
  | 'powder'
  | 'half'
  | 'mottle'
  | 'mosaic'
  | 'stipple'
  | 'bleached'
  | 'holes'
  | 'acid'
  | 'midrib'
  | 'blight'
  | 'rolled'
  | 'cupped';

const FACE: Partial<Record<Look, Ink>> = {
  young: 'young',
  deep: 'deep',
  pale: 'pale',
  yellow: 'yellow',
  dying: 'brown',
  between: 'yellow',
  netted: 'cream',
  acid: 'yellow',
  purple: 'purple',
  mottle: 'young',
  mosaic: 'young',
};
const VEINS: Partial<Record<Look, [ink: Ink, width: number]>> = {
  young: ['green', 0.9],
  pale: ['young', 1],
  yellow: ['cream', 1],
  dying: ['dark', 0.8],
  between: ['green', 6],
  netted: ['deep', 1.3],
  acid: ['green', 2.6],
  purple: ['dark', 1.1],
  deep: ['line', 1],
};

/**
 * A leaf with what is seen on it; `fine` is 1 on a leaf of full size and less on a small one, so
 * that the lines of a plant in the small are no thicker than its leaves.
 */
export function painted(leaf: Leaf, look: Look, fine = 1): Mark[] {
  const d = leaf.blades.map((blade) => through(blade, true)).join('');
  const face = FACE[look] ?? 'green';
  const [ink, thick] = VEINS[look] ?? ['deep', 1.1];
  const wide = thick > 2 ? thick * leaf.grain : thick;
  const purple = look === 'purple';
  const marks: Mark[] = [
    ...leaf.stalks.map((stalk): Mark => ({
      d: through(stalk),
      line: purple ? 'purple' : 'deep',
      width: 3 * fine,
    })),
    { d, fill: face },
    ...seenUnder(leaf, look, d, fine),
    {
      d: leaf.veins.map((vein) => through(vein)).join(''),
      line: ink,
      width: wide * fine,
      inside: d,
    },
    {
      d: leaf.middles.map((middle) => through(middle)).join(''),
      line: ink,
      width: Math.max(wide * 1.5, 1.8) * fine,
      inside: d,
    },
    ...seenOver(leaf, look, d, fine),
    { d, line: 'line', width: 1.6 * fine },
  ];
  return marks;
}

/** What lies under the veins. */
function seenUnder(leaf: Leaf, look: Look, d: string, fine: number): Mark[] {
  const spread = (count: number) => scattered(leaf.blades, count);
  if (look === 'between' || look === 'acid')
    return [{ d, line: 'green', width: 5 * leaf.grain * fine, inside: d }];
  if (look === 'mosaic')
    return spread(16).map((at, index) => ({
      d: blot(at, 7 * fine, index),
      fill: 'deep',
      inside: d,
    }));
  if (look === 'mottle')
    return spread(60).map((at, index) => ({
      d: blot(at, (2.2 + (index % 3)) * fine, index),
      fill: 'yellow',
      inside: d,
    }));
  if (look === 'half') return oneSide(leaf);
  if (look === 'midrib')
    return leaf.middles.map((middle) => ({
      d: through(middle),
      line: 'yellow',
      width: 20 * fine,
      inside: d,
    }));
  return [];
}

/** One side in yellow: half of the blade at the tip, and the leaflets of that side. */
function oneSide(leaf: Leaf): Mark[] {
  const [middle = [], tip = []] = [leaf.middles[0], leaf.blades[0]];
  const [foot, head] = [middle[0] ?? [0, 0], middle[middle.length - 1] ?? [0, 0]];
  const [along, up] = [head[0] - foot[0], head[1] - foot[1]];
  const top: Point = [head[0] + along * 0.2, head[1] + up * 0.2];
  const low: Point = [foot[0] - along * 0.4, foot[1] - up * 0.4];
  const beside = ([x, y]: Point): Point => [x - up * 1.4, y + along * 1.4];
  const half = through([low, top, beside(top), beside(low)], true);
  const leaflets = leaf.blades.slice(1).filter((_, index) => index % 2 === 0);
  return [
    { d: half, fill: 'yellow', inside: through(tip, true) },
    ...leaflets.map((blade): Mark => ({ d: through(blade, true), fill: 'yellow' })),
  ];
}

/** What lies over them. */
function seenOver(leaf: Leaf, look: Look, d: string, fine: number): Mark[] {
  const spread = (count: number) => scattered(leaf.blades, count);
  const rim = (ink: Ink, width: number): Mark => ({
    d,
    line: ink,
    width: width * leaf.grain * fine,
    inside: d,
  });
  const spot = fine * Math.max(leaf.grain, 0.6);
  switch (look) {
    case 'edge':
      return [rim('yellow', 17), rim('brown', 11)];
    case 'inner_edge':
      return [rim('brown', 12)];
    case 'acid':
      return [rim('brown', 4)];
    case 'tip_edge':
      return leaf.middles.flatMap((middle): Mark[] => {
        const at = middle[middle.length - 1] ?? [0, 0];
        return [
          { d: blot(at, 19 * fine, 1), fill: 'yellow', inside: d },
          { d: blot(at, 15 * fine, 2), fill: 'brown', inside: d },
        ];
      });
    case 'rings':
      return spread(7).flatMap((at, index): Mark[] => {
        const r = (4.8 + (index % 3)) * spot;
        return [
          { d: disc(at, r * 1.55), fill: 'yellow', inside: d },
          { d: disc(at, r), fill: 'brown', inside: d },
          { d: disc(at, r * 0.62), line: 'cream', width: spot, inside: d },
          { d: disc(at, r * 0.22), fill: 'cream', inside: d },
        ];
      });
    case 'powder':
      return spread(11).flatMap((at, index): Mark[] => [
        {
          d: blot(at, (7 + (index % 3) * 1.6) * fine, index),
          fill: 'white',
          fade: 0.75,
          inside: d,
        },
        { d: blot(at, 4.5 * fine, index + 3), fill: 'white', inside: d },
      ]);
    case 'mottle':
      return spread(14).map((at) => ({ d: disc(at, 1.3 * fine), fill: 'brown', inside: d }));
    case 'stipple':
      return spread(150).map((at, index) => ({
        d: disc(at, (index % 4 ? 0.9 : 1.4) * fine),
        fill: 'white',
        inside: d,
      }));
    case 'bleached': {
      const at = leaf.blades[0]?.[Math.floor((leaf.blades[0].length * 5) / 8)] ?? [0, 0];
      const mid = leaf.middles[0]?.[2] ?? [0, 0];
      const where: Point = [(at[0] + mid[0]) / 2, (at[1] + mid[1]) / 2];
      return [
        { d: blot(where, 16 * fine, 4), fill: 'root', inside: d },
        { d: blot(where, 13 * fine, 4), fill: 'white', inside: d },
      ];
    }
    case 'holes':
      return [
        ...spread(6).map((at, index): Mark => ({
          d: blot(at, (4 + (index % 3) * 1.6) * fine, index),
          fill: 'panel',
          line: 'line',
          width: 1.2 * fine,
          inside: d,
        })),
        ...leaf.blades.slice(0, 3).flatMap((blade): Mark[] =>
          [0.3, 0.42, 0.78].map((t, index) => ({
            d: blot(blade[Math.floor(blade.length * t)] ?? [0, 0], 6 * fine, index),
            fill: 'panel',
          })),
        ),
      ];
    case 'blight':
      return spread(6).flatMap((at, index): Mark[] => [
        { d: blot(at, (9 + (index % 2) * 3) * fine, index), fill: 'young', inside: d },
        { d: blot(at, (7 + (index % 2) * 3) * fine, index), fill: 'dark', inside: d },
      ]);
    case 'rolled':
      return [rim('young', 16), { ...rim('line', 16.8), fade: 0.12 }];
    case 'cupped':
      return [rim('young', 11)];
    default:
      return [];
  }
}

/** Narrower or wider about the middle of the field. */
export const narrowed =
  (by: number): Warp =>
  ([x, y]) => [x * by, y];
/** Bent to a side, the more the nearer the tip. */
export const bent =
  (by: number, from = 0): Warp =>
  ([x, y]) => {
    const far = Math.max(0, -y - from);
    return [x + (by * far * far) / 100, y + (Math.abs(by) * far * far) / 400];
  };
/** Twisted like a ribbon: thin with a wavering middle. */
export const twisted: Warp = ([x, y]) => [x * 0.34 + 8 * Math.sin(y / 12), y];
/** Seen from the side, arched over like a claw, the tip pointing down. */
export const clawed: Warp = ([x, y]) => {
  const turn = (Math.max(0, -y) / 90) * 2.9;
  const [across, down] = [46 * Math.cos(turn), 30 * Math.sin(turn)];
  const far = (x * 0.55) / Math.hypot(across, down);
  return [-28 + 27 * (1 - Math.cos(turn)) + across * far, -28 - 40 * Math.sin(turn) + down * far + (y > 0 ? y : 0)]; // prettier-ignore
};
