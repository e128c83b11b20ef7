import type { Problem, Reply, Schemas } from '../../api/client';
import { typedNumber } from '../../ui/numbers';
import type { Typed } from '../../ui/typed';
import type { Mark } from '../../drawings/plants/shape';

/** One question of a form. */
export interface Question {
  /** Name of the answer, and of the field that the server may find fault with. */
  key: string;
  label: string;
  /** What can be chosen; a text field without. */
  options?: { value: string; name: string }[];
  /** What each choice looks like: then it is pressed on its drawing. */
  drawn?: (value: string) => Mark[];
  /** The default, which can be pressed to see why. */
  usual?: string;
  /** Why that is the default. */
  why?: string;
  /** A word of help below. */
  hint?: string;
  /** It may stay empty. */
  optional?: boolean;
  kind?: 'text' | 'date' | 'decimal';
}

export type Answers = Record<string, string>;

/** At most three questions at a time. */
export interface Step {
  title: string;
  questions: Question[];
  /** All that is asked here may be left for later. */
  optional?: boolean;
}

/** A form in steps. Later steps may follow from earlier answers. */
export interface Questions {
  title: string;
  steps: (answers: Answers) => Step[];
}

/** Questions whose answers are written down. */
export interface Form extends Questions {
  save: (answers: Answers) => Promise<Reply<Schemas['WrittenOut']>>;
}

const BEFORE = ' before';

/** The answers with every default in place, and what each box held before it was typed in. */
export function withDefaults(steps: Step[], answers: Answers, given: Answers = {}): Answers {
  const full: Answers = {};
  for (const step of steps)
    for (const { key, usual } of step.questions) {
      full[key] = answers[key] ?? usual ?? '';
      full[key + BEFORE] = given[key] ?? usual ?? '';
    }
  return { ...answers, ...full };
}

/** An amount as it was typed over what its box held: a bare number keeps the unit. */
export function typed(answers: Answers, key: string): Typed {
  return { text: answers[key] ?? '', shown: answers[key + BEFORE] ?? '' };
}

/** The first question of a step that has no answer and needs one. */
export function unanswered(step: Step, answers: Answers): Question | undefined {
  const offered = (one: Question) =>
    one.options?.some(({ value }) => value === (answers[one.key] ?? '')); // empty may be a choice
  return step.questions.find(
    (one) => !one.optional && !step.optional && !answers[one.key]?.trim() && !offered(one),
  );
}

/** Which step asks for a field; the last one where none does. */
export function stepOf(steps: Step[], field: string): number {
  const at = steps.findIndex((step) => step.questions.some((one) => one.key === field));
  return at < 0 ? steps.length - 1 : at;
}

/** Says which of the answers is no number and should be; null where all are. */
export function notNumbers(answers: Answers, keys: string[]): { problem: Problem } | null {
  for (const field of keys) {
    if (typedNumber(answers[field]) !== undefined) continue;
    const would_do = 'a number such as 1.5 would do';
    const read = `“${answers[field]}”`;
    return { problem: { field, read, would_do, message: `Read ${read}; ${would_do}.` } };
  }
  return null;
}
