import createClient from 'openapi-fetch';
import { away } from '../app/away/away.svelte';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** What the server says of something it cannot use: field, what was read, what would do. */
export interface Problem {
  field: string;
  read: string;
  would_do: string;
  message: string;
  /** The answer's number: 409 where what was asked does not fit what stands. */
  status?: number;
}

const NOTHING = 204;
const NOBODY = 401;
const NO_TOKEN = 403;
const UNREACHED: Problem = {
  field: '',
  read: 'no answer',
  would_do: 'try again in a moment',
  message: 'Dace did not answer. What you typed is still here: try again in a moment.',
  status: 0,
};

let token = '';
let seen: number | null = null;
let lapsed = () => {};

/** The CSRF token to send with every write; it changes when somebody signs in or out. */
export function useToken(fresh: string): void {
  token = fresh;
}

/** The newest change that was on the screen when an edit began: sent until it is null again. */
export function useSeen(edition: number | null): void {
  seen = edition;
}

/** The header of a feed: what was given since its page was read is told before it goes in. */
export function asSeen(edition: number | undefined): Record<string, string> {
  return edition === undefined ? {} : { 'If-Match': `"${edition}"` };
}

/** What to do when the server says that nobody is signed in. */
export function onLapse(act: () => void): void {
  lapsed = act;
}

/** Writes under way as they were sent, to be sent once more with a fresh token. */
const sent = new Map<string, Request>();

export const client = createClient<paths>({
  baseUrl: '',
  fetch: away.fetching((request) => fetch(request)),
});
away.token = () => token;
away.fresh = async () => {
  const { data } = await client.GET('/api/session');
  token = data?.csrf ?? token;
  return token;
};
client.use({
  onRequest({ request, id }) {
    if (request.method !== 'GET') {
      request.headers.set('X-CSRFToken', token);
      if (away.who) request.headers.set('X-Made-By', away.who);
      sent.set(id, request.clone());
    }
    if (request.method === 'PUT' && seen !== null) request.headers.set('If-Match', `"${seen}"`);
    return request;
  },
  /** Another tab signed in or out, and this page's token is no more: a fresh one is tried once. */
  async onResponse({ response, id }) {
    const before = sent.get(id);
    sent.delete(id);
    if (!before || response.status !== NO_TOKEN) return undefined;
    const said = (await response.clone().json()) as { error?: Problem };
    if (said.error?.field !== 'session') return undefined;
    before.headers.set('X-CSRFToken', await away.fresh());
    return fetch(before);
  },
  onError({ id }) {
    sent.delete(id);
  },
});

/** Either the data or the problem; an aborted request is neither. */
export type Reply<T> = { data: T; problem?: undefined } | { data?: undefined; problem: Problem };

/** Wait for a request of `client` and turn every failure into a problem in words. */
export async function ask<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<Reply<T>> {
  try {
    const { data, error, response } = await request;
    if (response.ok && (data !== undefined || response.status === NOTHING))
      return { data: data as T };
    if (response.status === NOBODY) lapsed();
    return { problem: problemOf(error, response.status) };
  } catch (failure) {
    if (failure instanceof DOMException && failure.name === 'AbortError') throw failure;
    return { problem: UNREACHED };
  }
}

function problemOf(error: unknown, status: number): Problem {
  if (error && typeof error === 'object' && 'error' in error)
    return { ...(error.error as Problem), status };
  return UNREACHED;
}
