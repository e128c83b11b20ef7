/** Parts of a mix that always add to the whole. */

export type Shares = Record<string, number>;

const WHOLE = 100;

/**
 * Move one part; the others give way in proportion, so that all add to 100.
 *
 * @param shares percent by key, adding to 100
 * @param key the one that is moved
 * @param to its new percent
 */
export function moved(shares: Shares, key: string, to: number): Shares {
  const wanted = Math.min(WHOLE, Math.max(0, to));
  const others = Object.keys(shares).filter((one) => one !== key);
  if (others.length === 0) return { [key]: WHOLE };
  const before = others.reduce((sum, one) => sum + (shares[one] ?? 0), 0);
  const left = WHOLE - wanted;
  const next = others.map((one): [string, number] => [
    one,
    before > 0 ? ((shares[one] ?? 0) * left) / before : left / others.length,
  ]);
  return { ...Object.fromEntries(next), [key]: wanted };
}

/** Parts by volume as percent. */
export function asShares(parts: Record<string, number>): Shares {
  const sum = Object.values(parts).reduce((all, one) => all + one, 0);
  return Object.fromEntries(
    Object.entries(parts).map(([key, one]) => [key, (WHOLE * one) / (sum || 1)]),
  );
}

/** Without one part: the others take its room. */
export function without(shares: Shares, key: string): Shares {
  const left = Object.fromEntries(
    Object.entries(moved(shares, key, 0)).filter(([one]) => one !== key),
  );
  return asShares(left);
}
