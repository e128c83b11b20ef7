import { ask, client, type Problem } from '../../api/client';
import { session } from '../../app/session.svelte';
import { draftOf, dropDrafts, keepDraft } from '../../ui/drafts';
import { newId } from '../../ui/ids';
import { eveningsForm } from './eveningsForm';
import { placeForm, type Choices, type Setup } from './forms';
import { jarForm } from './jarForms';
import { plantingForm } from './plantingForm';
import type { Answers, Form } from './questions';
import type { SetupDesk } from './setup.svelte';
import { vesselForm } from './supplyForms';
import { waterForm } from './waterForms';
import { whereForm } from './whereForm';

interface Draft {
  household: string;
  ids: Record<'place' | 'fill' | 'planting' | 'stand' | 'water' | 'jar' | 'vessel', string>;
  answers: Answers[];
  /** The planting as it was written, and its change: another answer takes it back first. */
  planted?: { as: string; change: number | null };
}

const PLANTING = 2;

const fresh = (): Draft => ({
  household: session.info?.household ?? '',
  ids: {
    place: newId(),
    fill: newId(),
    planting: newId(),
    stand: newId(),
    water: newId(),
    jar: newId(),
    vessel: newId(),
  },
  answers: [{}, {}, {}, {}, {}, {}, {}],
});

/** The first questions as one row of steps; answers and ids outlive a reload. */
export class FirstQuestions {
  private draft = $state<Draft>(fresh());
  /** As the garden measures by now: the first answers change what the later ones ask. */
  readonly forms: Form[];
  readonly lengths: number[];

  constructor(desk: SetupDesk, setup: Setup, choices: Choices) {
    const kept = draftOf<Draft>('first');
    if (kept?.household === this.draft.household) this.draft = kept;
    else keepDraft('first', this.draft);
    const ids = this.draft.ids;
    this.forms = $derived([
      whereForm(setup, choices),
      placeForm(choices, ids, false),
      this.planting(choices),
      waterForm(desk.setup ?? setup, ids.water),
      jarForm(ids.jar, choices.materials),
      vesselForm(desk.setup ?? setup, ids.vessel),
      eveningsForm(),
    ]);
    this.lengths = $derived(this.forms.map((one, at) => one.steps(this.answers(at)).length));
  }

  get place(): string {
    return this.draft.ids.place;
  }

  answers(at: number): Answers {
    return this.draft.answers[at] ?? {};
  }

  answer(at: number, answers: Answers): void {
    this.draft.answers[at] = answers;
    keepDraft('first', this.draft);
  }

  /** Which form asks a step of the whole row. */
  formAt(step: number): number {
    let at = 0;
    for (let left = step; at < this.forms.length - 1; at += 1) {
      left -= this.lengths[at] ?? 0;
      if (left < 0) break;
    }
    return at;
  }

  before(at: number): number {
    return this.lengths.slice(0, at).reduce((sum, length) => sum + length, 0);
  }

  async submit(desk: SetupDesk, at: number, answers: Answers): Promise<Problem | null> {
    const form = this.forms[at];
    if (!form) return null;
    const planted = this.draft.planted;
    const as = JSON.stringify(answers);
    if (at === PLANTING && planted?.change && planted.as !== as) {
      const undone = await ask(client.POST('/api/undo', { body: { change_id: planted.change } }));
      if (undone.problem) return undone.problem;
      Object.assign(this.draft.ids, { planting: newId(), stand: newId() });
    }
    const problem = await desk.keep(form, answers);
    if (at === PLANTING && !problem) this.draft.planted = { as, change: desk.written };
    keepDraft('first', this.draft);
    return problem;
  }

  leave(): void {
    dropDrafts('first');
  }

  private planting(choices: Choices): Form {
    const fills = [{ value: this.draft.ids.fill, name: 'here' }];
    const form = () => {
      const { planting, stand } = this.draft.ids;
      return plantingForm(choices, fills, { id: planting, stand });
    };
    const first = form();
    return { ...first, save: (answers) => form().save(answers) };
  }
}
