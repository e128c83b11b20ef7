import { beforeEach, expect, test } from 'vitest';
import { session } from '../src/app/session.svelte';
import { SetupDesk } from '../src/desks/setup/setup.svelte';
import { levelForm } from '../src/desks/setup/jarForms';
import { vesselForm } from '../src/desks/setup/supplyForms';
import type { Setup } from '../src/desks/setup/forms';
import { draftOf, dropDrafts, keepDraft } from '../src/ui/drafts';
import { answering, refusing, WRITTEN, type Asked } from './page';

const SETUP = { edition: 41, vessels: [], garden: {} } as unknown as Setup;
let asked: Asked[] = [];
const seen = () => asked.filter((one) => one.method !== 'GET').map((one) => one.seen);

beforeEach(() => {
  asked = answering({
    'GET /api/setup': SETUP,
    'GET /api/choices': {},
    'GET /api/path': { stops: [] },
    'PUT /api/vessels/v': WRITTEN,
    'POST /api/jars/j/stock': WRITTEN,
    'POST /api/demo': refusing('session', 401),
  });
});

test('an edit says which change it was filled from, unless it is to be written all the same', async () => {
  const desk = new SetupDesk();
  await desk.load();
  const form = vesselForm(SETUP, 'v');
  desk.edit(form);
  await desk.keep(form, { name: 'can' });
  await desk.keep(form, { name: 'can' }, true);
  expect(seen()).toEqual(['"41"', null]);
});

test('what is no edit of a row says nothing of the kind', async () => {
  const desk = new SetupDesk();
  await desk.load();
  const form = levelForm({ id: 'j', name: 'Feed', stock: 3, unit: 'g' } as Setup['jars'][number]);
  desk.edit(form);
  await desk.keep(form, { stock: '2 g' });
  expect(seen()).toEqual([null]);
});

test('what was half typed is there when the form opens again, until it is written', async () => {
  const desk = new SetupDesk();
  await desk.load();
  const form = vesselForm(SETUP, 'v');
  const stands = { name: 'can', volume: '9 L' };
  desk.edit(form, stands);
  desk.typed({ ...stands, volume: '10 L' });
  desk.close();
  const afterReload = new SetupDesk();
  afterReload.edit(form, stands);
  expect(afterReload.editing?.typed).toEqual({ name: 'can', volume: '10 L' });
  afterReload.edit(form, { ...stands, name: 'grey can' }); // another hand named it meanwhile
  expect(afterReload.editing?.typed).toBeUndefined();
  afterReload.edit(form, stands);
  await afterReload.keep(form, { ...stands, volume: '10 L' });
  afterReload.edit(form, stands);
  expect(afterReload.editing?.typed).toBeUndefined();
});

test('drafts outlive a reload and end with the session', () => {
  keepDraft('first', { a: 1 });
  keepDraft('brew', { b: 2 });
  expect(draftOf('first')).toEqual({ a: 1 });
  dropDrafts('brew');
  expect([draftOf('first'), draftOf('brew')]).toEqual([{ a: 1 }, null]);
  sessionStorage.setItem('dace.draft.first', '{broken');
  expect(draftOf('first')).toBeNull();
  dropDrafts();
});

test('a session that ends while the page stands open is said, a stranger’s is not', async () => {
  session.info = null;
  await session.lookRound();
  expect(session.lapsed).toBe(false);
  session.info = { signed_in: true, household: 'Yard' } as unknown as typeof session.info;
  answering({ 'POST /api/demo': refusing('session', 401) });
  await session.lookRound();
  expect(session.lapsed).toBe(true);
});
