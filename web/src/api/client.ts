import createClient from 'openapi-fetch';
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

const UNREACHED: Problem = {
  field: '',
  read: 'no answer',
  would_do: 'try again in a moment',
  message: 'Dace did not answer. What you typed is still here: try again in a moment.',
  status: 0,
};

let token = '';

/** The CSRF token to send with every write; it changes when somebody signs in or out. */
export function useToken(fresh: string): void {
  token = fresh;
}

export const client = createClient<paths>({ baseUrl: '' });
client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', token);
    return request;
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
    if (response.ok && data !== undefined) return { data };
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
