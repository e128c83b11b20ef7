import { untrack } from 'svelte';
import type { Problem, Reply } from '../api/client';
import { keepFocusNear } from './focus';

const RESTS_MS = 250;

/** A read that a screen shows: the latest question wins, and a failure can be tried again. */
export class Resource<T> {
  data = $state<T | null>(null);
  problem = $state<Problem | null>(null);
  busy = $state(false);
  private asking: AbortController | undefined;
  private rests: ReturnType<typeof setTimeout> | undefined;
  private last: (() => Promise<void>) | undefined;
  private answered: Promise<void> = Promise.resolve();

  /** Ask; `read` gets a signal to pass on. What stood there before stays until the answer. */
  load(read: (signal: AbortSignal) => Promise<Reply<T>>): Promise<void> {
    return (this.answered = this.ask(read));
  }

  /** Once the answer to what was asked last stands. */
  async settled(): Promise<void> {
    while (this.busy) await this.answered;
  }

  private async ask(read: (signal: AbortSignal) => Promise<Reply<T>>): Promise<void> {
    clearTimeout(this.rests);
    this.last = () => this.load(read);
    this.asking?.abort();
    const asking = new AbortController();
    this.asking = asking;
    this.busy = true;
    try {
      const reply = await read(asking.signal);
      if (this.asking !== asking) return;
      void keepFocusNear(() => {
        this.problem = reply.problem ?? null;
        if (reply.data !== undefined) this.data = reply.data;
      });
    } catch {
      // a later question took this one's place
    }
    if (this.asking === asking) this.busy = false;
  }

  /** Ask once nothing more has been asked for a moment. */
  soon(read: (signal: AbortSignal) => Promise<Reply<T>>): void {
    clearTimeout(this.rests);
    this.rests = setTimeout(() => void this.load(read), RESTS_MS);
  }

  /** The same question once more. */
  readonly again = (): Promise<void> => this.last?.() ?? Promise.resolve();

  /** A write's answer says how it stands now: what was asked before it is not waited for. */
  take(data: T): void {
    this.clear();
    this.data = data;
  }

  /** What stands there is of something else: show nothing until the next answer. */
  clear(): void {
    clearTimeout(this.rests);
    this.asking?.abort();
    this.asking = undefined;
    this.data = this.problem = null;
    this.busy = false;
  }
}

/** In a component: run `act` now, and whenever what `on` reads has changed. */
export function follow<T>(on: () => T, act: (value: T) => void): void {
  $effect(() => {
    const value = on();
    untrack(() => act(value));
  });
}
