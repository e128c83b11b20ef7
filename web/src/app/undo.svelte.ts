import { ask, client, type Reply, type Schemas } from '../api/client';
import { garden } from './garden.svelte';

const STAYS_MS = 10_000;

/** Another thing to do next, such as reading the can just poured. */
export interface Next {
  label: string;
  act: () => void;
}

interface Bar {
  changeId: number | null;
  text: string;
  undone: boolean;
  next?: Next;
}

/** The bar that offers to take back what was just done, for ten seconds. */
class Undo {
  bar = $state<Bar | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;

  offer(written: Schemas['WrittenOut'], next?: Next): void {
    this.show({ changeId: written.change_id ?? null, text: written.summary, undone: false, next });
  }

  say(text: string): void {
    this.show({ changeId: null, text, undone: false });
  }

  /** Take back a change; without one, the newest. */
  async take(changeId?: number | null): Promise<void> {
    const undone = !this.bar?.undone || this.bar.changeId !== changeId;
    const body = { change_id: changeId ?? null };
    await this.taken(await ask(client.POST('/api/undo', { body })), undone);
  }

  /** Something was taken back, or put in place again: say so, or say why it was not. */
  async taken(reply: Reply<Schemas['ChangeOut']>, undone = true): Promise<void> {
    if (reply.problem) {
      this.say(reply.problem.message);
      return;
    }
    this.show({ changeId: reply.data.id, text: reply.data.summary, undone });
    await garden.changed();
  }

  /** A pointer or the focus rests on the bar: it waits. */
  hold(): void {
    clearTimeout(this.timer);
  }

  release(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => (this.bar = null), STAYS_MS);
  }

  private show(bar: Bar): void {
    this.bar = bar;
    this.release();
  }
}

export const undo = new Undo();
