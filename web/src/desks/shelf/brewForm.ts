import type { Problem, Schemas } from '../../api/client';
import { garden } from '../../app/garden.svelte';
import { degreesNumber, degreesUnit, example, volume } from '../../app/measures';
import { fromFahrenheit } from '../../ui/degrees';
import { instantOf } from '../../ui/time';
import { today } from '../setup/forms';
import { notNumbers, typed, type Answers, type Questions } from '../setup/questions';
import { typedNumber } from '../../ui/numbers';
import { options } from '../setup/options';

type Choices = Schemas['BrewChoicesOut'];
export type BrewBody = Schemas['BrewIn'];

const PAIRS = (rows: Schemas['NamedOut'][]): [string, string][] =>
  rows.map((row) => [row.key, row.name]);

/** The questions of a brew, three at a time; a second ingredient may be left out. */
export function brewForm(choices: Choices): Questions {
  const own = choices.own_materials.map((row): [string, string] => [`own:${row.key}`, row.name]);
  const materials = options(...own, ...PAIRS(choices.materials));
  const grains = choices.particles.filter((one) => !HANDLING.includes(one.key));
  return {
    title: 'A brew',
    steps: (answers) => [
      {
        title: 'What goes in?',
        questions: [
          { key: 'material', label: 'Material', options: materials, usual: 'comfrey_fresh' },
          {
            key: 'amount',
            label: 'How much of it',
            usual: '1.5 kg',
            hint: example(
              '1.5 kg, or 8 L loosely filled; weighed is surer.',
              '3 lb, or 2 gallon loosely filled; weighed is surer.',
            ),
          },
          {
            key: 'particle',
            label: 'How fine',
            options: options(...PAIRS(grains)),
            usual: 'chopped_coarse',
            why: 'Finer gives its salts up sooner.',
          },
        ],
      },
      {
        title: 'How is it made?',
        questions: [
          {
            key: 'method',
            label: 'Method',
            options: options(...PAIRS(choices.methods)),
            usual: 'anaerobic_ferment',
          },
          {
            key: 'liquid',
            label: 'How much liquid',
            usual: volume(15),
            hint: `${volume(15)}; 0 with sugar.`,
          },
          inVinegar(answers, choices)
            ? {
                key: 'acid_percent',
                label: 'Acid in it, g in 100 mL',
                usual: '5',
                kind: 'decimal' as const,
                why: 'Kitchen vinegar has about 5: it stands on the bottle.',
              }
            : {
                key: 'water_id',
                label: 'Which water',
                options: options(...PAIRS(choices.waters)),
                usual: rain(choices),
                why: 'Rain water leaves the most room.',
              },
        ],
      },
      {
        title: 'Something more in it?',
        optional: true,
        questions: [
          {
            key: 'second',
            label: 'A second material',
            options: [{ value: '', name: 'nothing more' }, ...materials],
            usual: '',
          },
          {
            key: 'second_amount',
            label: 'How much of that',
            hint: example('Such as 500 g.', 'Such as 1 lb.'),
          },
        ],
      },
      {
        title: 'Where does it stand?',
        questions: [
          {
            key: 'temperature_c',
            label: `How warm, ${degreesUnit()}`,
            usual: degreesNumber(16),
            kind: 'decimal',
            why: 'A shed in summer. Warmer is sooner, and keeps less long.',
          },
          {
            key: 'started_on',
            label: 'Begun on',
            kind: 'date',
            usual: today(),
            why: 'Today. One that stands already is begun on its own first day.',
          },
          { key: 'name', label: 'What do you call it?', usual: nameOf(answers, choices) },
        ],
      },
    ],
  };
}

/** Whether what is chosen is made in vinegar. */
const inVinegar = (answers: Answers, choices: Choices | null) =>
  choices?.methods.find((one) => one.key === answers.method)?.liquid === 'vinegar';

const HANDLING = ['mesh_bag', 'unstirred', 'stirred_daily', 'bubbled', 'second_soak'];

function rain(choices: Choices): string {
  const found = choices.waters.find((one) => one.name.toLowerCase().includes('rain'));
  return (found ?? choices.waters[0])?.key ?? '';
}

function nameOf(answers: Answers, choices: Choices): string {
  const key = answers.material ?? 'comfrey_fresh';
  const found = choices.materials.find((one) => one.key === key);
  const method = choices.methods.find((one) => one.key === (answers.method ?? 'anaerobic_ferment'));
  const what = found?.name.split(',')[0] ?? 'Brew';
  return `${what}, ${method?.name.toLowerCase() ?? 'brew'}`;
}

/** A recipe as answers, to begin from. */
export function fromRecipe(recipe: Schemas['RecipeOut'], choices: Choices | null): Answers {
  const [first, second] = recipe.ingredients;
  const keyOf = (one?: Schemas['IngredientOut']) =>
    one?.own_id ? `own:${one.own_id}` : (one?.material ?? '');
  return {
    material: keyOf(first),
    amount: first?.amount ?? '',
    particle: first?.particle ?? 'chopped_coarse',
    method: recipe.method_key,
    liquid: volume(recipe.volume_l, 4),
    acid_percent: recipe.acid_percent ? String(recipe.acid_percent) : '5',
    water_id: choices ? rain(choices) : '',
    second: keyOf(second),
    second_amount: second?.amount ?? '',
    second_particle: second?.particle ?? '',
    handling: recipe.handling.join(','),
    rest: JSON.stringify(
      recipe.ingredients.slice(2).map((one) => ({ ...one, material: keyOf(one) })),
    ),
    name: recipe.name,
  };
}

function said(material: string, amount: string, particle: string): Schemas['SaidIn'] {
  const own = material.startsWith('own:') ? material.slice(4) : null;
  return { material: own ? 'comfrey_fresh' : material, amount, particle, own_id: own };
}

/** Degrees of the garden as the server takes them. */
function celsius(typed: number | null | undefined): number {
  if (typed == null) return 16;
  return garden.path?.degrees === 'F' ? fromFahrenheit(typed) : typed;
}

/** The instant of a brew that stands already; null for one that begins now. */
const since = (day = '') =>
  !day || day === today() ? null : instantOf(`${day}T12:00`, garden.path?.zone ?? 'UTC');

/** What the server is asked, or what is wrong with the answers. */
export function brewBody(
  answers: Answers,
  choices: Choices | null,
): { body: BrewBody } | { problem: Problem } {
  const wrong = notNumbers(answers, ['temperature_c', 'acid_percent']);
  if (wrong) return wrong;
  const rest = JSON.parse(answers.rest || '[]') as Schemas['IngredientOut'][];
  const ingredients = [
    said(answers.material ?? '', answers.amount ?? '', answers.particle ?? 'chopped_coarse'),
    ...(answers.second
      ? [
          said(
            answers.second,
            answers.second_amount ?? '',
            answers.second_particle || 'meal_powder',
          ),
        ]
      : []),
    ...rest.map((one) => said(one.material, one.amount, one.particle)),
  ];
  const acid = inVinegar(answers, choices);
  return {
    body: {
      name: answers.name ?? '',
      method: answers.method ?? 'anaerobic_ferment',
      ingredients,
      liquid: typed(answers, 'liquid'),
      water_id: answers.water_id ?? '',
      temperature_c: celsius(typedNumber(answers.temperature_c)),
      started_at: since(answers.started_on),
      acid_percent: acid ? (typedNumber(answers.acid_percent) ?? 5) : 0,
      handling: (answers.handling ?? '').split(',').filter(Boolean),
    },
  };
}
