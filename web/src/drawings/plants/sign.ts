/** Every sign as a drawing on the crop's own leaf, fruit or root; 100 by 100. */
import { blossom, bodyOf, buried, crooked, fruitMarks, kernels, sunken } from './fruit';
import { clawed, leafOf, narrowed, painted, twisted, warped, type Leaf, type Look } from './leaf';
import {
  moved,
  plantMarks,
  potMarks,
  seedling,
  soilMark,
  sun,
  trayMarks,
  type Grown,
} from './plant';
import { blot, disc, placing, through, type Ink, type Mark, type Point, type Warp } from './shape';

const centred = placing(50, 97, 0, 1.02);

/** One leaf, as large as the field. */
function one(grown: Grown, look: Look, warp: Warp = (at) => at): Mark[] {
  return painted(
    warped(leafOf(grown.leaf), (at) => centred(warp(at))),
    look,
  );
}

/** The fruit in the middle of the field; `on` adds what is seen, over its outline `d`. */
function fruit(grown: Grown, on: (d: string, body: Point[]) => Mark[]): Mark[] {
  const body = bodyOf(grown.bears);
  const at = { x: 50, y: 52, size: 0.95 };
  return moved([...fruitMarks(grown.bears), ...on(through(body, true), body)], at);
}

const line = (d: string, ink: Ink, width: number): Mark => ({ d, line: ink, width });
const filled = (d: string, fill: Ink): Mark => ({ d, fill });

/** Drops of water. */
function drops(points: readonly Point[], size = 1): Mark[] {
  return points.map(([x, y]) => ({
    d: 'M0-6C4 0 4 5 0 5S-4 0 0-6Z',
    fill: 'water' as Ink,
    line: 'ink' as Ink,
    width: 1,
    at: { x, y, size },
  }));
}

/** A plant that stands in a pot, its foot in the pot's soil. */
function potted(grown: Grown, how: Parameters<typeof plantMarks>[1], over: Mark[] = []): Mark[] {
  const plant = plantMarks(grown, { ...how, soil: false });
  const at = { x: 14, y: -8, size: 0.72 };
  return [
    ...moved(plant, at),
    { d: 'M30 62H70L66 96H34Z', fill: 'pot', line: 'line', width: 1.6 },
    { d: 'M27 60H73V66H27Z', fill: 'pot', line: 'line', width: 1.6 },
    ...over,
  ];
}

const ROOTED: Grown['habit'][] = ['root', 'bulb'];
/** Signs of the whole plant: a climber as a bush, a root crop by its leaves, so that they are seen. */
function upright(grown: Grown): Grown {
  if (grown.habit === 'vine') return { ...grown, habit: 'bush' };
  return ROOTED.includes(grown.habit) && grown.leaf !== 'strap'
    ? { ...grown, habit: 'leaf' }
    : grown;
}

/** Two leaves of a plant, the others as they are when all is well. */
const lowest =
  (look: Look): ((age: number) => Look) =>
  (age) =>
    age <= 0.05 ? look : age >= 0.9 ? 'young' : 'well';

const newest =
  (look: Look, down = 0.85): ((age: number) => Look) =>
  (age) =>
    age >= down ? look : 'well';

/** A root, bulb or head cut in two. */
function cut(grown: Grown, inner: Ink, core: Mark[]): Mark[] {
  return fruit(grown, (d) => [
    { d, fill: inner },
    { d, line: 'line', width: 5, inside: d },
    ...core.map((mark) => ({ ...mark, inside: d })),
  ]);
}

/** An uneven edge along the surface of a pot. */
const CRUST = Array.from({ length: 13 }, (_, n): Point => [18 + (64 * n) / 12, 36 - (n % 2) * 2]);

const DRAWN: Record<string, (grown: Grown) => Mark[]> = {
  old_even_pale: (g) => one(g, 'pale'),
  old_between_veins: (g) => one(g, 'between'),
  old_edge_scorch: (g) => one(g, 'edge'),
  old_purple: (g) => one(g, 'purple'),
  old_spots_rings: (g) => one(g, 'rings'),
  old_white_powder: (g) => one(g, 'powder'),
  old_one_side_yellow: (g) => one(g, 'half'),
  old_bottom_two: (g) => plantMarks(upright(g), { look: lowest('yellow') }),
  new_veins_green: (g) => one(g, 'netted'),
  new_even_pale: (g) => plantMarks(upright(g), { look: newest('yellow', 0.55) }),
  mid_mottle: (g) => one(g, 'mottle'),
  tip_burn_inner: (g) => plantMarks(upright(g), { look: newest('inner_edge', 0.75) }),
  new_fern_twist: (g) => one(g, 'young', twisted),
  new_thick_brittle: (g) => brittle(g),
  new_mosaic: (g) => one(g, 'mosaic', ([x, y]) => [x + 2.4 * Math.sin(y / 3.2), y]),
  leaf_roll_low: (g) => [
    ...one(g, 'rolled', narrowed(0.5)),
    // cut across: both edges turned in
    line(
      'M8 34C4 22 14 16 18 24 20 30 12 30 13 25M8 34C12 42 26 42 30 34 34 22 24 16 20 24 18 30 26 30 25 25',
      'ink',
      2.4,
    ),
  ],
  claw_dark: (g) => [...one(g, 'deep', clawed), line('M22 97V70', 'deep', 3)],
  edge_cup_up: (g) => [
    ...one(g, 'cupped', narrowed(0.78)),
    line('M6 20C8 34 30 34 32 20M3 24l3-5 4 4M28 23l4-4 3 5', 'ink', 2.4),
  ],
  tip_black: (g) => blackTip(upright(g)),
  stipple_silver: (g) => [
    ...one(g, 'stipple'),
    line('M60 98L96 62M70 99L97 72M64 82L84 98M74 73L95 90M52 99L98 54', 'ink', 0.7),
  ],
  bleach_patch: (g) => [...one(g, 'bleached'), ...sun(14, 14, 7)],
  holes: (g) => one(g, 'holes'),
  whiptail: (g) => one(g, 'well', narrowed(0.2)),
  no_tip: (g) => blind(g),
  fruit_end_black: (g) => fruit(g, (d) => sunken(g.bears, d)),
  fruit_crack: (g) =>
    fruit(g, (d) => [
      { d: crooked([[-6, -34], [-11, -14], [-2, 2], [-8, 22]]), line: 'cream', width: 5, inside: d },
      { d: crooked([[-6, -34], [-11, -14], [-2, 2], [-8, 22]]), line: 'dark', width: 2.6, inside: d },
      { d: crooked([[10, -34], [15, -12], [9, 6]]), line: 'cream', width: 4, inside: d },
      { d: crooked([[10, -34], [15, -12], [9, 6]]), line: 'dark', width: 2.2, inside: d },
    ]), // prettier-ignore
  fruit_blotch: (g) =>
    fruit(g, (d) => [
      { d: blot([-12, -26], 20, 1), fill: 'yellow', inside: d },
      { d: blot([16, -26], 18, 2), fill: 'young', inside: d },
      { d: blot([18, 6], 9, 3), fill: 'yellow', inside: d },
      { d: blot([-16, 10], 7, 5), fill: 'young', inside: d },
      { d, line: 'line', width: 1.8 },
    ]),
  fruit_sunscald: (g) => [
    ...fruit(g, (d) => [
      { d: blot([12, -6], 17, 2), fill: 'root', inside: d },
      { d: blot([12, -6], 13, 2), fill: 'white', inside: d },
      { d: 'M4-12q4-4 8 0t8 0M6-4q4-4 8 0t6 0', line: 'root', width: 1.4, inside: d },
    ]),
    ...sun(88, 13, 7),
  ],
  lush_no_fruit: (g) => [
    ...plantMarks(g, { look: () => 'deep', leaves: 1.25 }),
    ...moved([...fruitMarks(g.bears, 1, 'panel').map((mark) => ({ ...mark, dash: '5 5' })), line('M-38-38L38 38', 'red', 7)], { x: 83, y: 80, size: 0.3 }), // prettier-ignore
  ],
  flower_drop: () => [
    line('M50 4V30M50 16L30 26M50 16L70 26', 'deep', 3.4),
    line('M30 26v5M70 26v5M50 30v4', 'root', 4),
    ...moved(blossom(12), { x: 30, y: 60, size: 1, turn: 20 }),
    ...moved(blossom(12), { x: 68, y: 76, size: 1, turn: -30 }),
    ...moved(blossom(12), { x: 46, y: 86, size: 0.9, turn: 60 }),
    { d: 'M30 36V46M70 36V60M50 40V70', line: 'ink', width: 1.6, dash: '2 4' },
  ],
  fruit_bent: (g) => {
    const d = through(
      bodyOf(g.bears).map(([x, y]): Point => {
        const t = (y + 46) / 92;
        const waist = 1 - 0.55 * Math.exp(-(((t - 0.42) / 0.16) ** 2));
        return [x * waist * (0.8 + 0.5 * t) + Math.sin(t * Math.PI) * 30 - 16, y * 0.9];
      }),
      true,
    );
    return moved([
      { d, fill: 'deep' },
      { d: crooked([[-15, -38], [13, 0], [-12, 38]]), line: 'young', width: 1.6, inside: d },
      { d, line: 'line', width: 1.8 },
      line('M-15-40L-18-47', 'deep', 4),
    ], { x: 50, y: 52, size: 1 }); // prettier-ignore
  },
  young_fruit_rot: (g) => {
    const d = through(bodyOf(g.bears, 0.6, 0.6), true);
    return moved([
      { d, fill: 'yellow' },
      { d: blot([0, 22], 13, 2), fill: 'brown', inside: d },
      { d: blot([0, 27], 9, 4), fill: 'dark', inside: d },
      { d, line: 'line', width: 1.8 },
      line('M0-24V-40', 'deep', 3.4),
      ...moved(blossom(10, 'brown', 'dark'), { x: 0, y: 33, size: 0.9 }),
    ], { x: 50, y: 50, size: 1.1 }); // prettier-ignore
  },
  fruit_catface: (g) =>
    fruit(g, (d) => [
      { d: 'M-22 10Q-10 20-4 8Q2 22 8 10Q16 22 24 8', line: 'brown', width: 5, inside: d },
      { d: 'M-14 22Q-4 14 2 24Q8 16 14 22', line: 'brown', width: 4, inside: d },
      { d: disc([-3, 16], 4.5, 6), fill: 'dark', inside: d },
      { d: disc([10, 19], 3.5, 4.5), fill: 'dark', inside: d },
    ]),
  hollow_brown_heart: (g) =>
    cut(g, 'cream', [
      { d: blot([0, g.bears === 'curd' ? 30 : 2], g.bears === 'curd' ? 9 : 13, 3), fill: 'brown' },
      { d: blot([0, g.bears === 'curd' ? 30 : 2], g.bears === 'curd' ? 6 : 8, 5), fill: 'dark' },
    ]),
  root_forked: (g) => forked(g),
  scab: (g) =>
    fruit(g, (d, body) => [
      ...[[-18, -10], [8, -16], [20, 4], [-6, 10], [-22, 8], [6, 22]].flatMap(([x, y], n): Mark[] => {
        const at: Point = [(x ?? 0) * 0.9 * Math.min(1, Math.max(...body.map((p) => p[0])) / 30), y ?? 0];
        return [
          { d: blot(at, 6.5, n), fill: 'brown', inside: d },
          { d: blot(at, 4, n + 2), fill: 'soil', inside: d },
          { d: `M${String(at[0] - 4)} ${String(at[1])}l3-2 2 3 3-3`, line: 'dark', width: 1.1, inside: d },
        ];
      }),
    ]), // prettier-ignore
  all_tops: (g) => [
    ...plantMarks({ ...g, habit: 'root' }, { leaves: 1.12, soil: false }),
    soilMark(57),
    ...(g.bears === 'bulb'
      ? moved(fruitMarks('bulb'), { x: 50, y: 66, size: 0.2 })
      : [line('M50 57V90M50 66l-8 8M50 72l7 7M50 80l-5 6', g.bears === 'globe' ? 'purple' : 'orange', 3)]), // prettier-ignore
  ],
  thick_neck: () => [
    soilMark(82),
    ...moved([...painted(warped(leafOf('strap'), placing(-8, -16, -26, 0.62)), 'well', 0.8), ...painted(warped(leafOf('strap'), placing(8, -16, 26, 0.62)), 'well', 0.8), ...painted(warped(leafOf('strap'), placing(0, -16, 0, 0.66)), 'well', 0.8)], { x: 50, y: 60, size: 0.9 }), // prettier-ignore
    { d: 'M36 34C36 58 30 62 24 74 22 90 38 95 50 95S78 90 76 74C70 62 64 58 64 34Z', fill: 'orange', line: 'line', width: 1.8 },
    { d: 'M36 34C37 46 36 54 34 60C44 64 56 64 66 60C64 54 63 46 64 34Z', fill: 'green', line: 'line', width: 1.6 },
    line('M44 36V60M56 36V60', 'deep', 1.4),
  ], // prettier-ignore
  corn_gaps: (g) =>
    fruit(g, (d) => [
      { d, fill: 'cream' },
      ...kernels(d, (column, row) => row < 3 || (column * 3 + row * 5) % 4 === 0).filter((mark) => mark.fill !== 'cream'), // prettier-ignore
      { d, line: 'line', width: 1.8 },
      { d: 'M-17 14C-34-6-26-22-20-30-20-6-14 16 0 42-10 40-16 30-17 14ZM17 14C34-6 26-22 20-30 20-6 14 16 0 42 10 40 16 30 17 14Z', fill: 'green', line: 'line', width: 1.4 },
    ]), // prettier-ignore
  wilt_noon: (g) => [...plantMarks(upright(g), { droop: 78 }), ...sun(84, 14, 9)],
  wilt_wet: (g) =>
    potted(upright(g), { droop: 78 }, [
      filled('M31 68H69L66 94H34Z', 'water'),
      ...drops([[40, 76], [52, 84], [60, 74], [24, 92], [78, 94]]),
    ]), // prettier-ignore
  stunt_dark: (g) => [
    ...plantMarks(upright(g), { leaves: 1 }).map((mark): Mark => ({ d: mark.d, line: mark.line === 'line' || mark.line === 'deep' ? 'root' : undefined, width: 1, dash: '2 3', inside: mark.inside, fade: mark.inside ? 0 : 0.8 })).filter((mark) => mark.line), // prettier-ignore
    soilMark(upright(g).habit === 'bulb' ? 80 : 90),
    ...plantMarks(upright(g), { size: 0.42, look: () => 'deep', soil: false }),
  ],
  seedling_leggy: (g) => [
    ...trayMarks(),
    ...[22, 50, 78].flatMap((x) =>
      seedling(g, { x, y: 66, tall: 48, lean: 12, look: 'pale', leaf: 0.7, seed: 0.8 }),
    ),
    ...sun(88, 13, 6),
  ],
  seedling_collapse: (g) => [
    ...trayMarks(),
    ...seedling(g, { x: 22, y: 66, tall: 26 }),
    ...fallen(g, 52, 1),
    ...fallen(g, 74, 1),
  ],
  seedling_stuck: (g) => [
    ...trayMarks(),
    ...[22, 50, 78].flatMap((x) => seedling(g, { x, y: 66, tall: 9, own: false, seed: 0.8 })),
    line('M34 8H66V40H34ZM34 17H66M42 4v7M58 4v7', 'ink', 2),
    line('M42 24h4M54 24h4M42 32h4M54 32h4', 'ink', 2.4),
  ],
  bolting: (g) => bolted(g),
  soft_aphids: (g) => aphids(upright(g)),
  burn_after_feed: (g) => [
    ...one(g, 'tip_edge'),
    { d: 'M6 8H26V22A4 4 0 0 1 22 26H10A4 4 0 0 1 6 22ZM26 12L38 6M36 3l5 6', line: 'ink', fill: 'panel', width: 2.2 },
    ...drops([[42, 17], [38, 24]], 0.8),
  ], // prettier-ignore
  yellow_after_woodchip: (g) => [
    ...plantMarks(upright(g), { size: 0.62, look: () => 'pale', at: 28 }),
    ...plantMarks(upright(g), { size: 0.62, look: () => 'pale', at: 72, soil: false }),
    ...Array.from({ length: 26 }, (_, n): Mark => ({
      d: 'M-5-2L4-3 5 2-4 3Z',
      fill: n % 3 ? 'root' : 'orange',
      line: 'line',
      width: 0.8,
      at: { x: 8 + ((n * 37) % 86), y: (upright(g).habit === 'bulb' ? 83 : 91) + ((n * 5) % 8), size: 1, turn: (n * 47) % 180 },
    })),
  ], // prettier-ignore
  acid_crop_yellow: (g) => one(g, 'acid'),
  citrus_winter: (g) => [
    ...one(g, 'midrib', ([x, y]) => [x * 0.8 - 4, y * 0.82]),
    ...moved(painted(warped(leafOf(g.leaf), placing(0, 0, 100, 0.3)), 'yellow', 0.5), { x: 66, y: 92, size: 1 }), // prettier-ignore
    line('M84 8V32M74 14L94 26M94 14L74 26M80 10l4 3 4-3M80 30l4-3 4 3', 'water', 2.6),
  ],
  white_crust: () => [
    ...potMarks(),
    { d: through([...CRUST, [84, 42], [16, 42]], true), fill: 'white', line: 'ink', width: 1.2 },
    { d: 'M13 47H87', line: 'white', width: 4 },
  ], // prettier-ignore
  green_algae: () => [
    ...potMarks(),
    { d: 'M15 40C20 32 26 38 32 34S44 38 50 34 64 38 70 34 80 36 85 40L84 44H16Z', fill: 'green', line: 'deep', width: 1.4 },
    { d: 'M22 44c0 6 3 6 3 0M40 44c0 9 4 9 4 0M66 44c0 7 3 7 3 0', fill: 'green', line: 'deep', width: 1 },
  ], // prettier-ignore
  gnats: () => [
    ...potMarks(),
    ...[[22, 24], [36, 12], [50, 28], [64, 10], [78, 22], [88, 8], [44, 34]].flatMap(([x, y]) => fly(x ?? 0, y ?? 0)), // prettier-ignore
  ],
  fuzzy_mould: () => [
    ...potMarks(),
    ...Array.from({ length: 9 }, (_, n): Mark[] => {
      const at: Point = [22 + n * 7, 35 - (n % 2) * 3];
      const hairs = Array.from({ length: 9 }, (_, h) => `M${String(at[0])} ${String(at[1])}l${String((h - 4) * 1.9)} ${String(-9 + Math.abs(h - 4))}`); // prettier-ignore
      return [
        { d: blot(at, 5.5, n), fill: 'white', line: 'root', width: 0.8 },
        { d: hairs.join(''), line: 'root', width: 0.8 },
      ];
    }).flat(),
  ],
  root_brown: () => [
    ...potMarks(true),
    line('M50 42V28M50 30C40 26 36 18 36 12M50 30C60 26 64 18 64 12', 'deep', 3),
    line('M50 42C44 56 34 62 32 84M50 42C50 60 48 70 50 88M50 42C56 56 66 62 68 84M44 56C38 60 40 72 42 82M57 58C60 66 58 74 59 84', 'dark', 4.4),
    line('M50 42C44 56 34 62 32 84M50 42C50 60 48 70 50 88M50 42C56 56 66 62 68 84', 'brown', 2.2),
    ...drops([[32, 89], [68, 89], [50, 92]], 0.7),
  ], // prettier-ignore
  root_circle: () => [
    { d: 'M20 34H80L72 90H28Z', fill: 'soil', line: 'line', width: 1.6 },
    ...[38, 45, 52, 59, 66, 73, 80, 86].map((y, n) => {
      const [a, b] = [21 + (y - 34) / 7, 79 - (y - 34) / 7];
      return line(`M${String(a)} ${String(y)}C40 ${String(y + 6 - (n % 2) * 4)} 62 ${String(y - 4 + (n % 3) * 4)} ${String(b)} ${String(y + 1)}`, 'cream', 2.6); // prettier-ignore
    }),
    line('M26 60V88M74 58V88M40 84q10 8 22 0', 'cream', 2.2),
    line('M50 34V18M50 24C42 22 38 16 38 10M50 24C58 22 62 16 62 10', 'deep', 3),
    line('M88 30C94 50 92 70 84 88M79 84l4 6 5-4', 'ink', 2),
  ],
  water_runs_through: () => [
    ...potMarks(true),
    { d: 'M28 46H72L66 92H34Z', fill: 'root', line: 'line', width: 1.2 },
    line('M22 40L29 92M78 40L71 92', 'water', 5),
    ...drops([[20, 26], [32, 18], [68, 18], [80, 26], [50, 14], [32, 98], [50, 98], [68, 98]], 0.9),
    line('M38 58l6 3-5 4M58 62l-5 5 6 3M44 78l5-4 3 5', 'line', 1.2),
  ], // prettier-ignore
  ammonia_smell: () => [
    ...potMarks(),
    line('M30 30C24 24 36 20 30 10M50 30C44 24 56 20 50 8M70 30C64 24 76 20 70 10', 'ink', 3),
    ...[24, 38, 52, 66, 78].map((x, n): Mark => ({ d: blot([x, 37], 4.5, n), fill: 'brown', line: 'line', width: 1 })),
  ], // prettier-ignore
  blight_collapse: (g) => [
    ...plantMarks(upright(g), { droop: 26, look: (age) => (age > 0.85 ? 'dying' : 'blight') }),
    line('M50 84V74M50 62V56M50 46V42', 'dark', 5),
    ...(buried(g.bears) ? [] : moved([...fruitMarks(g.bears, 0), { d: blot([-6, -8], 20, 1), fill: 'brown', inside: through(bodyOf(g.bears), true) }], { x: 70, y: 74, size: 0.3 })), // prettier-ignore
  ],
};

/** Corky, cracked stalks, short thick leaves. */
function brittle(g: Grown): Mark[] {
  const leaf: Leaf = warped(leafOf(g.leaf), ([x, y]) => centred([x * 0.82, y * 0.5 - 34]));
  return [
    line('M50 97V60', 'green', 13),
    line('M50 97V60', 'young', 10),
    ...[66, 74, 82, 90].map((y) => line(`M44 ${String(y)}q6 4 12-1`, 'brown', 3)),
    ...painted(leaf, 'deep', 1.8),
  ];
}

function blackTip(g: Grown): Mark[] {
  const plant = plantMarks(g, { look: newest('dying'), only: (age) => age < 0.85 });
  const y = { bush: 34, vine: 14, grass: 14, leaf: 62, head: 58, root: 40, bulb: 40 }[g.habit];
  return [
    ...plant,
    ...(g.habit === 'leaf' || g.habit === 'head' ? [line(`M50 ${String(y + 20)}V${String(y)}`, 'deep', 4)] : []),
    { d: `M50 ${String(y + 12)}C42 ${String(y + 8)} 40 ${String(y - 2)} 45 ${String(y - 8)} 47 ${String(y - 2)} 50 ${String(y - 4)} 52 ${String(y - 11)} 58 ${String(y - 4)} 58 ${String(y + 8)} 50 ${String(y + 12)}Z`, fill: 'dark', line: 'ink', width: 1.4 },
  ]; // prettier-ignore
}

/** Seed leaves and a pair of its own, and nothing between them. */
function blind(g: Grown): Mark[] {
  const leafs = [64, -64].flatMap((turn) =>
    painted(warped(leafOf(g.leaf), placing(50, 52, turn, 0.46)), 'well', 0.6),
  );
  return [
    soilMark(92),
    line('M50 92V52', 'green', 4),
    ...leafs,
    line('M46 51H54', 'brown', 4),
    { d: disc([50, 30], 12), line: 'red', width: 2, dash: '3 4' },
    line('M42 38L58 22', 'red', 2),
  ];
}

function forked(g: Grown): Mark[] {
  const ink: Ink = g.bears === 'globe' ? 'purple' : 'orange';
  const d = 'M36 30C48 26 52 26 64 30 66 42 60 48 62 58 66 70 74 80 78 92 66 84 56 72 52 60 50 74 46 86 34 96 38 82 40 72 40 60 32 70 26 74 16 78 26 68 34 56 34 46 33 40 33 36 36 30Z'; // prettier-ignore
  return [
    line('M46 28C42 18 38 12 30 8M50 28V6M54 28C58 18 62 12 70 8', 'deep', 3.4),
    { d, fill: ink, line: 'line', width: 1.8 },
    line(
      'M40 40H48M60 38H54M44 52H50M24 72l-6 0M70 82l6-1M38 86l-6 2M63 62l6-3M34 58l-6-2',
      'line',
      1.1,
    ),
  ];
}

/** A seedling that has toppled, its stem pinched at the soil. */
function fallen(g: Grown, x: number, way: number): Mark[] {
  return [
    line(`M${String(x)} 65C${String(x + way)} 60 ${String(x + 3 * way)} 59 ${String(x + 5 * way)} 59`, 'dark', 1.4),
    line(`M${String(x + 5 * way)} 59C${String(x + 10 * way)} 57 ${String(x + 14 * way)} 59 ${String(x + 17 * way)} 62`, 'green', 2.2),
    ...[60, 130].flatMap((turn) =>
      painted(warped(leafOf(g.leaf === 'strap' ? 'strap' : 'long'), placing(x + 16 * way, 61, turn * way, 0.14)), 'pale', 0.4),
    ),
  ]; // prettier-ignore
}

/** A flower stalk out of the middle of what should have stayed leaf, root or bulb. */
function bolted(g: Grown): Mark[] {
  const shape = g.habit === 'bulb' ? g : { ...g, habit: 'leaf' as const };
  const low = shape.habit === 'bulb' ? 70 : 86;
  const small = [62, 48].flatMap((y, n) =>
    painted(warped(leafOf(g.leaf), placing(50, y, n ? -44 : 44, 0.2)), 'young', 0.34),
  );
  return [
    ...plantMarks(shape, { size: 0.7, only: (age) => age < 0.9 }),
    line(`M50 ${String(low)}V14`, 'green', 4),
    ...small,
    ...(g.leaf === 'strap'
      ? [{ d: disc([50, 13], 10), fill: 'purple' as Ink, line: 'line' as Ink, width: 1.4 }]
      : [line('M50 30L38 20M50 30L62 20M50 22L42 10M50 22L58 10', 'green', 2.4), ...[[38, 18], [62, 18], [42, 8], [58, 8], [50, 10]].flatMap(([x, y]) => moved(blossom(6), { x: x ?? 0, y: y ?? 0, size: 1 }))]),
  ]; // prettier-ignore
}

/** Soft, tall, leaning over, and covered in aphids. */
function aphids(g: Grown): Mark[] {
  const bug = (x: number, y: number, n: number): Mark[] => [
    { d: 'M0-2.6C2.8-2.6 3.2 3 0 3S-2.8-2.6 0-2.6Z', fill: 'dark', at: { x, y, size: 1, turn: n * 40 } },
    { d: 'M-3-1L3-1M-3.4 1.4L3.4 1.4', line: 'dark', width: 0.7, at: { x, y, size: 1, turn: n * 40 } },
  ]; // prettier-ignore
  const leaf = warped(leafOf(g.leaf), (at) => placing(30, 96, 22, 1.02)([at[0], at[1]]));
  return [
    ...painted(leaf, 'young'),
    ...Array.from({ length: 20 }, (_, n) => {
      const t = 0.12 + (n / 20) * 0.74;
      const side = (n % 3) - 1;
      const [x, y] = placing(30, 96, 22, 1.02)([side * 5, -84 * t]);
      return bug(x, y, n);
    }).flat(),
  ];
}

function fly(x: number, y: number): Mark[] {
  const at = { x, y, size: 1.1 };
  return [
    { d: 'M0-1C-6-7-10-3-1 1ZM0-1C6-7 10-3 1 1Z', fill: 'white', line: 'ink', width: 0.8, at },
    { d: 'M0-3C2-3 2 4 0 4S-2-3 0-3Z', fill: 'dark', at },
    { d: 'M-1 3l-3 4M1 3l3 4', line: 'dark', width: 0.8, at },
  ];
}

/** The small plant beside a leaf that says which of its leaves are meant. */
const WHERE: Record<string, string> = {
  'old leaves': 'M-1 6C-9 2-13 4-14 8-9 10-4 10-1 6ZM1 6C9 2 13 4 14 8 9 10 4 10 1 6Z',
  'new leaves': 'M-1-9C-8-14-11-12-12-9-8-6-4-6-1-9ZM1-9C8-14 11-12 12-9 8-6 4-6 1-9ZM0-11C-3-16-2-19 0-21 2-19 3-16 0-11Z',
}; // prettier-ignore
const OTHERS = 'M0 14V-12M-1 6C-9 2-13 4-14 8-9 10-4 10-1 6ZM1 6C9 2 13 4 14 8 9 10 4 10 1 6ZM-1-2C-9-7-12-5-13-1-9 1-4 1-1-2ZM1-2C9-7 12-5 13-1 9 1 4 1 1-2ZM-1-9C-8-14-11-12-12-9-8-6-4-6-1-9ZM1-9C8-14 11-12 12-9 8-6 4-6 1-9Z'; // prettier-ignore

/** The keys of all signs that have a drawing. */
export const SIGNS = Object.keys(DRAWN);

/** A sign on a crop; a sign that nobody drew yet shows the leaf as it is. */
export function signMarks(sign: { key: string; position: string }, grown: Grown): Mark[] {
  const drawn = (DRAWN[sign.key] ?? ((g: Grown) => one(g, 'well')))(grown);
  const where = WHERE[sign.position];
  if (!where) return drawn;
  const at = { x: 85, y: 82, size: 0.8 };
  const aside = { x: 0, y: 2, size: 0.88 };
  return [
    ...drawn.map((mark): Mark => (mark.at ? mark : { ...mark, at: aside })),
    { d: disc([0, -3], 18), fill: 'panel', line: 'root', width: 1, at },
    { d: OTHERS, line: 'ink', width: 0.9, at },
    { d: where, fill: 'ink', at },
  ];
}
