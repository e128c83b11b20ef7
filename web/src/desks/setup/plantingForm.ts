import { ask, client } from '../../api/client';
import { newId } from '../../ui/ids';
import { typedNumber } from '../../ui/numbers';
import { today, type Choices } from './forms';
import { notNumbers, type Answers, type Form, type Question, type Step } from './questions';

const OTHER = 'other';

/** Kinds of plants, each by a crop of the table that feeds alike. */
const KINDS: [string, string][] = [
  ['lettuce', 'a light feeder, eaten for its leaf'],
  ['chard', 'a medium feeder, eaten for its leaf'],
  ['sweet_pepper', 'a medium feeder with fruit'],
  ['courgette', 'a heavy feeder with fruit'],
  ['zinnia', 'a flower for a bed or a pot'],
  ['fig_pot', 'a shrub, a small tree or a house plant in a pot'],
  ['blueberry_pot', 'a shrub that wants acid soil'],
];

/** Crops by name, with what they are called elsewhere. */
export const cropOptions = (choices: Choices) =>
  choices.crops.map((one) => ({
    value: one.key,
    name: one.also.length ? `${one.name} (${one.also.join(', ')})` : one.name,
  }));

const cropOf = (answers: Answers) =>
  answers.crop === OTHER ? (answers.like ?? KINDS[0]?.[0] ?? '') : (answers.crop ?? '');

function mostLike(choices: Choices): Step {
  return {
    title: 'What is it, and what is it most like?',
    questions: [
      { key: 'called', label: 'What do you call it?', hint: 'Such as “oca” or “dahlia”.' },
      {
        key: 'like',
        label: 'It feeds most like',
        options: [...KINDS.map(([value, name]) => ({ value, name })), ...likeACrop(choices)],
        usual: KINDS[0]?.[0],
        why: 'Its figures are then those of that plant: a start, less sure than for a crop of the list.',
      },
    ],
  };
}

const likeACrop = (choices: Choices) =>
  cropOptions(choices).filter(({ value }) => !KINDS.some(([kind]) => kind === value));

/** What grows in a fill; the stages follow from the crop. */
export function plantingForm(
  choices: Choices,
  fills: { value: string; name: string }[],
  { id, stand: standId }: { id: string; stand: string } = { id: newId(), stand: newId() },
): Form {
  return {
    title: 'What grows there?',
    steps: (answers) => {
      const other = answers.crop === OTHER;
      const grown = cropOf(answers);
      const crop = choices.crops.find((one) => one.key === grown) ?? choices.crops[0];
      const where: Question = {
        key: 'fill_id',
        label: 'Where?',
        options: fills,
        usual: fills[0]?.value,
      };
      return [
        ...(fills.length > 1 ? [{ title: 'Where does it grow?', questions: [where] }] : []),
        {
          title: 'What grows there?',
          questions: [
            {
              key: 'crop',
              label: 'Crop',
              options: [
                ...cropOptions(choices),
                { value: OTHER, name: 'Something that is not in this list' },
              ],
              usual: choices.crops[0]?.key,
            },
            { key: 'count', label: 'How many plants?', usual: '1', kind: 'decimal' },
            {
              key: 'started_on',
              label: 'Sown or planted on',
              kind: 'date',
              usual: today(),
              why: 'Today, unless you say another day.',
            },
          ],
        },
        ...(other ? [mostLike(choices)] : []),
        {
          title: 'What do you see on it today?',
          questions: [
            {
              key: 'stage',
              label: crop?.name ?? 'Stage',
              options: (crop?.stages ?? []).map((one) => ({
                value: one.key,
                name: `${one.cue} (${one.words})`,
              })),
              usual: crop?.stages[0]?.key,
              why: 'The stage decides what it likes and the most it bears. You change it when you see a change.',
            },
          ],
        },
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['count']);
      if (wrong) return wrong;
      const body = {
        id,
        stand_id: standId,
        fill_id: answers.fill_id ?? fills[0]?.value ?? '',
        crop: cropOf(answers),
        called: answers.crop === OTHER ? (answers.called ?? '') : '',
        count: typedNumber(answers.count) ?? 1,
        started_on: answers.started_on ?? today(),
        stage: answers.stage ?? '',
      };
      return ask(client.POST('/api/plantings', { body }));
    },
  };
}
