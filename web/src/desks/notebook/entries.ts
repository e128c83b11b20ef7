import type { Schemas } from '../../api/client';
import { dayInWords } from '../../ui/time';

type Book = Schemas['NotebookOut'];
export type Other = Schemas['OtherOut'];

export interface Entry {
  id: string;
  at: string;
  dose?: Schemas['DoseOut'];
  reading?: Schemas['ReadingOut'];
  other?: Other;
}

export interface Day {
  name: string;
  entries: Entry[];
}

/** A page and the one before it, as one. */
export function joined(newer: Book | null, earlier: Book): Book {
  if (!newer) return earlier;
  return {
    ...earlier,
    doses: [...newer.doses, ...earlier.doses],
    readings: [...newer.readings, ...earlier.readings],
    others: [...newer.others, ...earlier.others],
  };
}

/** All that was done, read and seen in one list, newest first, under the garden's days. */
export function byDay(book: Book, zone: string): Day[] {
  const entries: Entry[] = [
    ...book.doses.map((dose) => ({ id: dose.id, at: dose.at, dose })),
    ...book.readings.map((reading) => ({ id: reading.id, at: reading.at, reading })),
    ...book.others.map((other) => ({ id: other.id, at: other.at, other })),
  ];
  entries.sort((one, other) => Date.parse(other.at) - Date.parse(one.at));
  const days: Day[] = [];
  for (const entry of entries) {
    const name = dayInWords(entry.at, zone);
    const last = days.at(-1);
    if (last?.name === name) last.entries.push(entry);
    else days.push({ name, entries: [entry] });
  }
  return days;
}
