import { ask, client } from '../../api/client';
import { example, SCALES } from '../../app/measures';
import type { Setup } from './forms';
import { notNumbers, typed, type Form } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

/** A can, sprayer or jug. */
export function vesselForm(setup: Setup, id: string): Form {
  const usual = example('9 L', '2 gallon');
  return {
    title: 'A can',
    steps: (answers) => [
      {
        title: 'What do you pour from?',
        questions: [
          {
            key: 'kind',
            label: 'It is a',
            options: options(['can', 'Watering can'], ['jug', 'Jug'], ['sprayer', 'Sprayer']),
            usual: 'can',
          },
          {
            key: 'volume',
            label: 'Filled to its mark it holds',
            usual,
            hint: example('9 L or 2 imperial gallons.', '2 gallon, or 6 pints.'),
          },
          { key: 'name', label: 'What do you call it?', usual: `${answers.volume ?? usual} can` },
        ],
      },
    ],
    save: (answers) => {
      const body = {
        name: answers.name ?? '',
        kind: answers.kind ?? 'can',
        volume: typed(answers, 'volume'),
        usual: setup.vessels.length === 0,
      };
      const path = { vessel_id: id };
      return ask(client.PUT('/api/vessels/{vessel_id}', { params: { path }, body }));
    },
  };
}

/** A spoon, syringe, beaker, scoop or cap. */
export function measureForm(id: string, usually = 'spoon'): Form {
  return {
    title: 'A measure',
    steps: (answers) => {
      const kind = answers.kind ?? usually;
      const filled = ['spoon', 'scoop', 'cap'].includes(kind);
      const spoon = kind === 'spoon';
      return [
        {
          title: 'What do you measure with?',
          questions: [
            {
              key: 'kind',
              label: 'It is a',
              options: options(
                ['spoon', 'Spoon'],
                ['syringe', 'Syringe'],
                ['beaker', 'Beaker'],
                ['scoop', 'Scoop'],
                ['cap', 'Bottle cap'],
              ),
              usual: usually,
            },
            {
              key: 'name',
              label: 'What do you call it?',
              usual: spoon ? 'teaspoon' : kind,
            },
            { key: 'holds', label: 'Full, it holds', usual: spoon ? '1 tsp' : '10 ml' },
          ],
        },
        ...(filled
          ? []
          : [
              {
                title: 'How fine are its marks?',
                questions: [{ key: 'mark', label: 'From mark to mark', usual: '0.5 ml' }],
              },
            ]),
      ];
    },
    save: (answers) => {
      const body = {
        kind: answers.kind ?? usually,
        name: answers.name ?? '',
        holds: typed(answers, 'holds'),
        mark: typed(answers, 'mark'),
      };
      const path = { measure_id: id };
      return ask(client.PUT('/api/measures/{measure_id}', { params: { path }, body }));
    },
  };
}

/** A conductivity pen. */
export function penForm(id: string): Form {
  return {
    title: 'A pen',
    steps: () => [
      {
        title: 'Your conductivity pen',
        questions: [
          { key: 'name', label: 'What do you call it?', usual: 'pen' },
          {
            key: 'scale',
            label: 'It shows',
            options: SCALES,
            usual: 'mS/cm',
          },
          {
            key: 'compensates',
            label: 'Temperature',
            options: options(['yes', 'it corrects to 25 °C'], ['no', 'it does not correct']),
            usual: 'yes',
            why: 'Most pens do; the leaflet calls it ATC.',
          },
        ],
      },
      {
        title: 'How far, and how fine?',
        questions: [
          { key: 'most_ms_cm', label: 'The most it shows, mS/cm', usual: '10', kind: 'decimal' },
          { key: 'step_ms_cm', label: 'Its smallest step, mS/cm', usual: '0.01', kind: 'decimal' },
        ],
      },
    ],
    save: async (answers) => {
      const wrong = notNumbers(answers, ['most_ms_cm', 'step_ms_cm']);
      if (wrong) return wrong;
      const body = {
        name: answers.name ?? '',
        scale: answers.scale ?? 'mS/cm',
        compensates: answers.compensates !== 'no',
        most_ms_cm: typedNumber(answers.most_ms_cm) ?? 10,
        step_ms_cm: typedNumber(answers.step_ms_cm) ?? 0.01,
      };
      const path = { pen_id: id };
      return ask(client.PUT('/api/pens/{pen_id}', { params: { path }, body }));
    },
  };
}
