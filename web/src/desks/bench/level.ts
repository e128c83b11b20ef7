/** Geometry of the measure and its level; amounts in mL or g, lengths in drawing units. */

export const GLASS = { top: 26, bottom: 152, left: 8, right: 100, taper: 7 };

/** Where the level stands for an amount in a vessel. */
export function levelY(amount: number, holds: number): number {
  const share = Math.min(1, Math.max(0, amount / holds));
  return GLASS.bottom - share * (GLASS.bottom - GLASS.top);
}

/** The amount at a height, kept inside the vessel. */
export function amountAt(y: number, holds: number): number {
  const share = (GLASS.bottom - y) / (GLASS.bottom - GLASS.top);
  return Math.min(1, Math.max(0, share)) * holds;
}

/** One small step of the level: a hundredth of the vessel, in a number one would say. */
export function stepOf(holds: number): number {
  return holds / 100;
}

/** Four marks on the glass, every second one with its number. */
export function marks(holds: number): { y: number; text: string }[] {
  return [0.8, 0.6, 0.4, 0.2].map((share, index) => ({
    y: levelY(share * holds, holds),
    text: index % 2 === 0 ? String(Number((share * holds).toPrecision(3))) : '',
  }));
}

/** Left and right edge of the glass at a height. */
export function edges(y: number): [number, number] {
  const down = (y - GLASS.top) / (GLASS.bottom - GLASS.top);
  return [GLASS.left + GLASS.taper * down, GLASS.right - GLASS.taper * down];
}

/**
 * Hold a drag at the cap: a pull from below stops there, a second pull passes.
 *
 * @param wanted where the pointer is
 * @param from where the drag began
 * @param cap the most that fits, or null where nothing limits
 */
export function notched(wanted: number, from: number, cap: number | null): number {
  if (cap === null || cap <= 0) return wanted;
  const beganBelow = from < cap * 0.995;
  return beganBelow && wanted > cap ? cap : wanted;
}

const KEYS: Record<string, number> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 10,
  PageDown: -10,
};

/** How many small steps a key moves a level by; none for any other key. */
export const stepsOf = (key: string): number | undefined => KEYS[key];
