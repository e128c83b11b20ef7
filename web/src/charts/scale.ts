/** A straight scale from 0 to `most` onto 0 to `length`; values beyond stay at its end. */
export function scale(most: number, length: number): (value: number) => number {
  return (value) => (Math.min(Math.max(value, 0), most) / most) * length;
}

/** An end for a scale that leaves the largest value room to breathe. */
export function endFor(...values: (number | null | undefined)[]): number {
  return Math.max(...values.map((value) => value ?? 0), 1e-9) * 1.15;
}

const NICE = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100];

/** Round values from 0 up to a most, about five of them. */
export function stepsUpTo(most: number): number[] {
  const rise = NICE.find((step) => most / step <= 5) ?? 200;
  return Array.from({ length: Math.floor(most / rise) + 1 }, (_, index) => index * rise);
}
