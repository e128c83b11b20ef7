import type { Problem, Reply, Schemas } from '../api/client';
import { newId } from '../ui/ids';
import { garden } from './garden.svelte';
import { undo, type Next } from './undo.svelte';

type Written = Schemas['WrittenOut'];

/**
 * Something to be written: its ids are made when the intent opens and kept until the answer
 * says that it stands, so that trying again never writes twice.
 */
export class Write {
  busy = $state(false);
  problem = $state<Problem | null>(null);
  private ids: Record<string, string> = {};

  /** The id of what is written; of one of several things by its name. */
  id(name = ''): string {
    return (this.ids[name] ??= newId());
  }

  /** Another intent begins: fresh ids, and nothing is wrong yet. */
  begin(): void {
    this.ids = {};
    this.problem = null;
  }

  /** Send it; what was written, or null where it was not. Its undo is offered, with `next`. */
  async send(request: () => Promise<Reply<Written>>, next?: Next): Promise<Written | null> {
    if (this.busy) return null;
    this.busy = true;
    const reply = await request();
    this.busy = false;
    this.problem = reply.problem ?? null;
    if (reply.problem?.field === 'seen') {
      undo.say(reply.problem.message); // what it stood beside may be gone once it is read again
      await garden.changed();
    }
    if (!reply.data) return null;
    this.ids = {};
    undo.offer(reply.data, next);
    await garden.changed();
    return reply.data;
  }

  /** The sentence about a field, where that is what is wrong. */
  trouble(field: string): string {
    return this.problem?.field === field ? this.problem.message : '';
  }

  /** Something that was typed cannot be used: say so beside its field. */
  refuse(field: string, typed: string, would_do: string): void {
    const read = typed.trim() ? `“${typed.trim()}”` : 'nothing';
    this.problem = { field, read, would_do, message: `Read ${read}; ${would_do}.` };
  }
}
