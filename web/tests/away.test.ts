import 'fake-indexeddb/auto';
import { afterAll, beforeEach, expect, test } from 'vitest';
import { away } from '../src/app/away/away.svelte';
import { clearShed, queued } from '../src/app/away/store';
import { fixable, keyOf, ticks, waitingWords } from '../src/app/away/words';

const HOME = 'http://localhost:3000';
const NOW = '2026-07-14T16:40:00Z';
const name = (id: unknown) => (id === 'tub' ? 'Quay tub 2' : '');
/** What the server was sent, in order; `there` says how it answers, or that it is not. */
let sent: {
  path: string;
  body: string;
  at: string | null;
  by: string | null;
  seen: string | null;
}[] = [];
let there: ((path: string, body: string) => Response) | null = null;
let fetching: (request: Request) => Promise<Response>;

function json(said: unknown, status = 200): Response {
  const headers = { 'Content-Type': 'application/json' };
  return new Response(JSON.stringify(said), { status, headers });
}

function post(path: string, body: unknown): Promise<Response> {
  const headers = { 'Content-Type': 'application/json' };
  return fetching(
    new Request(HOME + path, { method: 'POST', headers, body: JSON.stringify(body) }),
  );
}

const get = (path: string) => fetching(new Request(HOME + path));
const note = (id: string) => post('/api/observations', { id, stand_id: 'tub', note: id });

beforeEach(async () => {
  await away.forget();
  await clearShed();
  sent = [];
  there = (_, body) => json({ id: body, change_id: 1, summary: 'Kept.' }, 201);
  away.off = false;
  away.names = name;
  away.onsent = () => Promise.resolve();
  fetching = away.fetching(async (request) => {
    const { pathname } = new URL(request.url);
    const body = request.method === 'GET' ? '' : await request.text();
    if (!there) throw new TypeError('no connection');
    const header = (key: string) => request.headers.get(key);
    const said = { at: header('X-Done-At'), by: header('X-Made-By'), seen: header('If-Match') };
    sent.push({ path: pathname, body, ...said });
    return there(pathname, body);
  });
  await away.signedIn('Wren, Back step', NOW);
});

afterAll(() => away.forget());

test('an answer from before stands in where there is no connection', async () => {
  there = () => json({ stops: 9 });
  await (await get('/api/path')).json();
  await post('/api/bench/preview', { jar_id: 'j', vessel: '9 L' });
  there = null;
  expect(await (await get('/api/path')).json()).toEqual({ stops: 9 });
  const turned = await post('/api/bench/preview', { vessel: '9 L', jar_id: 'j' });
  expect(await turned.json()).toEqual({ stops: 9 });
  expect(away.off).toBe(true);
  await expect(get('/api/never-read')).rejects.toThrow();
});

test('what still stands does not come over the line again, for nobody else', async () => {
  const asked: (string | null)[] = [];
  fetching = away.fetching((request) => {
    const tag = request.headers.get('If-None-Match');
    asked.push(tag);
    if (tag === '"nine"') return Promise.resolve(new Response(null, { status: 304 }));
    const headers = { 'Content-Type': 'application/json', ETag: '"nine"' };
    return Promise.resolve(new Response('{"stops":9}', { headers }));
  });
  for (let turn = 0; turn < 2; turn++)
    expect(await (await get('/api/shelf')).json()).toEqual({ stops: 9 });
  await away.signedIn('Rook, Back step', NOW);
  await get('/api/shelf');
  expect(asked).toEqual([null, '"nine"', null]);
});

test('a server that dies in the middle of its answer gave none', async () => {
  there = () => json({ stops: 9 });
  await get('/api/path');
  there = () => {
    const headers = { 'Content-Type': 'application/json' };
    const body = new ReadableStream({
      start: (one) => one.enqueue(new TextEncoder().encode('{"stops": ')),
      pull: (one) => one.error(new TypeError('cut off')),
    });
    return new Response(body, { headers });
  };
  expect(await (await get('/api/path')).json()).toEqual({ stops: 9 });
  expect(away.off).toBe(true);
  await expect(get('/api/never-read')).rejects.toThrow('cut off');
});

test('what was asked before another signed in is not kept for them', async () => {
  there = () => json({ stops: 9 });
  let signedIn: Promise<void> | undefined;
  const late = away.fetching(async () => {
    signedIn = away.signedIn('Rook, Back step', NOW);
    await signedIn;
    return json({ stops: 1 });
  });
  await late(new Request(HOME + '/api/path'));
  there = null;
  fetching = away.fetching(() => Promise.reject(new TypeError('no connection')));
  await expect(get('/api/path')).rejects.toThrow('no connection');
});

test('writes wait in order, go in once, and say when they were done', async () => {
  there = null;
  for (const id of ['a', 'b', 'c']) expect((await note(id)).status).toBe(202);
  expect(away.waiting.map((one) => one.words)).toEqual(Array(3).fill('How it looks: Quay tub 2'));
  there = () => json({ id: 'x', change_id: 1, summary: '' }, 201);
  await away.flush();
  expect(sent.map((one) => (JSON.parse(one.body) as { id: string }).id)).toEqual(['a', 'b', 'c']);
  expect(Math.abs(Date.parse(sent[0]?.at ?? '') - Date.parse(NOW))).toBeLessThan(60_000);
  expect(await queued()).toEqual([]);
  await away.flush();
  expect(sent).toHaveLength(3);
});

test('what the server does not take is kept with its reason, and the rest goes on', async () => {
  there = null;
  await note('a');
  await note('b');
  const said = { error: { message: 'Read Quay tub 2, which is ticked already; undo that first.' } };
  there = (_, body) => (body.includes('"a"') ? json(said, 409) : json({ id: 'b' }, 201));
  await away.flush();
  expect(away.waiting.map((one) => one.refused)).toEqual([said.error.message]);
  const [left] = away.waiting;
  there = () => json({ id: 'a' }, 201);
  if (left) await away.mend(left, 'note', 'put right');
  expect(sent.at(-1)?.body).toContain('put right');
  expect(away.waiting).toEqual([]);
});

test('a server that goes again in between loses nothing', async () => {
  there = null;
  for (const id of ['a', 'b', 'c']) await note(id);
  let left = 1;
  there = () => {
    left -= 1;
    if (left < 0) throw new TypeError('gone again');
    return json({ id: 'x' }, 201);
  };
  await away.flush();
  expect(away.waiting.map((one) => (JSON.parse(one.body) as { id: string }).id)).toEqual([
    'b',
    'c',
  ]);
});

test('what is done while others wait goes in after them', async () => {
  there = null;
  await note('a');
  there = () => json({ id: 'x' }, 201);
  expect((await note('b')).status).toBe(202);
  await away.flush();
  expect(sent.map((one) => (JSON.parse(one.body) as { id: string }).id)).toEqual(['a', 'b']);
});

test('another person reads nothing and sends nothing of the last one', async () => {
  there = () => json({ stops: 9 });
  await get('/api/path');
  there = null;
  await note('a');
  await away.signedIn('Owl, Elsewhere', NOW);
  expect(away.waiting).toEqual([]);
  await expect(get('/api/path')).rejects.toThrow();
  there = () => json({}, 201);
  await away.flush();
  expect(sent.filter((one) => one.path === '/api/observations')).toEqual([]);
  expect(away.others).toBe(1);
  await away.leave();
  await away.signedIn('Wren, Back step', NOW);
  await expect.poll(queued).toEqual([]);
  expect(sent.at(-1)?.by).toBe('Wren, Back step');
});

test('only what has an id of its own may wait; what may not says that nobody answered', async () => {
  there = null;
  await expect(post('/api/undo', { change_id: null })).rejects.toThrow();
  await expect(post('/api/plan/keep', {})).rejects.toThrow();
  expect(waitingWords('DELETE', '/api/readings', {}, name)).toBe('');
  const mixed = await fetching(new Request(`${HOME}/api/round/cans/c1`, { method: 'POST' }));
  expect(mixed.status).toBe(202);
  const headers = { 'Content-Type': 'image/png' };
  const photo = { method: 'POST', headers, body: 'pixels' };
  await expect(fetching(new Request(`${HOME}/api/photos`, photo))).rejects.toThrow();
  const reading = { subject_id: 'tub', value: 1.8, scale: 'mS/cm' };
  expect(waitingWords('POST', '/api/readings', reading, name)).toBe(
    'Reading: Quay tub 2, 1.8 mS/cm',
  );
  expect(fixable('/api/readings')?.field).toBe('value');
  expect(ticks({ path: '/api/round/ticks', body: '{"fill_id":"f"}' }, 'f')).toBe(true);
  expect(keyOf('POST', '/x', '{"b":[1,{"d":null,"c":2}],"a":1}')).toBe(
    keyOf('POST', '/x', '{"a":1,"b":[1,{"c":2,"d":null}]}'),
  );
});

test('what another tab sent under another name waits for its own', async () => {
  there = null;
  await note('a');
  there = () => json({ error: { field: 'made_by', message: 'Sign in.' } }, 409);
  await away.flush();
  expect(away.waiting.map((one) => one.refused)).toEqual(['']);
});

test('a feed that waits tells what stood on the screen, but not of her own before it', async () => {
  const headers = { 'Content-Type': 'application/json', 'If-Match': '"7"' };
  const tick = (id: string, fill: string) => {
    const body = JSON.stringify({ id, fill_id: fill });
    return fetching(new Request(`${HOME}/api/round/ticks`, { method: 'POST', headers, body }));
  };
  there = null;
  await tick('a', 'tub');
  await tick('b', 'tub');
  await tick('c', 'sill');
  there = () => json({ id: 'x' }, 201);
  await away.flush();
  expect(sent.map((one) => one.seen)).toEqual(['"7"', null, '"7"']);
});

test('a cold night and young plants wait for a connection, in words', () => {
  expect(waitingWords('POST', '/api/night', { covered: true }, name)).toBe('Covered for the night');
  expect(waitingWords('POST', '/api/raising', { step: 'harden' }, name)).toBe(
    'Young plants: hardening off begun',
  );
  expect(waitingWords('POST', '/api/stands/x/pots', {}, name)).toBe('');
});
