import { garden } from '../../app/garden.svelte';
import { example } from '../../app/measures';
import { newId } from '../../ui/ids';
import { dayOf } from '../../ui/time';
import { ask, client, type Schemas } from '../../api/client';
import { notNumbers, typed, type Form, type Question, type Step } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

export type Setup = Schemas['SetupOut'];
export type Choices = Schemas['ChoicesOut'];

/** The garden's own day. */
export const today = () => (garden.path ? dayOf(garden.path.now, garden.path.zone) : '');

export const named = (rows: { key: string; name: string }[]) =>
  rows.map((one) => ({ value: one.key, name: one.name }));

const kindOf = (choices: Choices, key: string) => choices.places.find((one) => one.key === key);

function usualSize(choices: Choices, key: string): string {
  const kind = kindOf(choices, key);
  return kind ? example(kind.size, kind.size_us) : '';
}

function fillStep(choices: Choices, kind: string): Step {
  return {
    title: 'What is it filled with?',
    questions: [
      {
        key: 'medium',
        label: 'Filled with',
        options: named(choices.media),
        usual: kindOf(choices, kind)?.medium ?? '',
        why: 'The commonest filling of such a place. It decides how much water it holds and how it feeds.',
      },
      {
        key: 'covered',
        label: 'Does rain reach it?',
        options: options(['no', 'Yes, it stands open'], ['yes', 'No, it is covered']),
        usual: kindOf(choices, kind)?.covered ? 'yes' : 'no',
        why: 'Rain washes feed out of open places.',
      },
      {
        key: 'ph',
        label: 'pH',
        optional: true,
        kind: 'decimal',
        hint: 'Leave it out if you never tested.',
      },
    ],
  };
}

const AREA: Question = {
  key: 'area',
  label: 'Does it belong to something larger?',
  optional: true,
  hint: 'Such as “Tunnel”: what gets alike there is one row of the round.',
};

const lastStep = (questions: Question[]): Step[] =>
  questions.length ? [{ title: 'How does it stand?', questions }] : [];

/** A place and what fills it; what it belongs to is asked once there are others. */
export function placeForm(
  choices: Choices,
  ids: { place: string; fill: string },
  others = true,
): Form {
  return {
    title: 'A place',
    steps: (answers) => {
      const kind = answers.kind ?? 'tub';
      const alike: Question = {
        key: 'alike',
        label: 'How many alike?',
        usual: '1',
        kind: 'decimal',
      };
      return [
        {
          title: 'A place along your path',
          questions: [
            { key: 'kind', label: 'What is it?', options: named(choices.places), usual: 'tub' },
            { key: 'name', label: 'What do you call it?', hint: 'Such as “Tub by the door”.' },
            {
              key: 'size',
              label: kindOf(choices, kind)?.alike ? 'How large is one?' : 'How large is it?',
              usual: usualSize(choices, kind),
              hint: example(
                '40 L, 3 x 1.2 m, or a 25 cm pot.',
                '10 gallon, 12 x 4 ft, or a 10 in pot.',
              ),
              why: 'A usual size for such a place: put your own.',
            },
          ],
        },
        fillStep(choices, kind),
        ...lastStep([...(kindOf(choices, kind)?.alike ? [alike] : []), ...(others ? [AREA] : [])]),
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['ph', 'alike']);
      if (wrong) return wrong;
      const body = {
        name: answers.name ?? '',
        kind: answers.kind ?? '',
        covered: answers.covered === 'yes',
        area: answers.area ?? '',
        fill: {
          id: ids.fill,
          size: typed(answers, 'size'),
          medium: answers.medium ?? '',
          alike: typedNumber(answers.alike) ?? 1,
          ph: typedNumber(answers.ph),
          name: '',
        },
      };
      const path = { place_id: ids.place };
      return ask(client.PUT('/api/places/{place_id}', { params: { path }, body }));
    },
  };
}

/** Another pot, tray or end of a bed at a place; or the one that stands there, edited. */
export function fillForm(choices: Choices, place: Setup['places'][number], id: string): Form {
  return {
    title: `At ${place.name}`,
    steps: () => [
      {
        title: 'Another pot, tray or end of a bed',
        questions: [
          { key: 'name', label: 'What do you call it?', hint: 'Such as “left-hand pot”.' },
          {
            key: 'size',
            label: 'How large is one?',
            usual: usualSize(choices, place.kind),
            hint: example(
              '40 L, 3 x 1.2 m, or a 25 cm pot.',
              '10 gallon, 12 x 4 ft, or a 10 in pot.',
            ),
          },
          { key: 'alike', label: 'How many alike?', usual: '1', kind: 'decimal' },
        ],
      },
      {
        title: 'What is it filled with?',
        questions: fillStep(choices, place.kind).questions.filter((one) => one.key !== 'covered'),
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ['ph', 'alike']);
      if (wrong) return wrong;
      const body = {
        id,
        size: typed(answers, 'size'),
        medium: answers.medium ?? '',
        alike: typedNumber(answers.alike) ?? 1,
        ph: typedNumber(answers.ph),
        name: answers.name ?? '',
      };
      const params = { path: { place_id: place.id } };
      return ask(client.PUT('/api/places/{place_id}/fills', { params, body }));
    },
  };
}

/** Fresh medium in a pot where nothing grows: all of it, or a part on top of the old. */
export function refillForm(choices: Choices, fillId: string): Form {
  const id = newId();
  return {
    title: 'Fill it anew',
    steps: () => [
      {
        title: 'With what?',
        questions: [
          {
            key: 'medium',
            label: 'Filled with',
            options: [{ value: '', name: 'the same as before' }, ...named(choices.media)],
            usual: '',
          },
          {
            key: 'fresh',
            label: 'How much of it is new?',
            options: options(['1', 'All of it'], ['0.5', 'Half'], ['0.33', 'A third on top']),
            usual: '1',
          },
        ],
      },
    ],
    save: async (answers) => {
      const body = { id, medium: answers.medium || null, fresh: Number(answers.fresh ?? '1') };
      const params = { path: { fill_id: fillId } };
      return ask(client.POST('/api/fills/{fill_id}/refill', { params, body }));
    },
  };
}

/** So many more places like one that stands, numbered on. */
export function moreForm(place: Setup['places'][number]): Form {
  const id = newId();
  return {
    title: `More like ${place.name}`,
    steps: () => [
      {
        title: 'How many more?',
        questions: [
          {
            key: 'count',
            label: 'More of them',
            usual: '6',
            kind: 'decimal',
            why: 'Each is a stop of its own, with the same size and filling.',
          },
        ],
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ['count']);
      if (wrong) return wrong;
      const body = { id, count: Math.round(typedNumber(answers.count) ?? 0) };
      const params = { path: { place_id: place.id } };
      return ask(client.POST('/api/places/{place_id}/more', { params, body }));
    },
  };
}
