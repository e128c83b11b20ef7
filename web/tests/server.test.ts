import { beforeEach, expect, test, vi } from 'vitest';
import { ask, client, type Problem } from '../src/api/client';
import { garden } from '../src/app/garden.svelte';
import { Resource } from '../src/app/resource.svelte';
import { undo } from '../src/app/undo.svelte';
import { Write } from '../src/app/write.svelte';
import { newId } from '../src/ui/ids';
import { answering, refusing, WRITTEN } from './page';

const problem = (message: string) => ({ message }) as Problem;

beforeEach(() => {
  vi.useRealTimers();
  undo.bar = null;
});

test('the latest question wins, however late an older answer comes', async () => {
  const read = new Resource<string>();
  let late: (reply: { data: string }) => void = () => undefined;
  const first = read.load(() => new Promise((answer) => (late = answer)));
  await read.load(() => Promise.resolve({ data: 'second' }));
  late({ data: 'first' });
  await first;
  expect(read.data).toBe('second');
  expect(read.busy).toBe(false);
});

test('what a write says stands, though a question asked before it is answered later', async () => {
  const read = new Resource<string>();
  let late: (reply: { data: string }) => void = () => undefined;
  const first = read.load(() => new Promise((answer) => (late = answer)));
  read.take('as written');
  late({ data: 'as it was' });
  await first;
  expect([read.data, read.busy]).toEqual(['as written', false]);
});

test('a token that another tab made void is fetched anew, and tried once', async () => {
  let tries = 0;
  const asked = answering({
    'GET /api/session': { csrf: 'fresh' },
    'POST /api/undo': () => (++tries === 1 ? refusing('session', 403) : WRITTEN),
  });
  const reply = await ask(client.POST('/api/undo', { body: { change_id: 3 } }));
  expect(reply.data).toEqual(WRITTEN);
  expect(asked.map((one) => `${one.method} ${one.path}`)).toEqual([
    'POST /api/undo',
    'GET /api/session',
    'POST /api/undo',
  ]);
  expect(asked.at(-1)?.body).toEqual({ change_id: 3 });
});

test('an answer without a body is no failure', async () => {
  answering({ 'DELETE /api/invitations': new Response(null, { status: 204 }) });
  const reply = await ask(client.DELETE('/api/invitations'));
  expect(reply.problem).toBeUndefined();
});

test('what is not allowed at all is not tried again', async () => {
  const asked = answering({ 'POST /api/undo': refusing('role', 403) });
  const reply = await ask(client.POST('/api/undo', { body: { change_id: 3 } }));
  expect(reply.problem?.field).toBe('role');
  expect(asked).toHaveLength(1);
});

test('an older question is called off', async () => {
  const read = new Resource<string>();
  let signal: AbortSignal | undefined;
  void read.load((given) => {
    signal = given;
    return new Promise(() => undefined);
  });
  expect(read.busy).toBe(true);
  await read.load(() => Promise.resolve({ data: 'new' }));
  expect(signal?.aborted).toBe(true);
});

test('a failure leaves what stood there and can be tried again', async () => {
  const read = new Resource<string>();
  await read.load(() => Promise.resolve({ data: 'stood' }));
  const answers = [{ problem: problem('no answer') }, { data: 'came' }];
  await read.load(() => Promise.resolve(answers.shift() as { data: string }));
  expect([read.data, read.problem?.message]).toEqual(['stood', 'no answer']);
  await read.again();
  expect([read.data, read.problem]).toEqual(['came', null]);
});

test('only the last of many hasty questions is asked', async () => {
  vi.useFakeTimers();
  const read = new Resource<string>();
  const asked: string[] = [];
  for (const typed of ['1', '12', '120'])
    read.soon(() => {
      asked.push(typed);
      return Promise.resolve({ data: typed });
    });
  await vi.runAllTimersAsync();
  expect(asked).toEqual(['120']);
});

test('cleared, it shows nothing of the old, not even late', async () => {
  const read = new Resource<string>();
  let late: (reply: { data: string }) => void = () => undefined;
  const first = read.load(() => new Promise((answer) => (late = answer)));
  read.clear();
  late({ data: 'old' });
  await first;
  expect([read.data, read.busy]).toEqual([null, false]);
});

test('a write that got no answer is tried again with the same id', async () => {
  const answers: unknown[] = [null, WRITTEN];
  const asked = answering({ 'POST /api/harvests': () => answers.shift(), 'GET /api/path': {} });
  const write = new Write();
  const send = () =>
    write.send(() => {
      const body = { id: write.id(), planting_id: 'p', weight: '450 g', pieces: null };
      return ask(client.POST('/api/harvests', { body }));
    });
  expect(await send()).toBeNull();
  expect(write.problem?.message).toContain('What you typed is still here');
  expect(await send()).toMatchObject(WRITTEN);
  const ids = asked.filter((one) => one.method === 'POST').map((one) => one.body?.id);
  expect(ids[0]).toBe(ids[1]);
});

test('what stands gets a fresh id next time, an undo and a garden read anew', async () => {
  answering({ 'GET /api/path': {} });
  const write = new Write();
  const [id, version] = [write.id(), garden.version];
  await write.send(() => Promise.resolve({ data: WRITTEN }));
  expect(write.id()).not.toBe(id);
  expect(undo.bar).toMatchObject({ changeId: 7, text: 'Poured.', undone: false });
  expect(garden.version).toBe(version + 1);
});

test('a second press while the first is on its way writes nothing', async () => {
  answering({ 'GET /api/path': {} });
  const write = new Write();
  let sent = 0;
  const slow = () => {
    sent += 1;
    return new Promise<{ data: typeof WRITTEN }>((done) =>
      queueMicrotask(() => done({ data: WRITTEN })),
    );
  };
  await Promise.all([write.send(slow), write.send(slow)]);
  expect(sent).toBe(1);
});

test('another intent has ids of its own, one for each thing it writes', () => {
  const write = new Write();
  const can = write.id('can');
  expect(write.id('can')).toBe(can);
  expect(write.id('dose')).not.toBe(can);
  write.begin();
  expect(write.id('can')).not.toBe(can);
});

test('a refusal is said beside its field alone', async () => {
  answering({ 'POST /api/harvests': () => refusing('grams') });
  const write = new Write();
  const body = { id: write.id(), planting_id: 'p', weight: '1 g', pieces: null };
  await write.send(() => ask(client.POST('/api/harvests', { body })));
  expect([write.trouble('grams'), write.trouble('pieces')]).toEqual([
    'Read “x”; a number would do.',
    '',
  ]);
  write.refuse('pieces', '  ', 'a number would do');
  expect(write.trouble('pieces')).toBe('Read nothing; a number would do.');
});

test('ids are made without a secure context too', () => {
  const whole = crypto.randomUUID;
  Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true });
  const ids = Array.from({ length: 50 }, newId);
  Object.defineProperty(crypto, 'randomUUID', { value: whole, configurable: true });
  expect(new Set(ids).size).toBe(50);
  for (const id of ids)
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});
