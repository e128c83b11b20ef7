import { expect, test } from 'vitest';
import { isEvening, reminderOf } from '../src/desks/round/remind.svelte';
import {
  blocksOf,
  placesOf,
  round as today,
  type RoundCan,
  type RoundRow,
} from '../src/desks/round/round.svelte';
import { rowsOf } from '../src/desks/round/areas';
import { haltsOf, nextOpen } from '../src/desks/round/walk';
import { habitsOf, trialOf } from '../src/desks/season/rehearse.svelte';
import { sliderWords, toggled } from '../src/desks/season/habits';
import { comingOf, seasonTable } from '../src/desks/season/strips';
import { answering, refusing, WRITTEN } from './page';

type Round = Parameters<typeof blocksOf>[0];

const round = {
  cans: [
    { id: 'b', at: 5, rows: [{ place_id: 'frame' }] },
    { id: 'a', at: 1, rows: [{ place_id: 'tub' }, { place_id: 'step' }] },
  ],
  flushes: [{ fill_id: 'f', place_id: 'tub 2', at: 2 }],
  due: [],
  dressings: [{ fill_id: 'd', place_id: 'bed', at: 0 }],
  asks: [
    { what: 'l', at: 4, looks: [{ place_id: 'gutter', first: true }] },
    { what: 'm', at: 3, looks: [{ place_id: 'wall', first: false }] },
  ],
} as unknown as Round;

test('blocks stand in the order in which one walks, without what is only looked at beside', () => {
  expect(blocksOf(round).map((block) => block.key)).toEqual([
    'dress d',
    'a',
    'flush f',
    'ask l',
    'b',
  ]);
});

test('a can is about every place that it serves', () => {
  expect(blocksOf(round).map(placesOf)).toEqual([
    ['bed'],
    ['tub', 'step'],
    ['tub 2'],
    ['gutter'],
    ['frame'],
  ]);
});

test('a row stays ticked while its tick is on the way, however often the round is read', async () => {
  const asked = answering({
    'GET /api/round': round,
    'GET /api/path': { stops: [], zone: 'UTC' },
    'POST /api/round/ticks': WRITTEN,
  });
  const row = { fill_id: 'tub', slot: 2 } as RoundRow;
  const ticking = today.tick({ id: 'a' } as RoundCan, row);
  await today.load();
  expect(today.pressed.has('tub')).toBe(true);
  await ticking;
  await today.load();
  expect(today.pressed.has('tub')).toBe(false);
  expect(asked.find((one) => one.method === 'POST')?.body).toMatchObject({
    fill_id: 'tub',
    slot: 2,
    how: 'planned',
    can_id: 'a',
  });
});

test('a tick that is refused is none', async () => {
  answering({ 'POST /api/round/ticks': () => refusing('can_id', 409) });
  const row = { fill_id: 'step', slot: 0 } as RoundRow;
  expect(await today.tick({ id: 'b' } as RoundCan, row)).toBeNull();
  expect([today.pressed.has('step'), today.write('step').problem?.field]).toEqual([
    false,
    'can_id',
  ]);
});

test('one is reminded of an evening, and never of nothing', () => {
  const hours = [0, 7, 15, 16, 20, 21, 23];
  expect(hours.filter(isEvening)).toEqual([16, 20]);
  expect(reminderOf({ title: 'Two cans today', left: 3 })).toBe('Two cans today: 3 to go.');
  expect(reminderOf({ title: 'Nothing to feed today', left: 0 })).toBe('');
});

test('weather is tried out and not kept', () => {
  const chosen = { weather: 'cool', homeMade: true, rhythm: 'fortnightly', strength: '2' };
  const trial = trialOf(chosen, ['fill']);
  expect([trial.warmer_c, trial.rhythm, trial.strength, trial.home_made]).toEqual([
    -3,
    'fortnightly',
    2,
    true,
  ]);
  expect(habitsOf(chosen, ['comfrey'])).toEqual({
    rhythm: 'fortnightly',
    strength: 2,
    sources: ['comfrey'],
  });
  expect(habitsOf({ ...chosen, rhythm: '', strength: '' }, [])).toEqual({});
});

test('the slider says what it spares', () => {
  expect([-1, -0.5, 0, 0.5, 1].map(sliderWords)).toEqual([
    'money is spared, much',
    'money is spared, a little',
    'neither is spared',
    'effort is spared, a little',
    'effort is spared, much',
  ]);
});

test('what is to come of a planting is what it gets after today', () => {
  const event = (on: string, planting: string) =>
    ({ on, plantings: [planting], text: 'a can' }) as Parameters<typeof comingOf>[1][number];
  const events = [event('2026-07-14', 'a'), event('2026-07-21', 'a'), event('2026-07-21', 'b')];
  const found = comingOf('a', events, '2026-07-14');
  expect(found.map((one) => one.on)).toEqual(['2026-07-21']);
  const strip = { planting_id: 'a', crop: 'Chilli', place: 'Tub', stages: [], drops: [] };
  const table = seasonTable(
    [strip as unknown as Parameters<typeof seasonTable>[0][number]],
    [],
    found,
  );
  expect(table.rows).toEqual([['Chilli, Tub', 'to come', '21 Jul: a can']]);
});

test('an evening more or less, in the order of the week', () => {
  expect(toggled(['fri'], 'tue')).toEqual(['tue', 'fri']);
  expect(toggled(['tue', 'fri'], 'tue')).toEqual(['fri']);
});

const row = (name: string, litres: number, area = '') =>
  ({ fill_id: name, name, litres, area, amount: `${litres} L`, now: true }) as RoundRow;

test('stops of one area that get alike fold into one row, from three on', () => {
  const rows = [row('a', 1, 'Tunnel'), row('b', 1), row('c', 1, 'Tunnel'), row('d', 2, 'Tunnel')];
  expect(rowsOf(rows).map((one) => one.area)).toEqual(['', '', '', '']);
  const folded = rowsOf([...rows, row('e', 1, 'Tunnel')]);
  expect(folded.map((one) => [one.area, one.rows.map((of) => of.name)])).toEqual([
    ['Tunnel', ['a', 'c', 'e']],
    ['', ['b']],
    ['', ['d']],
  ]);
});

test('a walk says when its can is mixed, and when it is empty', () => {
  const can = {
    letter: 'A',
    fill_l: 9,
    rows: [row('a', 4), row('b', 4), row('c', 4), row('d', 4)],
    plain: [{ fill_id: 'unfed', name: 'unfed' }],
  } as unknown as RoundCan;
  const halts = haltsOf([
    { kind: 'can', at: 0, key: 'a', can },
    { kind: 'flush', at: 1, key: 'flush f', flush: { name: 'Tub 2' } as never },
  ]);
  expect(halts.map((one) => one.name)).toEqual(['a', 'b', 'c', 'd', 'unfed', 'Tub 2']);
  const refills = halts.map((one) => ('refill' in one ? one.refill : '-'));
  expect(refills).toEqual(['mix', '', 'again', '', '-', '-']);
});

test('after a tick the walk goes to the next that is open, all the way round', () => {
  expect(nextOpen([true, true, false, true], 0)).toBe(2);
  expect(nextOpen([false, true, true], 1)).toBe(0);
  expect(nextOpen([true, true], 1)).toBe(1);
});
