import { beforeEach, expect, test, vi } from 'vitest';
import { DESKS } from '../src/app/desks';
import { garden } from '../src/app/garden.svelte';
import { keys } from '../src/app/keys.svelte';
import { tables } from '../src/app/tables.svelte';
import { useWay } from '../src/app/way';
import { working } from '../src/app/working.svelte';
import { answering } from './page';

const went: [string, Record<string, string>][] = [];

beforeEach(async () => {
  document.body.innerHTML = '<input><textarea></textarea><button>b</button><h1 id="desk"></h1>';
  went.length = 0;
  useWay((path, { search }) => {
    went.push([path, search]);
    return Promise.resolve();
  });
  Object.assign(keys, { helpOpen: false, readingOpen: false, findOpen: false, looksOpen: false });
  Object.assign(keys, { readingOf: '', here: '', chart: false });
  keys.turn(true);
  const stops = ['Quay tub 1', 'Quay tub 2'].map((name) => ({
    id: name,
    name,
    stands: [],
    spots: [],
  }));
  answering({ 'GET /api/path': { stops, zone: 'UTC' } });
  await garden.load();
  garden.choose(null);
});

/** A key on what has the focus; whether it was taken. */
function press(key: string, on = 'button', more: KeyboardEventInit = {}): boolean {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true, ...more });
  document.querySelector(on)?.addEventListener('keydown', (e) => keys.press(e as KeyboardEvent), {
    once: true,
  });
  document.querySelector(on)?.dispatchEvent(event);
  return event.defaultPrevented;
}

test('digits open the desks in the order of the header', () => {
  DESKS.forEach((_, at) => press(String(at + 1)));
  press('p');
  expect(went.map(([path]) => path)).toEqual([...DESKS.map((one) => one.path), '/bench']);
  expect([press('0'), press('6'), press('x')]).toEqual([false, false, false]);
});

test('the chosen stop goes along', () => {
  garden.choose(garden.stops[1] ?? null);
  press('4');
  expect(went).toEqual([['/season', { stop: 'Quay tub 2' }]]);
});

test('brackets walk the path', () => {
  garden.choose(garden.stops[0] ?? null);
  press(']');
  expect(garden.stop?.name).toBe('Quay tub 2');
  press('[');
  expect(garden.stop?.name).toBe('Quay tub 1');
});

test('a reading is asked of what the page is about', () => {
  const leave = keys.standAt('brew');
  press('r');
  expect([keys.readingOpen, keys.readingOf]).toEqual([true, 'brew']);
  leave();
  keys.read();
  expect(keys.readingOf).toBe('');
  keys.read('can');
  expect(keys.readingOf).toBe('can');
});

test('a letter that is typed is no key', () => {
  for (const box of ['input', 'textarea']) {
    expect(press('r', box)).toBe(false);
  }
  expect(press('r', 'button', { ctrlKey: true })).toBe(false);
  expect(press('r', 'button', { metaKey: true })).toBe(false);
  expect(press('r', 'button', { altKey: true })).toBe(false);
  expect(keys.readingOpen).toBe(false);
});

test('nothing happens behind an open sheet', () => {
  document.body.append(Object.assign(document.createElement('dialog'), { open: true }));
  expect([press('o'), press('2')]).toEqual([false, false]);
  expect([keys.looksOpen, went.length]).toEqual([false, 0]);
});

test('turned off, only the help is left, and a new page remembers', async () => {
  keys.turn(false);
  expect([press('r'), press('1'), press('?')]).toEqual([false, false, true]);
  expect([keys.readingOpen, keys.helpOpen, went.length]).toEqual([false, true, 0]);
  vi.resetModules();
  const { keys: anew } = await import('../src/app/keys.svelte');
  expect(anew.on).toBe(false);
  keys.turn(true);
  expect(localStorage.getItem('dace.single-keys')).toBe('on');
});

test('letters open sheets and turn charts, tables and the working', () => {
  const [folded, asTables] = [working.folded, tables.on];
  for (const key of ['o', '/', '?', 'c', 't', 'w']) press(key);
  expect([keys.looksOpen, keys.findOpen, keys.helpOpen, keys.chart]).toEqual([
    true,
    true,
    true,
    true,
  ]);
  expect([working.folded, tables.on]).toEqual([!folded, !asTables]);
  for (const key of ['c', 't', 'w']) press(key);
  expect([keys.chart, working.folded, tables.on]).toEqual([false, folded, asTables]);
});
