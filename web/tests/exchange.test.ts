import { beforeEach, expect, test, vi } from 'vitest';
import { matches, moved, NotebookFile, toldOf } from '../src/desks/exchange/notebookFile.svelte';
import { undo } from '../src/app/undo.svelte';
import { answering, refusing, type Asked } from './page';

const FILE = new File(['Date,Tub\n'], 'book.csv', { type: 'text/csv' });
const LOOKED = {
  kind: 'readings',
  dates: 'dmy',
  columns: [
    { index: 0, head: 'Date', key: 'when', unit: '' },
    { index: 1, head: 'Tub', key: '', unit: '' },
    { index: 2, head: 'EC', key: 'value', unit: 'uS/cm' },
  ],
};
const TAKEN = { count: 1200, here: 2, left_out: 3, change_id: 7, summary: '' };
const PATH = { stops: [], zone: 'UTC' };
const how = (at: number): unknown => JSON.parse(asked.at(at)?.query.get('how') ?? '');
let asked: Asked[];

beforeEach(() => {
  asked = answering({
    'POST /api/notebook-file/look': LOOKED,
    'POST /api/notebook-file': TAKEN,
    'GET /api/path': PATH,
  });
});

test('a column is read as one thing, and each thing stands in one column', () => {
  const columns = matches(LOOKED.columns);
  expect(columns).toEqual({ when: 0, value: 2 });
  expect(moved(columns, 1, 'value')).toEqual({ when: 0, value: 1 });
  expect(moved(columns, 0, '')).toEqual({ value: 2 });
  expect(moved(columns, 0, 'where')).toEqual({ where: 0, value: 2 });
});

test('what she says of a table is sent with every look, another file begins anew', async () => {
  const table = new NotebookFile();
  await table.choose(FILE);
  expect(how(0)).toEqual({ units: {}, places: {}, feeds: {} });
  await table.sayColumn(1, 'where');
  await table.sayUnit('value', 'mS/cm');
  await table.sayPlace('Shed', 'id');
  expect(how(-1)).toEqual({
    columns: { when: 0, value: 2, where: 1 },
    units: { value: 'mS/cm' },
    places: { Shed: 'id' },
    feeds: {},
  });
  await table.choose(FILE);
  expect(how(-1)).toEqual({ units: {}, places: {}, feeds: {} });
});

test('another kind has columns of its own', async () => {
  const table = new NotebookFile();
  await table.choose(FILE);
  await table.sayColumn(1, 'where');
  await table.sayDates('mdy');
  await table.sayKind('harvests');
  expect(how(-1)).toEqual({ kind: 'harvests', dates: 'mdy', units: {}, places: {}, feeds: {} });
});

test('what is said while a look is under way is not lost', async () => {
  const table = new NotebookFile();
  await table.choose(FILE);
  const harvests = { ...LOOKED, kind: 'harvests', columns: [{ index: 0, key: 'when' }] };
  asked = answering({ 'POST /api/notebook-file/look': () => harvests });
  const kind = table.sayKind('harvests');
  const where = table.sayColumn(1, 'where');
  expect(table.busy).toBe('looking');
  await Promise.all([kind, where]);
  const weight = table.sayColumn(2, 'weight');
  const dates = table.sayDates('mdy');
  await Promise.all([weight, dates]);
  expect(how(-1)).toEqual({
    kind: 'harvests',
    columns: { when: 0, where: 1, weight: 2 },
    dates: 'mdy',
    units: {},
    places: {},
    feeds: {},
  });
  expect([table.busy, table.looked?.kind]).toEqual(['', 'harvests']);
});

test('what was taken in is told and can be taken back', async () => {
  const offered = vi.spyOn(undo, 'offer');
  const table = new NotebookFile();
  await table.choose(FILE);
  await table.take(true);
  expect(table.told).toBe('1,200 taken in, 2 were here already, 3 left out.');
  expect(offered.mock.calls[0]?.[0].change_id).toBe(7);
  expect(table.busy).toBe('');
  expect(toldOf({ count: 1, here: 0, left_out: 0 })).toBe('1 taken in.');
});

test('a table that cannot be read says why and keeps what stood there', async () => {
  const table = new NotebookFile();
  await table.choose(FILE);
  answering({ 'POST /api/notebook-file/look': refusing('file') });
  await table.look();
  expect(table.problem?.field).toBe('file');
  expect(table.looked).not.toBeNull();
});
