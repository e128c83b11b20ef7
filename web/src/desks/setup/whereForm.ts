import { ask, client } from '../../api/client';
import type { Choices, Setup } from './forms';
import { notNumbers, type Answers, type Form, type Step } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

type Country = Choices['countries'][number];
const ELSEWHERE = 'elsewhere';
const NEAR_DEG = 4;

/** The country whose zone the device keeps, or the first one in the same part of the world. */
export function likelyCountry(zone: string, countries: Country[]): Country | undefined {
  const region = zone.split('/')[0] ?? '';
  return (
    countries.find((one) => one.zone === zone) ??
    countries.find((one) => one.zone.startsWith(`${region}/`))
  );
}

/** Where the garden is, and how it measures. `again` where it was said before. */
export function whereForm(setup: Setup, choices: Choices, again = false): Form {
  const device = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const zones = Intl.supportedValuesOf('timeZone');
  const likely = again
    ? choices.countries.find((one) => one.zone === setup.garden.zone)
    : likelyCountry(device, choices.countries);
  const usual = likely?.name ?? ELSEWHERE;
  const country = (answers: Answers) =>
    choices.countries.find((one) => one.name === (answers.country ?? usual));
  /** The climate that was chosen, or the only one that the country has. */
  const climateOf = (answers: Answers) =>
    answers.climate ?? country(answers)?.climates[0] ?? setup.garden.climate;
  /** Of a large country the part that has the chosen climate. */
  function latitudeOf(answers: Answers) {
    const middle = country(answers)?.latitude;
    const typed = typedNumber(answers.latitude) ?? setup.garden.latitude;
    if (middle === undefined) return typed;
    const part = choices.climates.find((one) => one.key === climateOf(answers))?.latitude;
    return part === undefined || Math.abs(part - middle) <= NEAR_DEG ? middle : part;
  }
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
                ...choices.countries.map((one) => ({ value: one.name, name: one.name })),
                { value: ELSEWHERE, name: 'Elsewhere: I give the latitude' },
              ],
              usual,
              why: 'Taken from the clock of this device. It gives the latitude, the hours and the usual measures.',
            },
            {
              key: 'zone',
              label: 'Time zone',
              options: zones.map((one) => ({ value: one, name: one.replaceAll('_', ' ') })),
              usual: again ? setup.garden.zone : (zone ?? setup.garden.zone),
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
                ['metric', 'Metric: a tablespoon is 3 teaspoons'],
                ['us', 'US: a gallon is 128 fluid ounces'],
                ['imperial', 'Imperial: a gallon is 8 pints of 20 fluid ounces'],
                ['australian', 'Australian: a tablespoon is 4 teaspoons'],
              ),
              usual: again ? setup.garden.measures : (found?.measures ?? 'metric'),
              why: 'Usual where the garden is. A tablespoon holds 15 to 20 mL, as the family goes.',
            },
            {
              key: 'degrees',
              label: 'Temperatures in',
              options: options(['C', 'Celsius'], ['F', 'Fahrenheit']),
              usual: again ? setup.garden.degrees : (found?.degrees ?? 'C'),
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
        ...climateStep(setup, choices, found, again),
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['latitude']);
      if (wrong) return wrong;
      const body = {
        name: setup.garden.name,
        zone: answers.zone ?? '',
        latitude: latitudeOf(answers),
        measures: answers.measures ?? '',
        degrees: answers.degrees ?? '',
        climate: climateOf(answers),
        approach: answers.approach ?? setup.garden.approach,
      };
      return ask(client.PUT('/api/garden', { body }));
    },
  };
}

/** Which normals fill the days without weather of one's own; asked where there is a choice. */
function climateStep(
  setup: Setup,
  choices: Choices,
  country: Country | undefined,
  again: boolean,
): Step[] {
  const offered =
    country && !again
      ? choices.climates.filter((one) => country.climates.includes(one.key))
      : choices.climates;
  if (country && offered.length === 1 && !again) return [];
  const order = country?.climates ?? [];
  const place = (key: string) => (order.includes(key) ? order.indexOf(key) : order.length);
  const sorted = [...offered].sort((a, b) => place(a.key) - place(b.key));
  const named = sorted.map((one) => ({ value: one.key, name: `${one.name}: like ${one.like}` }));
  const unsaid = { value: '', name: 'I cannot say: go by the latitude, less surely' };
  return [
    {
      title: 'What weather is usual?',
      questions: [
        {
          key: 'climate',
          label: 'Most like',
          options: country && !again ? named : [...named, unsaid],
          usual: again || !country ? setup.garden.climate : sorted[0]?.key,
          why: 'It stands in for days without weather of your own.',
        },
      ],
    },
  ];
}
