/** A straight scale from 0 to `most` onto 0 to `length`; values beyond stay at its end. */
export function scale(most: number, length: number): (value: number) => number {
  return (value) => (Math.min(Math.max(value, 0), most) / most) * length;
}

/** An end for a scale that leaves the largest value room to breathe. */
export function endFor(...values: (number | null | undefined)[]): number {
  return Math.max(...values.map((value) => value ?? 0), 1e-9) * 1.15;
}
