/** Pure geometry of a chart over time: instants in ms, conductivity in mS/cm, lengths in px. */

export interface Frame {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Scales {
  x: (at: number) => number;
  y: (ec: number) => number;
  days: { x: number; at: number }[];
  steps: { y: number; ec: number }[];
}

const DAY = 86_400_000;
const NICE_DAYS = [1, 2, 7, 14, 28, 91];
const NICE_EC = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20];

/** Scales that hold all instants and values, with a handful of marks on each axis. */
export function scalesFor(frame: Frame, instants: number[], values: number[]): Scales {
  const from = Math.min(...instants);
  const to = Math.max(...instants, from + DAY);
  const most = Math.max(...values, 0.5) * 1.12;
  const wide = frame.width - frame.left - frame.right;
  const high = frame.height - frame.top - frame.bottom;
  const x = (at: number) => frame.left + ((at - from) / (to - from)) * wide;
  const y = (ec: number) => frame.top + high - (ec / most) * high;
  const span = (to - from) / DAY;
  const every = NICE_DAYS.find((days) => span / days <= 8) ?? 182;
  const days = [];
  for (let at = from; at <= to; at += every * DAY) days.push({ x: x(at), at });
  const rise = NICE_EC.find((step) => most / step <= 6) ?? 50;
  const steps = [];
  for (let ec = 0; ec <= most; ec += rise) steps.push({ y: y(ec), ec });
  return { x, y, days, steps };
}

/** Heights for labels that would like to stand at these, moved apart by at least `gap`. */
export function apart(wanted: number[], gap: number): number[] {
  const order = wanted.map((_, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  const placed = [...wanted];
  order.forEach((index, at) => {
    const before = order[at - 1];
    const least = before === undefined ? -Infinity : (placed[before] ?? 0) + gap;
    placed[index] = Math.max(wanted[index] ?? 0, least);
  });
  return placed;
}
