import { beforeEach, expect, test } from 'vitest';
import { Practice } from '../src/desks/help/practice.svelte';
import { answering, refusing, type Asked } from './page';

const SUM = { kind: 'oxide', question: 'How much?', unit: 'mg/L' };
let asked: Asked[];

beforeEach(() => {
  asked = answering({
    'GET /api/practice': SUM,
    'POST /api/practice': { right: true, said: 'That is right.', working: ['so'] },
  });
});

test('a comma parts decimals, and only the first go counts', async () => {
  const practice = new Practice(7);
  await practice.load();
  practice.typed = '66,4';
  await practice.check();
  await practice.check();
  expect(asked.at(-1)?.body).toEqual({ turn: 0, seed: 7, answer: 66.4 });
  expect([practice.right, practice.tried]).toEqual([1, 1]);
  await practice.next();
  expect(practice.checked).toBeNull();
  expect(asked.at(-1)?.query.get('turn')).toBe('1');
});

test('what is no number is said beside the box and not sent', async () => {
  const practice = new Practice(7);
  await practice.load();
  for (const typed of ['', 'much', '1e999']) {
    practice.typed = typed;
    await practice.check();
    expect(practice.problem?.field).toBe('answer');
  }
  expect(asked.filter((one) => one.method === 'POST')).toEqual([]);
});

test('a sum that does not come keeps the last one in sight', async () => {
  const practice = new Practice(7);
  await practice.load();
  answering({ 'GET /api/practice': refusing('turn') });
  await practice.next();
  expect(practice.problem?.field).toBe('turn');
  expect(practice.sum?.unit).toBe('mg/L');
  // an answer is held against the sum that is shown
  asked = answering({ 'POST /api/practice': { right: false, said: 'No.', working: [] } });
  practice.typed = '5';
  await practice.check();
  expect(asked.at(-1)?.body).toMatchObject({ turn: 0 });
});

test('what comes late is of no other sum', async () => {
  const practice = new Practice(7);
  await practice.load();
  practice.typed = '5';
  const checking = practice.check();
  const on = practice.next();
  await Promise.all([checking, on]);
  expect([practice.checked, practice.tried]).toEqual([null, 0]);
});
