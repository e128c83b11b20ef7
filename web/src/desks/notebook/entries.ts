import type { Schemas } from '../../api/client';
import { dayInWords } from '../../ui/time';

export interface Entry {
  id: string;
  at: string;
  dose?: Schemas['DoseOut'];
  reading?: Schemas['ReadingOut'];
}

export interface Day {
  name: string;
  entries: Entry[];
}

/** Doses and readings in one list, newest first, under the garden's days. */
export function byDay(book: Schemas['NotebookOut'], zone: string): Day[] {
  const entries: Entry[] = [
    ...book.doses.map((dose) => ({ id: dose.id, at: dose.at, dose })),
    ...book.readings.map((reading) => ({ id: reading.id, at: reading.at, reading })),
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
