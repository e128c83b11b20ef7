import { ask, client } from '../../api/client';
import type { Choices, Setup } from './forms';
import { notNumbers, type Answers, type Form } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

type Own = Setup['materials'][number];
const ELEMENTS = ['N', 'P', 'K', 'Ca', 'Mg'];
const NAMES: Record<string, string> = {
  N: 'Nitrogen',
  P: 'Phosphorus',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
};

/** Something to brew with that she knows better than the table: what it is like, and its %. */
export function materialForm(choices: Choices | null, id: string): Form {
  const materials = (choices?.materials ?? []).map((one): [string, string] => [one.key, one.name]);
  const knowing = (keys: string[]) =>
    keys.map((key) => ({
      key,
      label: `${NAMES[key]} as the element, % of it as it is`,
      optional: true,
      kind: 'decimal' as const,
    }));
  return {
    title: 'A material of yours',
    steps: () => [
      {
        title: 'What is it like?',
        questions: [
          {
            key: 'like',
            label: 'Most like',
            options: options(...materials),
            usual: 'comfrey_fresh',
            why: 'Its release, its weight and its cautions are taken from that.',
          },
          { key: 'name', label: 'What do you call it?', hint: 'Such as: comfrey by the weir.' },
        ],
      },
      {
        title: 'What do you know of it?',
        optional: true,
        questions: knowing(ELEMENTS.slice(0, 3)),
      },
      {
        title: 'And of these?',
        optional: true,
        questions: knowing(ELEMENTS.slice(3)),
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ELEMENTS);
      if (wrong) return wrong;
      const known = ELEMENTS.map((key) => [key, typedNumber(answers[key]) ?? null] as const).filter(
        (pair): pair is [string, number] => pair[1] !== null,
      );
      const body = {
        name: answers.name ?? '',
        like: answers.like ?? '',
        percent: Object.fromEntries(known),
      };
      const params = { path: { row_id: id } };
      return ask(client.PUT('/api/materials/{row_id}', { params, body }));
    },
  };
}

export function materialAnswers(own: Own): Answers {
  const known = Object.entries(own.percent).map(([key, value]) => [key, String(value)]);
  return { name: own.name, like: own.like, ...Object.fromEntries(known) };
}

/** What is known of it, in a line. */
export function materialLine(own: Own): string {
  const known = Object.entries(own.percent).map(([key, value]) => `${key} ${value} %`);
  return [`like ${own.like_name.toLowerCase()}`, ...known].join(' · ');
}
