import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** An answer that was read before: what it was an answer to, and when it came. */
export interface Kept {
  key: string;
  who: string;
  body: string;
  at: number;
}

/** Something that was done without a connection: it waits to be sent, in order. */
export interface Waiting {
  /** Its place in the order; the store gives it. */
  turn?: number;
  who: string;
  method: string;
  /** Path and query, as it will be sent. */
  path: string;
  body: string;
  /** What it is, in words. */
  words: string;
  /** When it was done, by the server's clock (ISO). */
  at: string;
  /** Why the server did not take it; empty while it only waits. */
  refused: string;
  /** The newest change that stood on the screen, where it tells (`If-Match`). */
  seen?: string;
}

interface Shed extends DBSchema {
  answers: { key: string; value: Kept };
  queue: { key: number; value: Waiting };
}

let opened: Promise<IDBPDatabase<Shed> | null> | undefined;

/** The browser's own store; null where it gives none, such as in a private window. */
export async function shed(): Promise<IDBPDatabase<Shed> | null> {
  opened ??= openShed();
  const found = await opened;
  if (!found) opened = undefined;
  return found;
}

async function openShed(): Promise<IDBPDatabase<Shed> | null> {
  try {
    return await openDB<Shed>('dace', 1, {
      upgrade(store) {
        store.createObjectStore('answers', { keyPath: 'key' });
        store.createObjectStore('queue', { keyPath: 'turn', autoIncrement: true });
      },
    });
  } catch {
    return null;
  }
}

export async function keepAnswer(kept: Kept): Promise<void> {
  await (await shed())?.put('answers', kept);
}

export async function keptAnswer(key: string, who: string): Promise<Kept | null> {
  const found = await (await shed())?.get('answers', key);
  return found?.who === who ? found : null;
}

/** Keep it in line; true once it is surely kept. */
export async function enqueue(waiting: Waiting): Promise<boolean> {
  const store = await shed();
  if (!store) return false;
  const turn = await store.add('queue', waiting);
  return typeof turn === 'number';
}

/** All that waits, in the order in which it was done. */
export async function queued(): Promise<Waiting[]> {
  return (await (await shed())?.getAll('queue')) ?? [];
}

export async function change(waiting: Waiting): Promise<void> {
  await (await shed())?.put('queue', { ...waiting });
}

export async function dequeue(turn: number): Promise<void> {
  await (await shed())?.delete('queue', turn);
}

/** Nothing of a household stays on this device. */
export async function clearShed(): Promise<void> {
  await clearAnswers();
  await (await shed())?.clear('queue');
}

/** What was read stays with nobody; what was done waits for who did it. */
export async function clearAnswers(): Promise<void> {
  await (await shed())?.clear('answers');
}
