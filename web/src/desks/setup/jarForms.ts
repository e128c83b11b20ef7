import { ask, client, type Problem, type Schemas } from '../../api/client';
import { example } from '../../app/measures';
import type { Setup } from './forms';
import { notNumbers, typed, type Answers, type Form } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

const BOUGHT = ['mineral_salt', 'plant_meal', 'animal_meal', 'manure', 'seaweed', 'rock_mineral'];
const ELEMENTS = ['Mg', 'Ca', 'S'];
const OXIDES: Record<string, string> = { Mg: 'mgo', Ca: 'cao', S: 'so3' };
const POTASH = {
  key: 'potash',
  label: 'Which potash is it?',
  options: options(
    ['muriate', 'muriate: potassium chloride'],
    ['sulfate', 'sulfate of potash'],
    ['', 'not said'],
  ),
  usual: 'muriate',
  why: '0-0-60 is chloride nearly always, 0-0-50 sulfate; chloride harms berries, beans and lettuce.',
};
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
            {
              key: 'pack',
              label: 'How much is in the pack?',
              usual: dry ? example('1 kg', '5 lb') : example('1 L', '32 fl oz'),
            },
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
              hint: example(
                '5 ml/L, 1 + 200 or 20 ml per 4.5 L.',
                '1 tbsp per gallon, or 1 + 200.',
              ),
            },
            dry
              ? { key: 'spoon_g', label: 'A level teaspoon weighs, g', kind: 'decimal' as const }
              : { key: 'density_g_per_ml', label: 'Density, g/mL', kind: 'decimal' as const },
          ],
        },
        {
          title: 'What else it declares, in per cent',
          optional: true,
          questions: [
            { key: 'Mg', label: 'Magnesium', hint: '2, or 3.3 MgO where the label says MgO.' },
            { key: 'Ca', label: 'Calcium', hint: '5, or 7 CaO where the label says CaO.' },
            { key: 'S', label: 'Sulfur', hint: '13, or 32 SO3 where the label says SO3.' },
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
        {
          title: 'How does it work?',
          optional: !dry && !isPotash(answers.grade),
          questions: [
            ...(dry
              ? [
                  {
                    key: 'dissolves',
                    label: 'In water it',
                    options: options(
                      ['yes', 'dissolves: fast'],
                      ['no', 'does not: spread dry, slow'],
                    ),
                    usual: 'yes',
                  },
                ]
              : []),
            ...(isPotash(answers.grade) ? [POTASH] : []),
            {
              key: 'material',
              label: 'It is made of',
              options: options(
                ['', dry ? 'something else, or not known' : 'salts, or not known'],
                ...materials
                  .filter((one) => BOUGHT.includes(one.kind))
                  .map((one): [string, string] => [one.key, one.name]),
              ),
              usual: '',
              why: 'It tells how its nitrogen comes out, and which cautions bear on it.',
            },
          ],
        },
      ];
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['density_g_per_ml', 'spoon_g', 'price', ...FORMS_OF_N]);
      if (wrong) return wrong;
      const also = declared(answers);
      if ('problem' in also) return also;
      const body = {
        name: answers.name ?? '',
        grade: answers.grade ?? '',
        basis: answers.basis ?? 'oxide',
        percent: answers.percent ?? 'mass',
        form: answers.form ?? 'liquid',
        density_g_per_ml: typedNumber(answers.density_g_per_ml),
        nitrogen: nitrogenOf(answers),
        also: also.also,
        rate: typed(answers, 'rate'),
        pack: typed(answers, 'pack'),
        stock: typed(answers, 'stock'),
        dissolves: answers.dissolves !== 'no',
        slow: answers.dissolves === 'no',
        material: answers.material ?? '',
        muriate: isPotash(answers.grade) && answers.potash === 'muriate',
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
  return {
    title: `How much ${jar.name} is left?`,
    steps: () => [
      {
        title: 'What do you see in it?',
        questions: [
          {
            key: 'stock',
            label: 'Still in it',
            usual: jar.stock_text,
            why: 'What is left by the cans that were mixed from it.',
          },
        ],
      },
    ],
    save: (answers) => {
      const params = { path: { jar_id: jar.id } };
      const body = { stock: typed(answers, 'stock') };
      return ask(client.POST('/api/jars/{jar_id}/stock', { params, body }));
    },
  };
}

/** Nothing but potassium, and much of it: what goes with it is worth asking. */
function isPotash(grade = ''): boolean {
  const [n, p, k] = (grade.match(/\d+(?:[.,]\d+)?/g) ?? []).map((one) => typedNumber(one) ?? 0);
  return n === 0 && p === 0 && (k ?? 0) >= 40;
}

/** What is declared beside the grade: a number, with the name of its oxide where it is one. */
function declared(answers: Answers): { also: Record<string, number> } | { problem: Problem } {
  const also: Record<string, number> = {};
  for (const element of ELEMENTS) {
    const told = answers[element]?.trim();
    if (!told) continue;
    const [, number, unit = element] = /^(.*?)\s*%?\s*([A-Za-z]\w*)?$/.exec(told) ?? [];
    const value = typedNumber(number);
    const oxide = OXIDES[element] ?? '';
    const named = [element.toLowerCase(), oxide].includes(unit.toLowerCase());
    if (value == null || !named) {
      const would_do = `a number such as 2, or 3.3 ${oxide.toUpperCase()}, would do`;
      const read = `“${told}”`;
      return { problem: { field: element, read, would_do, message: `Read ${read}; ${would_do}.` } };
    }
    also[unit.toLowerCase() === oxide ? oxide : element] = value;
  }
  return { also };
}

function nitrogenOf(answers: Answers): Record<string, number> | null {
  const given = FORMS_OF_N.map((key) => [key, typedNumber(answers[key]) ?? null] as const);
  const said = given.filter((pair): pair is [string, number] => pair[1] !== null);
  return said.length ? Object.fromEntries(said) : null;
}
