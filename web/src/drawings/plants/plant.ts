/** Whole plants by habit, put together from the crop's own leaf and what it bears; 100 by 100. */
import { blossom, fruitMarks, type Borne } from './fruit';
import { bent, leafOf, painted, warped, type LeafKind, type Look } from './leaf';
import { disc, placing, through, type Ink, type Mark, type Point } from './shape';

export const HABITS = ['vine', 'bush', 'leaf', 'head', 'root', 'bulb', 'grass'] as const;
export type Habit = (typeof HABITS)[number];

/** How a crop looks: its leaf, how it grows, what is picked of it. */
export interface Grown {
  leaf: LeafKind;
  habit: Habit;
  bears: Borne;
}

/** A leaf's foot, its turn from upright, its size, and its age from 0, oldest, to 1. */
type Spot = readonly [x: number, y: number, turn: number, size: number, age: number];

const both = (x: number, y: number, turn: number, size: number, age: number): Spot[] => [
  [x, y, turn, size, age],
  [x, y, -turn, size, age],
];

interface Build {
  stems: Point[][];
  spots: Spot[];
  /** Where fruits and flowers hang. */
  hangs: Point[];
  ground: number;
}

const TOPS: Spot[] = [
  ...both(50, 56, 62, 0.4, 0),
  ...both(50, 56, 36, 0.5, 0.4),
  ...both(50, 56, 14, 0.5, 0.8),
];

const BUILDS: Record<Habit, Build> = {
  bush: {
    stems: [[[50, 90], [50, 34]]],
    spots: [
      ...both(50, 80, 74, 0.4, 0),
      ...both(50, 66, 62, 0.4, 0.3),
      ...both(50, 52, 48, 0.36, 0.6),
      ...both(50, 40, 30, 0.28, 0.9),
      [50, 36, 0, 0.26, 1],
    ],
    hangs: [[35, 68], [65, 70], [38, 50], [62, 52]],
    ground: 90,
  },
  vine: {
    stems: [[[50, 92], [46, 74], [53, 54], [47, 34], [51, 12]]],
    spots: [
      [48, 82, 78, 0.33, 0],
      [47, 74, -74, 0.34, 0.1],
      [51, 62, 70, 0.34, 0.3],
      [52, 52, -66, 0.33, 0.5],
      [49, 40, 62, 0.31, 0.7],
      [47, 32, -52, 0.28, 0.8],
      [50, 20, 44, 0.22, 0.9],
      [51, 14, -8, 0.18, 1],
    ],
    hangs: [[36, 82], [63, 72], [38, 62], [62, 50]],
    ground: 92,
  },
  leaf: {
    stems: [],
    spots: [
      ...both(50, 88, 78, 0.46, 0),
      ...both(50, 88, 54, 0.56, 0.3),
      ...both(50, 88, 30, 0.6, 0.6),
      ...both(50, 88, 9, 0.54, 1),
    ],
    hangs: [[50, 60]],
    ground: 88,
  },
  head: {
    stems: [[[50, 90], [50, 78]]],
    spots: [
      ...both(50, 88, 76, 0.5, 0),
      ...both(50, 86, 48, 0.58, 0.3),
      ...both(50, 82, 22, 0.56, 0.6),
      [50, 80, 0, 0.5, 1],
    ],
    hangs: [[50, 62]],
    ground: 90,
  },
  root: { stems: [], spots: TOPS, hangs: [[50, 76]], ground: 58 },
  bulb: {
    stems: [[[50, 82], [50, 66]]],
    spots: [
      ...both(50, 70, 38, 0.6, 0),
      ...both(50, 70, 18, 0.66, 0.5),
      [50, 70, 0, 0.68, 1],
    ],
    hangs: [[50, 78]],
    ground: 80,
  },
  grass: {
    stems: [[[50, 92], [50, 12]]],
    spots: [
      ...both(50, 78, 46, 0.5, 0),
      ...both(50, 62, 40, 0.48, 0.3),
      ...both(50, 46, 34, 0.42, 0.6),
      ...both(50, 30, 22, 0.34, 1),
    ],
    hangs: [[57, 56], [43, 48]],
    ground: 92,
  },
}; // prettier-ignore

export interface Shown {
  /** 1 is grown; about its foot. */
  size?: number;
  /** What a leaf of an age shows. */
  look?: (age: number) => Look;
  /** By how many degrees more the leaves hang, the more the longer. */
  droop?: number;
  /** Leaves from the oldest on that are there; the youngest come last. */
  only?: (age: number) => boolean;
  /** Larger or smaller leaves on the same frame. */
  leaves?: number;
  /** Moves the whole plant sideways. */
  at?: number;
  soil?: boolean;
}

const anAge = (age: number): Look => (age >= 0.9 ? 'young' : 'well');

/** Stems and leaves of a plant; what it bears comes on top. */
export function plantMarks(grown: Grown, shown: Shown = {}): Mark[] {
  const { size = 1, look = anAge, droop = 0, only = () => true, leaves = 1 } = shown;
  const build = BUILDS[grown.habit];
  const foot: Point = [50, build.ground];
  const place = (at: Point): Point => [
    (shown.at ?? foot[0]) + (at[0] - foot[0]) * size,
    foot[1] + (at[1] - foot[1]) * size,
  ];
  const soil: Mark[] = shown.soil === false ? [] : [soilMark(build.ground)];
  const stake: Mark[] =
    grown.habit === 'vine'
      ? [{ d: through([place([56, 92]), place([56, 4])]), line: 'root', width: 2.4 * size }]
      : [];
  const stems = build.stems.map((stem): Mark => ({
    d: through(stem.map(place)),
    line: 'deep',
    width: (grown.habit === 'bulb' ? 7 : 3.2) * size,
  }));
  const faces = [...build.spots]
    .filter((spot) => only(spot[4]))
    .flatMap(([x, y, turn, big, age]) => {
      const [px, py] = place([x, y]);
      const way = turn < 0 ? -1 : 1;
      const hang = droop * (turn === 0 ? 0.8 : 1);
      const leaf = warped(leafOf(grown.leaf), ([lx, ly]) => {
        const soft = grown.leaf === 'strap' ? bent(0.24 * way)([lx, ly]) : ([lx, ly] as Point);
        const at = turn + way * hang;
        const limp = droop > 40 ? 0.5 : 1; // a wilted leaf folds along its middle
        return placing(px, py, at, big * size * leaves, limp)(soft);
      });
      return painted(leaf, look(age), Math.max(big * size * leaves, 0.28));
    });
  return [...soil, ...stake, ...stems, ...faces];
}

/** The soil's line with what lies under it. */
export const soilMark = (ground: number): Mark => ({
  d: through([[6, ground], [94, ground]]),
  line: 'soil',
  width: 2.6,
}); // prettier-ignore

/** Marks moved as a whole. */
export const moved = (marks: Mark[], at: NonNullable<Mark['at']>): Mark[] =>
  marks.map((mark) => ({ ...mark, at }));

/** Fruits where they hang. */
export function bearing(grown: Grown, how: { ripe: number; size: number; count?: number }): Mark[] {
  const hangs = BUILDS[grown.habit].hangs.slice(0, how.count ?? 4);
  // a line on a small fruit is as thick as the lines about it
  const marks = fruitMarks(grown.bears, how.ripe).map((mark): Mark => ({
    ...mark,
    width: (mark.width ?? 1) / (2.2 * how.size),
  }));
  return hangs.flatMap(([x, y]) => moved(marks, { x, y, size: how.size }));
}

/** Of what colour the flowers are where they are not yellow. */
const BLOSSOM: Partial<Record<Borne, Ink>> = {
  block: 'white',
  pointed: 'white',
  egg: 'purple',
  strawberry: 'white',
  pod: 'white',
  berries: 'white',
  lemon: 'white',
};

/** Open flowers where fruits will hang. */
export function flowering(
  grown: Grown,
  size = 1,
  ink: Ink = BLOSSOM[grown.bears] ?? 'yellow',
): Mark[] {
  if (grown.habit === 'grass')
    return [
      { d: 'M50 14V2M50 10L42 2M50 10L58 2M50 14L38 8M50 14L62 8', line: 'root', width: 2.2 },
      { d: 'M58 52q6-4 5-12M58 52q9-2 11-9M58 52q4-6 0-12', line: 'orange', width: 1.4 },
    ];
  return BUILDS[grown.habit].hangs.flatMap(([x, y]) =>
    moved(blossom(12, ink), { x, y: y - 4, size: 0.55 * size }),
  );
}

/** A seedling: a stem, two seed leaves, and its first own leaf where it has one. */
export function seedling(
  grown: Grown,
  how: {
    x: number;
    y: number;
    tall: number;
    own?: boolean;
    lean?: number;
    look?: Look;
    leaf?: number;
    seed?: number;
  },
): Mark[] {
  const { x, y, tall, own = true, lean = 0, look = 'young', leaf = 1, seed = 1 } = how;
  const grass = grown.leaf === 'strap';
  const top: Point = [x + lean, y - tall];
  const stem: Mark = {
    d: `M${String(x)} ${String(y)}Q${String(x)} ${String(y - tall * 0.6)} ${String(top[0])} ${String(top[1])}`,
    line: 'green',
    width: 1.8,
  };
  if (grass) {
    const blades = own ? [-14, 12] : [4];
    return blades.flatMap((turn) =>
      painted(warped(leafOf('strap'), placing(x, y, turn + lean, (tall / 90) * 1.1)), look, 0.35),
    );
  }
  const low: Point = own ? [x + lean * 0.5, y - tall * 0.62] : top;
  const pair = [80, -80].flatMap((turn) =>
    painted(
      warped(leafOf('long'), placing(low[0], low[1], turn, 0.13 * seed, 1.3)),
      look === 'young' ? 'well' : look,
      0.4,
    ),
  );
  const first = warped(leafOf(grown.leaf), placing(top[0], top[1], 8, 0.2 * leaf));
  return [stem, ...pair, ...(own ? painted(first, look, 0.36) : [])];
}

/** A tray in cells, its surface at 66. */
export function trayMarks(): Mark[] {
  return [
    { d: 'M8 66H92L88 90H12Z', fill: 'soil', line: 'line', width: 1.8 },
    { d: 'M36 66L37 90M64 66L63 90', line: 'line', width: 1.4 },
    { d: 'M5 66H95', line: 'ink', width: 3 },
  ];
}

/** A pot from the side; `cut` shows the inside. */
export function potMarks(cut = false): Mark[] {
  const body = 'M18 42H82L74 94H26Z';
  return cut
    ? [
        { d: body, fill: 'soil', line: 'pot', width: 5 },
        { d: 'M14 42H86', line: 'pot', width: 5 },
      ]
    : [
        { d: body, fill: 'pot', line: 'line', width: 1.8 },
        { d: 'M12 38H88V50H12Z', fill: 'pot', line: 'line', width: 1.8 },
        { d: 'M16 38H84', line: 'soil', width: 4 },
      ];
}

/** The sun with its rays. */
export function sun(x: number, y: number, r = 8): Mark[] {
  const rays = Array.from({ length: 8 }, (_, n) => {
    const turn = (n / 8) * 2 * Math.PI;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    return through([[x + c * r * 1.35, y + s * r * 1.35], [x + c * r * 1.85, y + s * r * 1.85]]);
  }); // prettier-ignore
  return [
    { d: disc([x, y], r), fill: 'yellow', line: 'orange', width: 1.4 },
    { d: rays.join(''), line: 'orange', width: 1.8 },
  ];
}

/** How far down its field a grown plant begins. */
export const topOf = (grown: Grown): number =>
  grown.habit === 'leaf' || grown.habit === 'head' ? 26 : grown.habit === 'bush' ? 6 : 0;

/** Where a part of the plant is in its drawing, and how large it is there. */
export function partAt(grown: Grown, part: string): { at: Point; r: number } {
  const { spots, hangs, ground } = BUILDS[grown.habit];
  const reach = ([x, y, turn, size]: Spot): Point => placing(x, y, turn, size)([0, -55]);
  const [oldest, newest] = [spots[0], spots[spots.length - 1]];
  switch (part) {
    case 'new leaves':
      return { at: newest ? reach(newest) : [50, 30], r: 15 };
    case 'old leaves':
      return { at: oldest ? reach(oldest) : [30, 70], r: 15 };
    case 'fruit':
      return { at: hangs[1] ?? hangs[0] ?? [50, 60], r: 14 };
    case 'whole plant':
      return { at: [50, ground / 2], r: Math.min(48, ground / 2) };
    case 'medium surface':
      return { at: [84, ground], r: 9 };
    case 'root/bulb':
      return { at: hangs[0] ?? [50, 76], r: 15 };
    default:
      return { at: [50, Math.min(ground + 12, 92)], r: 12 };
  }
}
