/** Every stage of growth by habit, as the plant looks then; 100 by 100. */
import { blossom, buried, fruitMarks } from './fruit';
import {
  bearing,
  flowering,
  moved,
  plantMarks,
  seedling,
  soilMark,
  type Grown,
  type Shown,
} from './plant';
import type { Mark } from './shape';

/** What the picked part does at a stage below the ground or in the heart: its size. */
const SWELLS: Record<string, number> = { root_fill: 0.3, bulbing: 0.34, heading: 0.42, ripening: 0.42, harvest: 0.44, wind_down: 0.4 }; // prettier-ignore

/** Roots, bulbs and heads at their place. */
function swelling(grown: Grown, stage: string): Mark[] {
  const size = SWELLS[stage];
  if (!size) return [];
  const [y, big] =
    grown.habit === 'head' ? [66, 0.8] : grown.habit === 'bulb' ? [80, 1] : [72, 1.1];
  const marks = fruitMarks(grown.bears).filter(
    (mark) => grown.habit === 'root' || mark.line !== 'deep',
  );
  if (grown.bears === 'tuber')
    return [[36, 74], [54, 82], [66, 70]].flatMap(([x, ty]) => moved(marks, { x: x ?? 50, y: ty ?? 76, size: size * 0.75 })); // prettier-ignore
  return moved(marks, { x: 50, y, size: size * big });
}

const NOT_BORNE = new Set<Grown['bears']>(['leaves', 'flower']);

/** What stands on the plant at a stage. */
function borne(grown: Grown, stage: string): Mark[] {
  if (buried(grown.bears) || grown.habit === 'head' || grown.habit === 'bulb')
    return stage === 'flowering'
      ? [38, 62].flatMap((x) => moved(blossom(12, 'white'), { x, y: 12, size: 0.55 })) // over its leaves
      : swelling(grown, stage);
  if (stage === 'flowering')
    return grown.bears === 'flower'
      ? moved(blossom(12, 'orange', 'brown'), { x: 50, y: 26, size: 1.4 }).concat(
          flowering(grown, 1.2, 'orange'),
        )
      : flowering(grown);
  if (NOT_BORNE.has(grown.bears)) return [];
  const one = { fruit_set: [0, 0.15], fruit_fill: [0, 0.27], ripening: [0.6, 0.29], harvest: [1, 0.31], wind_down: [1, 0.24] }[stage]; // prettier-ignore
  if (!one) return [];
  const marks = bearing(grown, {
    ripe: one[0] ?? 0,
    size: one[1] ?? 0.2,
    count: stage === 'wind_down' ? 1 : 4,
  });
  return stage === 'fruit_set' ? [...marks, ...flowering(grown, 0.7).slice(-6)] : marks;
}

/** The frame of leaves at a stage. */
const FRAME: Record<string, Shown> = {
  establishing: { size: 0.46 },
  vegetative: { size: 0.84 },
  wind_down: {
    look: (age) => (age < 0.35 ? 'yellow' : 'pale'),
    only: (age) => age > 0.05,
    droop: 12,
  },
};

/** Baskets stand by what is picked now. */
const BASKET: Mark[] = [
  { d: 'M66 84H96L92 98H70Z', fill: 'root', line: 'line', width: 1.6 },
  { d: 'M68 89H94M70 94H93M70 84C72 68 90 68 92 84', line: 'line', width: 1.6 },
];

const SCISSORS: Mark = {
  d: 'M14 58L34 70M14 70L34 58M9 57a4 4 0 1 0 .1 0M9 71a4 4 0 1 0 .1 0',
  line: 'ink',
  width: 2,
};
const TOOLS = [...BASKET, SCISSORS];

/** A plant as it stands at a stage, with its roots, to point at. */
export function pointedAt(stage: string, grown: Grown): Mark[] {
  const marks = stageMarks(stage, grown).filter((mark) => !TOOLS.includes(mark));
  if (grown.habit === 'root' || grown.habit === 'bulb') return marks;
  const roots = 'M50 88V99M50 90C44 92 40 94 38 99M50 90C56 92 60 94 62 99M50 92C46 94 45 96 45 99';
  return [{ d: roots, line: 'root', width: 2 }, ...marks];
}

/** A stage on a crop. */
export function stageMarks(stage: string, grown: Grown): Mark[] {
  const ground = 84;
  if (stage === 'germination')
    return [
      soilMark(ground),
      { d: 'M50 84C50 64 52 56 58 56 64 56 65 62 62 68', line: 'green', width: 4 },
      ...moved([{ d: 'M-8 0C-8-8 8-8 8 0 8 8-8 8-8 0Z', fill: 'young', line: 'line', width: 1.6 }], { x: 62, y: 72, size: 1, turn: 60 }), // prettier-ignore
      { d: 'M50 84V96M50 90l-6 5M50 92l6 4', line: 'root', width: 2 },
      { d: 'M38 84l6-5M66 84l-4-4', line: 'soil', width: 2 },
    ];
  if (stage === 'seedling')
    return [soilMark(ground), ...seedling(grown, { x: 50, y: ground, tall: 40, leaf: 1.5, seed: 1.7 })]; // prettier-ignore
  const leaves = plantMarks(grown, FRAME[stage] ?? {});
  const under = grown.habit === 'root' || grown.habit === 'bulb';
  const on = borne(grown, stage);
  const marks = under && stage !== 'flowering' ? [...on, ...leaves] : [...leaves, ...on];
  const picked = stage === 'harvest' && grown.bears === 'leaves' ? [SCISSORS] : [];
  return [...marks, ...picked, ...(stage === 'harvest' ? BASKET : [])];
}
