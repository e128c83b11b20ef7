import type { RoundRow } from './round.svelte';

/** Rows of one area that get the same, folded into one; or rows that stand alone. */
export interface RowGroup {
  key: string;
  /** Empty where its rows stand alone. */
  area: string;
  rows: RoundRow[];
}

const FOLDED_FROM = 3;

/** The rows of a can with those of an area that get alike in one, where they are three or more. */
export function rowsOf(rows: RoundRow[]): RowGroup[] {
  const alike = new Map<string, RoundRow[]>();
  for (const row of rows) {
    if (!row.area) continue;
    const key = `${row.area} ${row.amount}`;
    alike.set(key, [...(alike.get(key) ?? []), row]);
  }
  const folded = [...alike.entries()].filter(([, several]) => several.length >= FOLDED_FROM);
  const groups: RowGroup[] = [];
  for (const row of rows) {
    const found = folded.find(([, several]) => several.includes(row));
    if (!found) groups.push({ key: row.fill_id, area: '', rows: [row] });
    else if (found[1][0] === row) groups.push({ key: found[0], area: row.area, rows: found[1] });
  }
  return groups;
}
