import { ask, client } from '../../api/client';
import { newId } from '../../ui/ids';
import { typedNumber } from '../../ui/numbers';
import { today, type Choices } from './forms';
import { notNumbers, type Form, type Question } from './questions';

/** What grows in a fill; the stages follow from the crop. */
export function plantingForm(
  choices: Choices,
  fills: { value: string; name: string }[],
  { id, stand: standId }: { id: string; stand: string } = { id: newId(), stand: newId() },
): Form {
  return {
    title: 'What grows there?',
    steps: (answers) => {
      const crop = choices.crops.find((one) => one.key === answers.crop) ?? choices.crops[0];
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
              options: choices.crops.map((one) => ({ value: one.key, name: one.name })),
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
        crop: answers.crop ?? '',
        count: typedNumber(answers.count) ?? 1,
        started_on: answers.started_on ?? today(),
        stage: answers.stage ?? '',
      };
      return ask(client.POST('/api/plantings', { body }));
    },
  };
}
