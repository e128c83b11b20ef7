/** Geometry of the plant drawings: outlines given by hand on one half, made whole and round. */

export type Point = readonly [x: number, y: number];

/** The inks of plants, each a token of the style sheet. */
export type Ink =
  | 'green'
  | 'deep'
  | 'young'
  | 'pale'
  | 'yellow'
  | 'cream'
  | 'brown'
  | 'dark'
  | 'purple'
  | 'white'
  | 'red'
  | 'orange'
  | 'soil'
  | 'root'
  | 'pot'
  | 'water'
  | 'line'
  | 'ink'
  | 'panel'
  | 'ring';

/** One stroke or face of a drawing; `inside` is the outline that it may not leave. */
export interface Mark {
  d: string;
  fill?: Ink;
  line?: Ink;
  width?: number;
  inside?: string;
  dash?: string;
  fade?: number;
  /** Where the mark is moved to as a whole, how large and how far turned. */
  at?: { x: number; y: number; size: number; turn?: number };
}

const STEPS = 5;
const rounded = (value: number): number => Math.round(value * 10) / 10;

/** A path through points, straight from one to the next. */
export function through(points: readonly Point[], closed = false): string {
  const said = points.map(([x, y]) => `${rounded(x)} ${rounded(y)}`);
  return `M${said.join('L')}${closed ? 'Z' : ''}`;
}

/** More points on a smooth curve through the given ones (Catmull and Rom). */
export function smooth(points: readonly Point[]): Point[] {
  const found: Point[] = [];
  points.forEach((from, index) => {
    const to = points[index + 1];
    if (!to) return;
    const before = points[index - 1] ?? from;
    const after = points[index + 2] ?? to;
    for (let step = 0; step < STEPS; step++) {
      const t = step / STEPS;
      const at = (axis: 0 | 1): number =>
        0.5 *
        (2 * from[axis] +
          (to[axis] - before[axis]) * t +
          (2 * before[axis] - 5 * from[axis] + 4 * to[axis] - after[axis]) * t * t +
          (3 * from[axis] - before[axis] - 3 * to[axis] + after[axis]) * t * t * t);
      found.push([at(0), at(1)]);
    }
  });
  const last = points[points.length - 1];
  if (last) found.push(last);
  return found;
}

/** A whole outline from its right half, from the foot to the head. */
export function mirrored(half: readonly Point[]): Point[] {
  const right = smooth(half);
  const left = right.map(([x, y]): Point => [-x, y]).reverse();
  return [...right, ...left.slice(1)];
}

export type Warp = (point: Point) => Point;

/** Turned by degrees (clockwise), made larger, then moved. */
export function placing(x: number, y: number, degrees = 0, size = 1, narrow = 1): Warp {
  const turn = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn) * size, Math.sin(turn) * size];
  return ([px, py]) => [x + px * narrow * cos - py * sin, y + px * narrow * sin + py * cos];
}

/** Whether a point lies within an outline. */
export function within([x, y]: Point, outline: readonly Point[]): boolean {
  let inside = false;
  outline.forEach(([ax, ay], index) => {
    const [bx, by] = outline[index + 1] ?? outline[0] ?? [ax, ay];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  });
  return inside;
}

/** Points spread evenly over outlines, the same ones each time. */
export function scattered(outlines: readonly (readonly Point[])[], count: number): Point[] {
  const all = outlines.flat();
  const low = [0, 1].map((axis) => Math.min(...all.map((point) => point[axis as 0 | 1])));
  const high = [0, 1].map((axis) => Math.max(...all.map((point) => point[axis as 0 | 1])));
  const found: Point[] = [];
  for (let n = 1; found.length < count && n < 60 * count; n++) {
    const u = (n * 0.7548776662) % 1; // the plastic number's sequence fills a plane evenly
    const v = (n * 0.5698402909) % 1;
    const at: Point = [
      (low[0] ?? 0) + u * ((high[0] ?? 0) - (low[0] ?? 0)),
      (low[1] ?? 0) + v * ((high[1] ?? 0) - (low[1] ?? 0)),
    ];
    if (outlines.some((outline) => within(at, outline))) found.push(at);
  }
  return found;
}

/** A disc. */
export function disc([x, y]: Point, r: number, ry = r): string {
  const [a, b] = [rounded(x - r), rounded(y)];
  return `M${a} ${b}a${rounded(r)} ${rounded(ry)} 0 1 0 ${rounded(2 * r)} 0a${rounded(r)} ${rounded(ry)} 0 1 0 ${rounded(-2 * r)} 0Z`;
}

/** A blot: a disc whose edge is not even. */
export function blot([x, y]: Point, r: number, seed = 0): string {
  const points = Array.from({ length: 12 }, (_, index): Point => {
    const far = r * (0.94 + 0.13 * Math.sin(seed * 7.3 + index * 1.9));
    const turn = (index / 12) * 2 * Math.PI;
    return [x + far * Math.cos(turn), y + far * Math.sin(turn)];
  });
  const first = points[0];
  return first ? through(smooth([...points, first]), true) : '';
}
