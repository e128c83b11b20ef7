import { ask, client, useSeen, type Reply, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';
import { steps } from '../../app/steps.svelte';
import type { Next } from '../../app/undo.svelte';
import { Write } from '../../app/write.svelte';
import { draftOf, dropDrafts, keepDraft } from '../../ui/drafts';
import type { Choices, Setup } from './forms';
import type { Answers, Form } from './questions';

/** What is open in the sheet: a form, with what stands already. */
export interface Editing {
  form: Form;
  given?: Answers;
  /** What was typed before it was closed or the page read anew, and not written yet. */
  typed?: Answers | undefined;
  /** What usually comes after it, offered beside its undo. */
  next?: Next;
}

/** One name for one form over the same rows: over changed ones it begins anew. */
const draftName = ({ form, given }: Editing): string =>
  `setup ${form.title} ${JSON.stringify(given ?? {})};`;

/** The set-up desk: all that is kept, and what is being written. */
export class SetupDesk {
  readonly kept = new Resource<Setup>();
  readonly offered = new Resource<Choices>();
  readonly write = new Write();
  editing = $state<Editing | null>(null);
  /** The newest change that the form was filled from. */
  private seen: number | null = null;
  /** The change that the last form made. */
  written: number | null = null;

  setup = $derived(this.kept.data);
  choices = $derived(this.offered.data);

  async load(): Promise<void> {
    await Promise.all([
      this.kept.load((signal) => ask(client.GET('/api/setup', { signal }))),
      this.choices || this.offered.load((signal) => ask(client.GET('/api/choices', { signal }))),
    ]);
  }

  edit(form: Form, given?: Answers, next?: Next): void {
    this.write.begin();
    this.seen = this.setup?.edition ?? null;
    const typed = draftOf<Answers>(draftName({ form, given })) ?? undefined;
    this.editing = { form, given, typed, next };
    steps.go(0);
  }

  /** An answer was given: it outlives the sheet and a reload, until it is written. */
  typed(answers: Answers): void {
    if (!this.editing) return;
    const name = draftName(this.editing);
    const given: Answers = this.editing.given ?? {};
    const changed = Object.entries(answers).some(([key, now]) => now !== (given[key] ?? ''));
    if (changed) keepDraft(name, answers);
    else dropDrafts(name);
  }

  close(): void {
    this.editing = null;
    this.seen = null;
    steps.leave();
  }

  /** Write the answers of a form, `over` another hand's if need be; what is wrong, or null. */
  async keep(form: Form, answers: Answers, over = false) {
    useSeen(over ? null : this.seen);
    const written = await this.write.send(() => form.save(answers), this.editing?.next);
    useSeen(null);
    this.written = written?.change_id ?? null;
    if (written && this.editing) dropDrafts(draftName(this.editing));
    return this.write.problem;
  }

  /** Another hand was first: show what stands now. */
  async take(): Promise<void> {
    if (this.editing) dropDrafts(draftName(this.editing));
    this.close();
    this.write.begin();
    await this.load();
  }

  /** Something that needs no form: done at once, and undone from the bar. `name` tells its id. */
  async act(
    request: (id: string) => Promise<Reply<Schemas['WrittenOut']>>,
    name = '',
  ): Promise<void> {
    await this.write.send(() => request(this.write.id(name)));
  }
}
