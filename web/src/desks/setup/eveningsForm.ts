import { ask, client, type Schemas } from '../../api/client';
import { options } from './options';
import type { Form } from './questions';

type Habits = Schemas['GardenFeedingIn'];

/** The evenings that are offered; any others are chosen on the Season. */
const EVENINGS: Record<string, Habits> = {
  two: { evenings: ['tue', 'fri'] },
  one: { evenings: ['sat'] },
  any: { evenings: [] },
  watering: { evenings: [], rhythm: 'every_watering' },
};

/** When she feeds: asked once, after the first questions. */
export function eveningsForm(): Form {
  return {
    title: 'Your evenings',
    steps: () => [
      {
        title: 'Which evenings do you feed?',
        questions: [
          {
            key: 'evenings',
            label: 'Evenings',
            options: options(
              ['two', 'Tuesday and Friday'],
              ['one', 'Saturday'],
              ['any', 'Any'],
              ['watering', 'At every watering'],
            ),
            usual: 'two',
            why: 'Feeds are put together on them. Other days: on the Season.',
          },
        ],
      },
    ],
    save: (answers) => {
      const body = EVENINGS[answers.evenings ?? 'two'] ?? {};
      return ask(client.POST('/api/garden/feeding', { body }));
    },
  };
}
