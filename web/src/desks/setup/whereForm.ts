import { ask, client } from '../../api/client';
import { COUNTRIES, likelyCountry } from './countries';
import type { Choices, Setup } from './forms';
import { notNumbers, type Answers, type Form, type Step } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

/** Where the garden is, and how it measures. */
export function whereForm(setup: Setup, choices?: Choices): Form {
  const device = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const zones = Intl.supportedValuesOf('timeZone');
  const usual = likelyCountry(device)?.name ?? 'elsewhere';
  const country = (answers: Answers) =>
    COUNTRIES.find((one) => one.name === (answers.country ?? usual));
  return {
    title: 'Where is the garden?',
    steps: (answers) => {
      const found = country(answers);
      const zone =
        found && device.split('/')[0] === found.zone.split('/')[0] ? device : found?.zone;
      return [
        {
          title: 'Where is the garden?',
          questions: [
            {
              key: 'country',
              label: 'Country',
              options: [
                ...COUNTRIES.map((one) => ({ value: one.name, name: one.name })),
                { value: 'elsewhere', name: 'Elsewhere: I give the latitude' },
              ],
              usual,
              why: 'Taken from the clock of this device. It gives the latitude, the hours and the usual measures.',
            },
            {
              key: 'zone',
              label: 'Time zone',
              options: zones.map((one) => ({ value: one, name: one.replaceAll('_', ' ') })),
              usual: zone ?? setup.garden.zone,
              why: 'The garden keeps its own days, wherever you read it from.',
            },
            ...(!found
              ? [
                  {
                    key: 'latitude',
                    label: 'Latitude, degrees north (south with a minus)',
                    usual: String(setup.garden.latitude),
                    kind: 'decimal' as const,
                  },
                ]
              : []),
          ],
        },
        {
          title: 'How do you measure?',
          questions: [
            {
              key: 'measures',
              label: 'Spoons and gallons',
              options: options(
                ['metric', 'Metric: litres, 15 mL tablespoon'],
                ['us', 'US: gallons of 3.8 L'],
                ['imperial', 'Imperial: gallons of 4.5 L'],
                ['australian', 'Australian: 20 mL tablespoon'],
              ),
              usual: found?.measures ?? 'metric',
              why: 'Usual where the garden is. A tablespoon holds 15 to 20 mL, as the family goes.',
            },
            {
              key: 'degrees',
              label: 'Temperatures in',
              options: options(['C', '°C'], ['F', '°F']),
              usual: found?.degrees ?? 'C',
              why: 'Usual where the garden is.',
            },
            {
              key: 'approach',
              label: 'How do you like to feed?',
              options: options(
                ['mixed', 'Both dissolved and slow feeds'],
                ['soil_first', 'Feed the soil first'],
                ['soluble', 'Dissolved feeds'],
              ),
              usual: setup.garden.approach,
              why: 'It orders what Dace offers, never the sums. Each planting may differ.',
            },
          ],
        },
        ...(choices ? [climateStep(setup, choices)] : []),
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['latitude']);
      if (wrong) return wrong;
      const body = {
        name: setup.garden.name,
        zone: answers.zone ?? '',
        latitude: country(answers)?.latitude ?? typedNumber(answers.latitude) ?? 0,
        measures: answers.measures ?? '',
        degrees: answers.degrees ?? '',
        climate: answers.climate ?? setup.garden.climate,
        approach: answers.approach ?? setup.garden.approach,
      };
      return ask(client.PUT('/api/garden', { body }));
    },
  };
}

/** Which normals fill the days without weather of one's own. */
function climateStep(setup: Setup, choices: Choices): Step {
  return {
    title: 'What weather is usual?',
    questions: [
      {
        key: 'climate',
        label: 'Climate',
        options: [
          { value: '', name: 'By its latitude' },
          ...choices.climates.map((one) => ({ value: one.key, name: one.name })),
        ],
        usual: setup.garden.climate,
        why: 'It fills the days that you have no weather of your own for: stages, water and release go by them.',
      },
    ],
  };
}
