/** What the Notebook's chart draws: doses, cans read, and what drains, by stop. */
import type { Schemas } from '../api/client';
import { clockTime, dayInWords } from '../ui/time';
import { endFor, type Table } from './frame';

type Book = Schemas['NotebookOut'];

export interface Read {
  id: string;
  at: number;
  ec: number;
  stop: string;
  what: 'can' | 'drain';
}

export interface Pour {
  id: string;
  at: number;
  /** Conductivity that was expected of the can [mS/cm]. */
  ec: number;
  /** Nitrogen that it carried [mg]. */
  nitrogen: number;
  title: string;
}

export interface Trail {
  stop: string;
  reads: Read[];
}

const instant = (at: string) => Date.parse(at);

export function poursOf(book: Book): Pour[] {
  return book.doses.map((dose) => ({
    id: dose.id,
    at: instant(dose.at),
    ec: Number(dose.expected),
    nitrogen: Number(dose.mg_l.N ?? 0) * Number(dose.litres),
    title: `${dose.litres} L on ${dose.stop}, ${dose.ratio}`,
  }));
}

/** Readings of cans, and those of what drains or of water. */
export function readsOf(book: Book): Read[] {
  const row = (one: Schemas['ReadingOut'], stop: string, what: Read['what']) => ({
    id: one.id,
    at: instant(one.at),
    ec: one.ec_ms_cm,
    stop,
    what,
  });
  return [
    ...book.doses.flatMap((dose) => dose.readings.map((one) => row(one, dose.stop, 'can'))),
    ...book.readings.map((one) => row(one, one.stop, 'drain')),
  ];
}

/** What drains from one stop, joined in the order of time. */
export function trailsOf(reads: Read[]): Trail[] {
  const drains = reads.filter((one) => one.what === 'drain');
  return [...new Set(drains.map((one) => one.stop))].map((stop) => ({
    stop,
    reads: drains.filter((one) => one.stop === stop).sort((one, other) => one.at - other.at),
  }));
}

/** Both ends of the days, at least a day apart, and the end upwards. */
export function spanOf(pours: Pour[], reads: Read[]): { from: number; to: number; most: number } {
  const DAY_MS = 86_400_000;
  const times = [...pours, ...reads].map((one) => one.at);
  const [from, to] = [Math.min(...times), Math.max(...times)];
  const room = Math.max(DAY_MS / 2, (to - from) * 0.03);
  const most = Math.max(0.5, endFor(...[...pours, ...reads].map((one) => one.ec)));
  return { from: from - room, to: to + room, most };
}

/** Everything by time, a row each. */
export function bookTable(pours: Pour[], reads: Read[], zone: string): Table {
  const rows = [
    ...pours.map((one) => ({ at: one.at, what: one.title, ec: `${one.ec.toFixed(2)} expected` })),
    ...reads.map((one) => ({
      at: one.at,
      what: one.what === 'can' ? `the can for ${one.stop}` : one.stop,
      ec: `${one.ec.toFixed(2)} read`,
    })),
  ];
  rows.sort((one, other) => other.at - one.at);
  const said = (at: number) => new Date(at).toISOString();
  return {
    head: ['when', 'what', 'mS/cm at 25 °C'],
    rows: rows.map((row) => [
      `${dayInWords(said(row.at), zone)}, ${clockTime(said(row.at), zone)}`,
      row.what,
      row.ec,
    ]),
  };
}
