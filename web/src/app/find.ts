import type { Schemas } from '../api/client';
import { DESKS, type PagePath } from './desks';

/** Something that can be found and gone to. */
export interface Found {
  id: string;
  name: string;
  line: string;
  desk: PagePath;
  stop?: Schemas['StopOut'];
  stand?: Schemas['StandOut'];
  jar?: string;
  brew?: string;
  /** Other names of it, looked through and not shown. */
  also?: string;
}

/** Everything there is to find: places, crops, jars, brews, pages. */
export function allFindable(
  stops: Schemas['StopOut'][],
  jars: Schemas['JarOut'][],
  brewing: Schemas['ShelfBrewOut'][] = [],
): Found[] {
  const places = stops.map((stop) => ({
    id: stop.id,
    name: stop.name,
    line: stop.line,
    desk: '/bench' as const,
    stop,
  }));
  const crops = stops.flatMap((stop) =>
    stop.stands.map((stand) => ({
      id: stand.id,
      name: stand.counted,
      line: `${stand.spot}, ${stand.stage}`,
      also: stand.also,
      desk: '/bench' as const,
      stop,
      stand,
    })),
  );
  const shelf = jars.map((jar) => ({
    id: jar.id,
    name: jar.name,
    line: `${jar.stock_text} left`,
    desk: '/shelf/jar' as const,
    jar: jar.id,
  }));
  const brews = brewing.map((brew) => ({
    id: brew.id,
    name: brew.name,
    line: `${brew.method}, day ${brew.day}`,
    desk: '/shelf/brew' as const,
    brew: brew.id,
  }));
  const pages = [
    ...DESKS,
    { path: '/walk' as const, name: 'Walk: one stop at a time' },
    { path: '/learned' as const, name: 'What Dace has learned here' },
    { path: '/year' as const, name: 'The year, and the next' },
    { path: '/heap' as const, name: 'Heap, soil mix, green manure, mulch, bean test' },
    { path: '/roots' as const, name: 'What the roots say, all along the path' },
    { path: '/signs' as const, name: 'What is wrong? Signs and their causes' },
    { path: '/trials' as const, name: 'Did it help? Trials of a feed' },
    { path: '/setup' as const, name: 'Set-up' },
    { path: '/help' as const, name: 'Help: the guide, and a practice can' },
    { path: '/exchange' as const, name: 'In and out: notebooks, everything as a file' },
  ].map((desk) => ({
    id: desk.path,
    name: desk.name,
    line: 'page',
    desk: desk.path,
  }));
  return [...places, ...crops, ...shelf, ...brews, ...pages];
}

/** What holds every word that was typed, by its name first. */
export function matching(all: Found[], typed: string): Found[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return all.slice(0, 8);
  const text = (one: Found) => `${one.name} ${one.line} ${one.also ?? ''}`.toLowerCase();
  const named = (one: Found) =>
    words.some((word) => ` ${one.name.toLowerCase()}`.includes(` ${word}`));
  return all
    .filter((one) => words.every((word) => text(one).includes(word)))
    .sort((one, other) => Number(named(other)) - Number(named(one)))
    .slice(0, 8);
}
