/** What waits, in words: by its path and body, and what the path along the garden is called. */

type Body = Record<string, unknown>;
export type Names = (id: unknown) => string;

const HOW: Record<string, string> = {
  planned: 'as planned',
  half: 'half of it',
  none: 'left out',
  own: 'another amount',
  extra: 'some more',
};

const STEPS: Record<string, string> = {
  harden: 'hardening off begun',
  later: 'not yet',
  stays: 'they stay',
};

/** Writes that may wait for a connection: each has an id of its own, so that it stands once. */
const WAITING: [RegExp, (body: Body, name: Names) => string][] = [
  [
    /^\/api\/round\/ticks$/,
    (body, name) => `Tick: ${name(body.fill_id)}, ${HOW[String(body.how)] ?? ''}`,
  ],
  [/^\/api\/round\/cans\/[^/]+$/, () => 'A can of the round, mixed'],
  [
    /^\/api\/readings$/,
    (body, name) =>
      `Reading: ${name(body.subject_id)}, ${String(body.value)} ${String(body.scale ?? '')}`,
  ],
  [/^\/api\/observations$/, (body, name) => `How it looks: ${name(body.stand_id)}`],
  [/^\/api\/pours$/, (body, name) => `A can poured: ${name(inner(body, 'dose').stand_id)}`],
  [/^\/api\/cans\/[^/]+\/doses$/, (body, name) => `The rest of a can: ${name(body.stand_id)}`],
  [
    /^\/api\/waterings$/,
    (body, name) => `Water: ${name(body.fill_id)}, ${String(body.litres ?? '')}`,
  ],
  [/^\/api\/dressings$/, (body, name) => `Spread dry: ${name(body.stand_id)}`],
  [/^\/api\/field-tests$/, (body, name) => `A test: ${name(body.subject_id)}`],
  [/^\/api\/harvests$/, () => 'A harvest'],
  [/^\/api\/raising$/, (body) => `Young plants: ${STEPS[String(body.step)] ?? ''}`],
  [/^\/api\/night$/, (body) => (body.covered ? 'Covered for the night' : 'About tonight')],
];

function inner(body: Body, key: string): Body {
  return (body[key] ?? {}) as Body;
}

/** What a write is, where it may wait; nothing where it may not. */
export function waitingWords(method: string, path: string, body: Body, name: Names): string {
  if (method !== 'POST') return '';
  const found = WAITING.find(([pattern]) => pattern.test(path));
  return found ? found[1](body, name).replace(/: ?,? ?$/, '') : '';
}

/** Which field of a waiting write can be put right before it is sent; nothing where none can. */
export function fixable(path: string): { field: string; label: string } | null {
  if (path === '/api/readings') return { field: 'value', label: 'What the pen showed' };
  if (path === '/api/observations') return { field: 'note', label: 'Note' };
  if (path === '/api/waterings') return { field: 'litres', label: 'How much water' };
  return null;
}

/** Whether what waits is a tick of this fill. */
export function ticks(one: { path: string; body: string }, fillId: string): boolean {
  if (one.path !== '/api/round/ticks') return false;
  return (JSON.parse(one.body) as Body).fill_id === fillId;
}

/** Whether what waits is water for this fill. */
export function watersFill(one: { path: string; body: string }, fillId: string): boolean {
  if (one.path !== '/api/waterings') return false;
  return (JSON.parse(one.body) as Body).fill_id === fillId;
}

/** The answer's key: the same question has the same one, in whatever order its parts stand. */
export function keyOf(method: string, path: string, body: string): string {
  return body ? `${method} ${path} ${sorted(JSON.parse(body))}` : `${method} ${path}`;
}

function sorted(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(sorted).join()}]`;
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  const entries = Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1));
  return `{${entries.map(([key, part]) => `${JSON.stringify(key)}:${sorted(part)}`).join()}}`;
}
