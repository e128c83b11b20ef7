import { newId } from '../../ui/ids';
import { ask, client } from '../../api/client';
import type { Choices, Setup } from './forms';
import { cropOptions } from './plantingForm';
import { notNumbers, type Form } from './questions';
import { typedNumber } from '../../ui/numbers';

type Stand = Setup['places'][number]['stands'][number];

/** Pot on, plant out, move or split. */
export function moveForm(stand: Stand, fills: { value: string; name: string }[]): Form {
  const id = newId();
  return {
    title: `Move ${stand.counted}`,
    steps: () => [
      {
        title: 'How many go, and where?',
        questions: [
          {
            key: 'count',
            label: 'How many',
            usual: String(stand.count),
            kind: 'decimal',
            why: 'All of them. With fewer, the rest stays where it is; both keep their history.',
          },
          { key: 'fill_id', label: 'To', options: fills, usual: fills[0]?.value },
        ],
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ['count']);
      if (wrong) return wrong;
      const body = { id, fill_id: answers.fill_id ?? '', count: typedNumber(answers.count) ?? 0 };
      const params = { path: { stand_id: stand.id } };
      return ask(client.POST('/api/stands/{stand_id}/move', { params, body }));
    },
  };
}

/** Thin to fewer, or put a slip in the count right. */
export function countForm(stand: Stand, why: 'thin' | 'count'): Form {
  const id = newId();
  return {
    title:
      why === 'thin' ? `Thin ${stand.counted}` : `How many ${stand.crop.toLowerCase()} are there?`,
    steps: () => [
      {
        title: why === 'thin' ? 'How many stay?' : 'How many really stand there?',
        questions: [{ key: 'count', label: 'Plants', usual: String(stand.count), kind: 'decimal' }],
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ['count']);
      if (wrong) return wrong;
      const count = typedNumber(answers.count) ?? 0;
      const params = { path: { stand_id: stand.id } };
      const written =
        why === 'thin'
          ? ask(client.POST('/api/stands/{stand_id}/thin', { params, body: { id, count } }))
          : ask(client.PUT('/api/stands/{stand_id}', { params, body: { count } }));
      return written;
    },
  };
}

/** Put a slip in the crop or its day right. */
export function mendForm(stand: Stand, choices: Choices): Form {
  return {
    title: `What are the ${stand.counted}?`,
    steps: () => [
      {
        title: 'What grows there, and since when?',
        questions: [
          {
            key: 'crop',
            label: 'Crop',
            options: cropOptions(choices),
            usual: stand.crop_key,
          },
          ...(stand.called
            ? [{ key: 'called', label: 'What do you call it?', usual: stand.called }]
            : []),
          { key: 'started_on', label: 'Sown or planted on', kind: 'date', usual: stand.started_on },
        ],
      },
    ],
    save: async (answers) => {
      const crop = answers.crop ?? '';
      // an own name stays with the kind of plant that it was given to
      const called = crop === stand.crop_key ? answers.called?.trim() || stand.called : '';
      const body = { crop, called, started_on: answers.started_on ?? '' };
      const params = { path: { planting_id: stand.planting_id } };
      return ask(client.PUT('/api/plantings/{planting_id}', { params, body }));
    },
  };
}
