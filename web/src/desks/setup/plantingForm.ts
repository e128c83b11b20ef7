import { stageMarks } from '../../drawings/plants/stage';
import { ask, client } from '../../api/client';
import { newId } from '../../ui/ids';
import { typedNumber } from '../../ui/numbers';
import { named, today, type Choices } from './forms';
import { notNumbers, type Answers, type Form, type Question, type Step } from './questions';

const OTHER = 'other';

/** Crops by name, with what they are called elsewhere. */
export const cropOptions = (choices: Choices) =>
  choices.crops.map((one) => ({
    value: one.key,
    name: one.also.length ? `${one.name} (${one.also.join(', ')})` : one.name,
  }));

const cropOf = (answers: Answers, choices: Choices) =>
  answers.crop === OTHER ? (answers.like ?? choices.stand_ins[0]?.key ?? '') : (answers.crop ?? '');

function mostLike(choices: Choices): Step {
  return {
    title: 'What is it, and what is it most like?',
    questions: [
      { key: 'called', label: 'What do you call it?', hint: 'Such as “oca” or “dahlia”.' },
      {
        key: 'like',
        label: 'It feeds most like',
        options: [...named(choices.stand_ins), ...likeACrop(choices)],
        usual: choices.stand_ins[0]?.key,
        why: 'Its figures are then those of that plant: less sure, but a start.',
      },
    ],
  };
}

const likeACrop = (choices: Choices) =>
  cropOptions(choices).filter(({ value }) => !choices.stand_ins.some((kind) => kind.key === value));

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
      const grown = cropOf(answers, choices);
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
              ...(crop && { drawn: (stage: string) => stageMarks(stage, crop.grown) }),
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
        crop: cropOf(answers, choices),
        called: answers.crop === OTHER ? (answers.called ?? '') : '',
        count: typedNumber(answers.count) ?? 1,
        started_on: answers.started_on ?? today(),
        stage: answers.stage ?? '',
      };
      return ask(client.POST('/api/plantings', { body }));
    },
  };
}
