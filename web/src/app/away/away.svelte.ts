import {
  change,
  clearAnswers,
  clearShed,
  dequeue,
  enqueue,
  keepAnswer,
  keptAnswer,
  queued,
  type Waiting,
} from './store';
import { keyOf, waitingWords, type Names } from './words';

const TRIES_MS = 10_000;
const ASKED = new Set(['/api/bench/preview']);
const NOT_KEPT = /^\/api\/(pulse|export|recipes-file|notebook-file|series|photos\/|openapi)/;
const [TAKEN, UNSENT, GONE] = [202, 502, 504];
const [NOBODY, NO_TOKEN, SAME] = [401, 403, 304];
const HELD = 60;
const SESSION = '/api/session';
const AHEAD = 'dace-ahead';

type Body = Record<string, unknown>;
type Send = (request: Request) => Promise<Response>;

/** Working without a connection: answers from before, and writes that wait in order. */
class Away {
  /** The last request found no server. */
  off = $state(false);
  /** All that a walk without a connection wants was read; null where the shell needs a server. */
  ready = $state<boolean | null>(null);
  waiting = $state<Waiting[]>([]);
  /** How many wait for somebody else, or for another garden: they go in when that one is back. */
  others = $state(0);
  sending = $state(false);
  /** How things are called, for what waits. */
  names: Names = () => '';
  /** After something went in: what stands on the screens is read again. */
  onsent: () => Promise<void> = () => Promise.resolve();
  /** Who is signed in, for which garden. */
  who = '';
  private held = new Map<string, { tag: string; body: string; headers: Headers }>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private send: Send = (request) => fetch(request);
  /** The token of this page, and a fresh one where it is no more. */
  token = () => '';
  fresh: () => Promise<string> = () => Promise.resolve('');

  refused = $derived(this.waiting.filter((one) => one.refused));

  /**
   * Who is signed in, and what the server's clock says: another one reads nothing of the last.
   * `named` is how an older version called the same one.
   */
  async signedIn(who: string, now: string, named = who): Promise<void> {
    const before = this.who;
    if (before !== who) this.held.clear();
    this.who = who;
    if (!this.off) localStorage.setItem(AHEAD, String(new Date(now).getTime() - Date.now()));
    if (before !== who) {
      for (const one of await queued()) if (one.who === named) await change({ ...one, who });
      await this.look();
    }
    void this.flush();
  }

  /** Somebody signs out: what was done and not sent waits for them here, unread by others. */
  async leave(): Promise<void> {
    this.who = '';
    this.held.clear();
    await clearAnswers();
    await this.look();
  }

  /** Nothing stays on this device. */
  async forget(): Promise<void> {
    this.who = '';
    this.held.clear();
    [this.waiting, this.others] = [[], 0];
    await clearShed();
  }

  /** Send a request; without a connection answer from before, or keep the write in line. */
  fetching(send: Send): Send {
    this.send = send;
    return async (request) => {
      const { pathname, search } = new URL(request.url);
      const path = pathname + search;
      const json = request.headers.get('Content-Type')?.includes('json') ?? false;
      // a file is sent as it is: it does not wait, and need not be read here
      const text = json && request.method !== 'GET' ? await request.clone().text() : '';
      const asks = request.method === 'GET' || ASKED.has(pathname);
      if (!asks && this.waiting.some((one) => !one.refused) && this.words(request, path, text)) {
        // what was done before goes in before it
        return this.keep(request, path, text);
      }
      const whose = this.who;
      const held = request.method === 'GET' ? this.held.get(path) : undefined;
      if (held) request.headers.set('If-None-Match', held.tag);
      try {
        const reply = await send(request);
        if (held && reply.status === SAME) {
          this.reached();
          return new Response(held.body, { headers: held.headers });
        }
        if (reply.status === UNSENT || reply.status === GONE) throw new TypeError('no server');
        this.reached();
        const said = reply.headers.get('Content-Type') ?? '';
        if (!asks || !reply.ok || NOT_KEPT.test(pathname) || !said.includes('json')) return reply;
        // whole before it is handed on: a server that dies in the middle of it is none, either
        const body = await reply.text();
        const key = keyOf(request.method, path, text);
        void this.remember(key, pathname === SESSION ? '' : whose, body).catch(() => undefined);
        if (request.method === 'GET') this.hold(path, whose, reply.headers, body);
        return new Response(body, { status: reply.status, headers: reply.headers });
      } catch (failure) {
        if (failure instanceof DOMException && failure.name === 'AbortError') throw failure;
        this.lost();
        const kept = asks ? await this.before(request.method, path, text) : null;
        if (kept) return kept;
        const file = !json && request.headers.has('Content-Type');
        if (asks || file || !this.words(request, path, text)) throw failure;
        return this.keep(request, path, text);
      }
    };
  }

  /** Try to send what waits, in order, until one finds no server. */
  async flush(): Promise<void> {
    if (this.sending || !this.who || !this.waiting.some((one) => !one.refused)) return;
    this.sending = true;
    let sent = false;
    try {
      for (const one of this.waiting.filter((each) => !each.refused && each.who === this.who)) {
        const done = await this.sendOne(one);
        if (!done) break;
        sent = true;
      }
    } finally {
      this.sending = false;
      await this.look();
    }
    if (sent) await this.onsent();
  }

  /** It shall not be sent. */
  async drop(one: Waiting): Promise<void> {
    if (one.turn !== undefined) await dequeue(one.turn);
    await this.look();
    await this.onsent();
  }

  /** What waits of others shall not be kept here. */
  async dropOthers(): Promise<void> {
    for (const { turn, who } of await queued())
      if (turn !== undefined && who !== this.who) await dequeue(turn);
    await this.look();
  }

  /** Put right what waits, and try it again. */
  async mend(one: Waiting, field = '', value = ''): Promise<void> {
    const body = field
      ? JSON.stringify({ ...(JSON.parse(one.body) as Body), [field]: value })
      : one.body;
    const words = waitingWords(one.method, one.path, JSON.parse(body || '{}') as Body, this.names);
    await change({ ...one, body, words: words || one.words, refused: '', seen: '' });
    await this.look();
    await this.flush();
  }

  /** What waits of whoever is signed in. */
  async look(): Promise<void> {
    const all = await queued();
    this.waiting = all.filter((one) => one.who === this.who);
    this.others = all.length - this.waiting.length;
  }

  private words(request: Request, path: string, text: string): string {
    if (!this.who) return '';
    try {
      const body = JSON.parse(text || '{}') as Body;
      return waitingWords(request.method, path, body, this.names);
    } catch {
      return '';
    }
  }

  private async keep(request: Request, path: string, body: string): Promise<Response> {
    const words = this.words(request, path, body);
    const at = new Date(Date.now() + Number(localStorage.getItem(AHEAD) ?? 0)).toISOString();
    const { method } = request;
    // of her own feeds that wait she knows
    const again = this.waiting.some((each) => about(each.body) === about(body));
    const seen = again ? '' : (request.headers.get('If-Match') ?? '');
    const one = { who: this.who, method, path, body, words, at, refused: '', seen };
    if (!(await enqueue(one))) throw new TypeError('nowhere to keep it');
    await this.look();
    const id = (JSON.parse(body || '{}') as Body).id ?? null;
    return inJson({ id, change_id: null, summary: `Waits to be sent. ${words}` }, TAKEN);
  }

  /** While the page is open: the next time only whether it still stands comes over the line. */
  private hold(path: string, whose: string, headers: Headers, body: string): void {
    const tag = headers.get('ETag');
    this.held.delete(path);
    if (!tag || whose !== this.who) return;
    this.held.set(path, { tag, body, headers });
    const oldest = this.held.keys().next();
    if (this.held.size > HELD && !oldest.done) this.held.delete(oldest.value);
  }

  private async remember(key: string, who: string, body: string): Promise<void> {
    // who is signed in is asked before anybody is known to be; others may have come meanwhile
    const session = key === keyOf('GET', SESSION, '');
    if (session || (who && who === this.who)) await keepAnswer({ key, who, body, at: Date.now() });
  }

  private async before(method: string, path: string, text: string): Promise<Response | null> {
    const whose = path === SESSION ? '' : this.who;
    const found = await keptAnswer(keyOf(method, path, text), whose);
    return found && new Response(found.body, { headers: { 'Content-Type': 'application/json' } });
  }

  private async sendOne(one: Waiting): Promise<boolean> {
    let reply: Response;
    try {
      reply = await this.post(one, this.token());
      if (reply.status === NO_TOKEN) reply = await this.post(one, await this.fresh());
    } catch {
      this.lost();
      return false;
    }
    if (reply.status === UNSENT || reply.status === GONE || reply.status === NOBODY) return false;
    this.reached();
    if (reply.ok && one.turn !== undefined) {
      await dequeue(one.turn);
      return true;
    }
    if (reply.status >= 500) return false;
    const { field, message } = await reason(reply);
    if (field === 'made_by') return false; // somebody else signed in by now: it waits for its own
    await change({ ...one, refused: message });
    return true;
  }

  private post(one: Waiting, token: string): Promise<Response> {
    const headers = {
      'Content-Type': 'application/json',
      'X-Done-At': one.at,
      'X-CSRFToken': token,
      'X-Made-By': one.who,
      ...(one.seen ? { 'If-Match': one.seen } : {}),
    };
    const url = new URL(one.path, location.origin);
    return this.send(
      new Request(url, { method: one.method, headers, body: one.body || undefined }),
    );
  }

  private lost(): void {
    this.off = true;
    this.timer ??= setInterval(() => void this.knock(), TRIES_MS);
  }

  private reached(): void {
    this.off = false;
    clearInterval(this.timer);
    this.timer = undefined;
    if (!this.sending) void this.flush();
  }

  /** Is somebody there again? */
  async knock(): Promise<void> {
    try {
      await this.send(new Request(new URL('/healthz', location.origin)));
      this.reached();
      if (!this.waiting.length) await this.onsent();
    } catch {
      this.lost();
    }
  }
}

/** What a feed is poured on. */
function about(body: string): unknown {
  const said = JSON.parse(body || '{}') as Body & { dose?: Body };
  return said.fill_id ?? said.dose?.stand_id ?? said.stand_id;
}

async function reason(reply: Response): Promise<{ field: string; message: string }> {
  const bare = { field: '', message: `Refused (${reply.status}).` };
  try {
    const said = (await reply.json()) as { error?: Partial<typeof bare> };
    return { ...bare, ...said.error };
  } catch {
    return bare;
  }
}

function inJson(said: unknown, status: number): Response {
  return new Response(JSON.stringify(said), {
    status,
    headers: { 'Content-Type': 'application/json' },
  });
}

export const away = new Away();
