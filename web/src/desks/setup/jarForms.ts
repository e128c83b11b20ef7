import { ask, client, type Schemas } from '../../api/client';
import type { Setup } from './forms';
import { notNumbers, type Answers, type Form } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

const BOUGHT = ['mineral_salt', 'plant_meal', 'animal_meal', 'manure', 'seaweed', 'rock_mineral'];
const FORMS_OF_N = ['nitrate', 'ammonium', 'urea'];

/** A jar from its label. */
export function jarForm(id: string, materials: Schemas['MediumOut'][] = []): Form {
  return {
    title: 'A jar',
    steps: (answers) => {
      const dry = answers.form === 'solid';
      return [
        {
          title: 'A jar from its label',
          questions: [
            { key: 'name', label: 'What stands on it?', hint: 'Such as “Tomato feed”.' },
            {
              key: 'form',
              label: 'Is it liquid or dry?',
              options: options(['liquid', 'Liquid'], ['solid', 'Dry']),
              usual: 'liquid',
            },
            { key: 'pack', label: 'How much is in the pack?', usual: dry ? '1 kg' : '1 L' },
          ],
        },
        {
          title: 'The three numbers',
          questions: [
            { key: 'grade', label: 'N-P-K', hint: 'Three numbers such as 4-3-8.' },
            {
              key: 'basis',
              label: 'They count',
              options: options(['oxide', 'oxides (P2O5, K2O)'], ['element', 'elements (P, K)']),
              usual: 'oxide',
              why: 'Most labels print oxides. Where yours says P and K alone, choose elements: it more than doubles the phosphorus.',
            },
            {
              key: 'percent',
              label: 'They are per cent',
              options: options(['mass', 'by mass (w/w)'], ['volume', 'by volume (w/v)']),
              usual: 'mass',
              why: 'Unless the label says w/v or grams in 100 mL.',
            },
          ],
        },
        {
          title: 'If the label says so',
          optional: true,
          questions: [
            {
              key: 'rate',
              label: 'The label’s own rate',
              hint: '5 ml/L, 1 + 200 or 20 ml per 4.5 L.',
            },
            dry
              ? { key: 'spoon_g', label: 'A level teaspoon weighs, g', kind: 'decimal' as const }
              : { key: 'density_g_per_ml', label: 'Density, g/mL', kind: 'decimal' as const },
            { key: 'Mg', label: 'Magnesium (Mg), %', kind: 'decimal' },
          ],
        },
        {
          title: 'The nitrogen, by form',
          optional: true,
          questions: FORMS_OF_N.map((key) => ({
            key,
            label: `As ${key}, %`,
            kind: 'decimal' as const,
          })),
        },
        {
          title: 'And the pack',
          optional: true,
          questions: [
            { key: 'stock', label: 'Still in it' },
            { key: 'price', label: 'What it cost', kind: 'decimal' },
            { key: 'use_by', label: 'Use by', kind: 'date' },
          ],
        },
        ...(dry
          ? [
              {
                title: 'How does it work?',
                questions: [
                  {
                    key: 'dissolves',
                    label: 'In water it',
                    options: options(
                      ['yes', 'dissolves: fast'],
                      ['no', 'does not: spread dry, slow'],
                    ),
                    usual: 'yes',
                  },
                  {
                    key: 'material',
                    label: 'It is made of',
                    options: options(
                      ['', 'something else, or not known'],
                      ...materials
                        .filter((one) => BOUGHT.includes(one.kind))
                        .map((one): [string, string] => [one.key, one.name]),
                    ),
                    usual: '',
                    why: 'It tells how a slow feed comes out, and which cautions bear on it.',
                  },
                ],
              },
            ]
          : []),
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, [
        'density_g_per_ml',
        'spoon_g',
        'Mg',
        'price',
        ...FORMS_OF_N,
      ]);
      if (wrong) return wrong;
      const mg = typedNumber(answers.Mg);
      const body = {
        name: answers.name ?? '',
        grade: answers.grade ?? '',
        basis: answers.basis ?? 'oxide',
        percent: answers.percent ?? 'mass',
        form: answers.form ?? 'liquid',
        density_g_per_ml: typedNumber(answers.density_g_per_ml),
        nitrogen: nitrogenOf(answers),
        also: mg === null ? {} : ({ Mg: mg } as Record<string, number>),
        rate: answers.rate ?? '',
        pack: answers.pack ?? '',
        stock: answers.stock ?? '',
        dissolves: answers.dissolves !== 'no',
        slow: answers.dissolves === 'no',
        material: answers.material ?? '',
        spoon_g: typedNumber(answers.spoon_g),
        price: typedNumber(answers.price),
        use_by: answers.use_by || null,
      };
      const path = { jar_id: id };
      return ask(client.PUT('/api/jars/{jar_id}', { params: { path }, body }));
    },
  };
}

/** What is in a jar by looking. */
export function levelForm(jar: Setup['jars'][number]): Form {
  const left = Number(jar.stock.toPrecision(3));
  return {
    title: `How much ${jar.name} is left?`,
    steps: () => [
      {
        title: 'What do you see in it?',
        questions: [
          {
            key: 'stock',
            label: 'Still in it',
            usual: `${left} ${jar.unit}`,
            why: 'What is left by the cans that were mixed from it.',
          },
        ],
      },
    ],
    save: (answers) => {
      const params = { path: { jar_id: jar.id } };
      const body = { stock: answers.stock ?? '' };
      return ask(client.POST('/api/jars/{jar_id}/stock', { params, body }));
    },
  };
}

function nitrogenOf(answers: Answers): Record<string, number> | null {
  const given = FORMS_OF_N.map((key) => [key, typedNumber(answers[key]) ?? null] as const);
  const said = given.filter((pair): pair is [string, number] => pair[1] !== null);
  return said.length ? Object.fromEntries(said) : null;
}
