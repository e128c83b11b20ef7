import { beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../src/api/client';
import { byDay, joined } from '../src/desks/notebook/entries';
import { NewReading } from '../src/desks/notebook/reading.svelte';
import { fromFahrenheit, toFahrenheit } from '../src/ui/degrees';
import { typedNumber } from '../src/ui/numbers';
import { answering, WRITTEN, type Asked } from './page';

const READABLES = {
  subjects: [
    { id: 'can', kind: 'can', parts_water: 0 },
    { id: 'drain', kind: 'fill', parts_water: 0 },
    { id: 'brew', kind: 'brew', parts_water: 19 },
  ],
  pens: [
    { id: 'yard', scale: 'mS/cm', compensates: true },
    { id: 'old', scale: 'ppm500', compensates: false },
  ],
  methods: [],
  degrees: 'F',
};
let asked: Asked[] = [];

beforeEach(() => {
  asked = answering({
    'GET /api/readables': READABLES,
    'GET /api/path': {},
    'POST /api/readings': WRITTEN,
    'POST /api/readings/meaning': { word: 'fine', text: 'Fine.' },
    'POST /api/pens/old/dip': {
      value: 640,
      scale: 'ppm500',
      temperature_c: 20,
      compensates: false,
    },
  });
});

async function opened(subject = ''): Promise<NewReading> {
  const reading = new NewReading();
  await reading.load(subject);
  asked.length = 0;
  return reading;
}
const body = () => asked.find((one) => one.path === '/api/readings')?.body;

test('the pen is in what the page is about, else in the likeliest', async () => {
  expect((await opened('drain')).subjectId).toBe('drain');
  expect((await opened()).subjectId).toBe('can');
  expect((await opened('gone')).subjectId).toBe('can');
});

test('what is too strong for the pen is thinned as it was last', async () => {
  const reading = await opened('brew');
  expect(reading.parts).toBe('19');
  reading.choose('can');
  expect(reading.parts).toBe('');
});

test('commas are read, and what is left out is one pot, undiluted', async () => {
  const reading = await opened('drain');
  reading.value = '3,2';
  expect(await reading.keep()).toBe(true);
  expect(body()).toMatchObject({
    value: 3.2,
    parts_water: 0,
    pots: 1,
    temperature_c: null,
    method: 'pour_through',
    pen_id: 'yard',
  });
});

test('a temperature in Fahrenheit is sent in Celsius', async () => {
  const reading = await opened('can');
  reading.take('old');
  reading.value = '640';
  reading.temperature = '68';
  await reading.keep();
  expect(body()).toMatchObject({ scale: 'ppm500', compensates: false, temperature_c: 20 });
});

test('what cannot be read is refused in words and nothing is sent', async () => {
  const reading = await opened('can');
  expect(await reading.keep()).toBe(false);
  expect(reading.write.trouble('value')).toBe('Read nothing; a number such as 1.12 would do.');
  reading.value = '1.2';
  reading.pots = 'three';
  expect(await reading.keep()).toBe(false);
  expect(reading.write.trouble('pots')).toContain('“three”');
  reading.pots = '';
  reading.take('old');
  expect(await reading.keep()).toBe(false);
  expect(reading.write.trouble('temperature_c')).toContain('Read nothing');
  expect(asked).toEqual([]);
});

test('a drain’s meaning is asked as it is typed, a can’s is not', async () => {
  const reading = await opened('drain');
  reading.value = '3.2';
  reading.mean();
  await vi.waitFor(() => expect(asked.map((one) => one.path)).toEqual(['/api/readings/meaning']));
  reading.choose('can');
  reading.mean();
  expect(reading.meant.data).toBeNull();
});

test('what a pen said of one thing is no reading of another', async () => {
  const reading = await opened('can');
  reading.take('old');
  const dipping = reading.dip();
  reading.choose('drain');
  await dipping;
  expect([reading.subjectId, reading.value]).toEqual(['drain', '']);
});

test('a dipped pen fills in its number, scale and degrees', async () => {
  const reading = await opened('can');
  reading.take('old');
  await reading.dip();
  expect([reading.value, reading.scale, reading.temperature]).toEqual(['640', 'ppm500', '68.0']);
});

test('degrees go over and back', () => {
  expect(toFahrenheit(100)).toBe(212);
  expect(fromFahrenheit(-40)).toBe(-40);
});

test('numbers are read with comma or point, and nothing is told from nonsense', () => {
  expect(['1,5', ' 2.25 ', '', '   ', 'x', '1e999'].map(typedNumber)).toEqual([
    1.5,
    2.25,
    null,
    null,
    undefined,
    undefined,
  ]);
});

const at = (id: string, when: string) => ({ id, at: when });
const page = (doses: unknown[], readings: unknown[], others: unknown[], next: string | null) =>
  ({ doses, readings, others, next, more: next !== null }) as unknown as Schemas['NotebookOut'];

test('all kinds stand in one list under the garden’s days', () => {
  const book = page(
    [at('dose', '2026-07-13T22:30:00Z')],
    [at('read', '2026-07-13T23:30:00Z')],
    [at('look', '2026-07-13T21:00:00Z')],
    null,
  );
  expect(byDay(book, 'UTC').map((day) => day.entries.map((one) => one.id))).toEqual([
    ['read', 'dose', 'look'],
  ]);
  expect(byDay(book, 'Europe/London').map((day) => day.entries.length)).toEqual([1, 2]);
});

test('an earlier page joins and says what comes next', () => {
  const newer = page([at('b', '')], [], [], 'cursor');
  const both = joined(newer, page([at('a', '')], [], [at('o', '')], null));
  expect(both.doses.map((one) => one.id)).toEqual(['b', 'a']);
  expect([both.others.length, both.more, both.next]).toEqual([1, false, null]);
  expect(joined(null, newer)).toBe(newer);
});
