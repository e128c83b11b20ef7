/** A server that is not there: answers by method and path, and what it was asked. */
export interface Asked {
  method: string;
  path: string;
  body: Record<string, unknown> | null;
  /** The change that an edit was filled from, where it says so. */
  seen: string | null;
  /** What was asked beside the path. */
  query: URLSearchParams;
}

type Answer = unknown | (() => unknown);

/** All files share one page, whose client took hold of the first `fetch`. */
const shared = globalThis as typeof globalThis & {
  answer?: (request: Request) => Promise<Response>;
};
globalThis.fetch = ((request: Request) =>
  shared.answer?.(request) ?? Promise.reject(new TypeError())) as typeof fetch;

/** Answer these; null is no answer at all, and what is not named is not found. */
export function answering(answers: Record<string, Answer>): Asked[] {
  const asked: Asked[] = [];
  shared.answer = async (request) => {
    const { method } = request;
    const { pathname: path, searchParams: query } = new URL(request.url);
    const json = request.headers.get('Content-Type') === 'application/json';
    const text = method === 'GET' ? '' : await request.text();
    const body = text && json ? (JSON.parse(text) as Record<string, unknown>) : null;
    asked.push({ method, path, body, seen: request.headers.get('If-Match'), query });
    const found = answers[`${method} ${path}`];
    const said: unknown = typeof found === 'function' ? (found as () => unknown)() : found;
    if (said === null) throw new TypeError('no connection');
    if (said instanceof Response) return said;
    return said === undefined ? refusing('path', 404) : inJson(said, 200);
  };
  return asked;
}

/** A refusal, as the server words it. */
export function refusing(field: string, status = 422): Response {
  const message = 'Read “x”; a number would do.';
  return inJson({ error: { field, read: '“x”', would_do: 'a number would do', message } }, status);
}

function inJson(said: unknown, status: number): Response {
  const headers = { 'content-type': 'application/json' };
  return new Response(JSON.stringify(said), { status, headers });
}

export const WRITTEN = { id: 'written', change_id: 7, summary: 'Poured.' };
