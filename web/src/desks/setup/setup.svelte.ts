import { garden } from '../../app/garden.svelte';
import { undo } from '../../app/undo.svelte';
import { ask, client, type Problem, type Schemas } from '../../api/client';
import type { Choices, Setup } from './forms';
import type { Answers, Form } from './questions';

/** What is open in the sheet: a form, with what stands already. */
export interface Editing {
  form: Form;
  given?: Answers;
}

/** The set-up desk: all that is kept, and what is being written. */
export class SetupDesk {
  setup = $state<Setup | null>(null);
  choices = $state<Choices | null>(null);
  problem = $state<Problem | null>(null);
  editing = $state<Editing | null>(null);

  async load(): Promise<void> {
    const [setup, choices] = await Promise.all([
      ask(client.GET('/api/setup')),
      this.choices ? { data: this.choices } : ask(client.GET('/api/choices')),
    ]);
    this.problem = setup.problem ?? null;
    if (setup.data) this.setup = setup.data;
    if (choices.data) this.choices = choices.data;
  }

  edit(form: Form, given?: Answers): void {
    this.editing = { form, given };
  }

  /** A form was written: close it and show what stands now. */
  async written(): Promise<void> {
    this.editing = null;
    const last = await ask(client.GET('/api/changes/last'));
    const change = last.data?.change;
    if (change) undo.offer({ id: '', change_id: change.id, summary: change.summary });
    await Promise.all([this.load(), garden.changed()]);
  }

  /** Something that needs no form: done at once, and undone from the bar. */
  async act(request: Promise<{ data?: Schemas['WrittenOut']; problem?: Problem }>): Promise<void> {
    const reply = await request;
    this.problem = reply.problem ?? null;
    if (reply.data) undo.offer(reply.data);
    await Promise.all([this.load(), garden.changed()]);
    if (reply.problem) this.problem = reply.problem;
  }
}
