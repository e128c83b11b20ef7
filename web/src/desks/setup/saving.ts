import type { Problem } from '../../api/client';

/** What is wrong with something that was written; null where nothing is. */
export async function outcome(
  written: Promise<{ data?: unknown; problem?: Problem }>,
): Promise<Problem | null> {
  return (await written).problem ?? null;
}

/** Choices from pairs of value and name. */
export const options = (...pairs: [string, string][]) =>
  pairs.map(([value, name]) => ({ value, name }));
