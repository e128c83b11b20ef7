import { ask, client, type Problem } from '../../api/client';
import type { Setup } from './forms';
import { notNumbers, typedNumber, type Answers, type Form, type Step } from './questions';

type Written = Promise<{ data?: unknown; problem?: Problem }>;
const outcome = async (written: Written) => (await written).problem ?? null;
const options = (...pairs: [string, string][]) => pairs.map(([value, name]) => ({ value, name }));

const WATER_KINDS = options(
  ['rain', 'Rain water'],
  ['soft_tap', 'Soft tap'],
  ['hard_tap', 'Hard tap'],
  ['mixed', 'Rain and tap, mixed'],
  ['read', 'I have read it with a pen'],
  ['report', 'I have the supplier’s report'],
);
const WATER_NAMES: Record<string, string> = {
  rain: 'rain butt',
  soft_tap: 'tap',
  hard_tap: 'tap',
  mixed: 'butt and tap',
  read: 'tap',
  report: 'tap',
};
const REPORT = ['Ca', 'alkalinity_caco3', 'Mg', 'Na', 'Cl', 'S_SO4'];

/** A water, by its kind, a reading, a report, or a blend of waters already here. */
export function waterForm(setup: Setup, id: string): Form {
  const plain = setup.waters.filter((one) => one.kind !== 'blend' && one.id !== id);
  const named = plain.map((one) => ({ value: one.id, name: one.name }));
  return {
    title: 'Your water',
    steps: (answers) => {
      const kind = answers.kind ?? 'hard_tap';
      const steps: Step[] = [
        {
          title: 'What do you water with?',
          questions: [
            {
              key: 'kind',
              label: 'Water',
              options: [
                ...WATER_KINDS,
                ...(plain.length > 1 ? options(['blend', 'Two of my waters together']) : []),
              ],
              usual: 'hard_tap',
              why: 'A guess to begin with. Read it with a pen, or find the supplier’s report, and put it right.',
            },
            {
              key: 'name',
              label: 'What do you call it?',
              usual: WATER_NAMES[kind] ?? 'half and half',
            },
          ],
        },
      ];
      if (kind === 'read')
        steps.push({
          title: 'What did the pen say?',
          questions: [{ key: 'ec_ms_cm', label: 'Conductivity at 25 °C, mS/cm', kind: 'decimal' }],
        });
      if (kind === 'report') steps.push(...reportSteps());
      if (kind === 'blend')
        steps.push({
          title: 'Which two, and how much of each?',
          questions: [
            { key: 'one', label: 'One', options: named, usual: named[0]?.value },
            { key: 'other', label: 'The other', options: named, usual: named[1]?.value },
            { key: 'share', label: 'Of the first, %', usual: '50', kind: 'decimal' },
          ],
        });
      return steps;
    },
    save: async (answers) => {
      const wrong = notNumbers(answers, ['ec_ms_cm', 'share', ...REPORT]);
      if (wrong) return wrong;
      const body = {
        name: answers.name ?? '',
        kind: answers.kind ?? '',
        ec_ms_cm: answers.kind === 'read' ? typedNumber(answers.ec_ms_cm) : null,
        report: answers.kind === 'report' ? reported(answers) : null,
        parts: answers.kind === 'blend' ? blended(answers) : null,
        usual: setup.waters.length === 0,
      };
      const path = { water_id: id };
      return outcome(ask(client.PUT('/api/waters/{water_id}', { params: { path }, body })));
    },
  };
}

function reportSteps(): Step[] {
  return [
    {
      title: 'From the report, mg/L',
      questions: [
        { key: 'Ca', label: 'Calcium', kind: 'decimal' },
        { key: 'alkalinity_caco3', label: 'Alkalinity, as CaCO3', kind: 'decimal' },
        { key: 'Mg', label: 'Magnesium', kind: 'decimal', optional: true },
      ],
    },
    {
      title: 'If the report has them, mg/L',
      optional: true,
      questions: [
        { key: 'Na', label: 'Sodium', kind: 'decimal' },
        { key: 'Cl', label: 'Chloride', kind: 'decimal' },
        { key: 'S_SO4', label: 'Sulfate, as sulfur', kind: 'decimal' },
      ],
    },
  ];
}

function reported(answers: Answers): Record<string, number> {
  const given = REPORT.map((key) => [key, typedNumber(answers[key])] as const);
  return Object.fromEntries(given.filter((pair): pair is [string, number] => pair[1] !== null));
}

function blended(answers: Answers): Record<string, number> {
  const share = typedNumber(answers.share) ?? 50;
  return { [answers.one ?? '']: share, [answers.other ?? '']: 100 - share };
}

const FORMS_OF_N = ['nitrate', 'ammonium', 'urea'];

/** A jar from its label. */
export function jarForm(id: string): Form {
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
        spoon_g: typedNumber(answers.spoon_g),
        price: typedNumber(answers.price),
        use_by: answers.use_by || null,
      };
      const path = { jar_id: id };
      return outcome(ask(client.PUT('/api/jars/{jar_id}', { params: { path }, body })));
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
      return outcome(ask(client.POST('/api/jars/{jar_id}/stock', { params, body })));
    },
  };
}

function nitrogenOf(answers: Answers): Record<string, number> | null {
  const given = FORMS_OF_N.map((key) => [key, typedNumber(answers[key])] as const);
  const said = given.filter((pair): pair is [string, number] => pair[1] !== null);
  return said.length ? Object.fromEntries(said) : null;
}

/** A can, sprayer or jug. */
export function vesselForm(setup: Setup, id: string): Form {
  const usual = setup.garden.measures === 'us' ? '2 gallon' : '9 L';
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
          { key: 'volume', label: 'Filled to its mark it holds', usual, hint: '9 L or 2 gallon.' },
          { key: 'name', label: 'What do you call it?', usual: `${answers.volume ?? usual} can` },
        ],
      },
    ],
    save: (answers) => {
      const body = {
        name: answers.name ?? '',
        kind: answers.kind ?? 'can',
        volume: answers.volume ?? '',
        usual: setup.vessels.length === 0,
      };
      const path = { vessel_id: id };
      return outcome(ask(client.PUT('/api/vessels/{vessel_id}', { params: { path }, body })));
    },
  };
}

/** A spoon, syringe, beaker or scoop. */
export function measureForm(id: string): Form {
  return {
    title: 'A measure',
    steps: (answers) => {
      const spoon = (answers.kind ?? 'spoon') === 'spoon';
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
              ),
              usual: 'spoon',
            },
            {
              key: 'name',
              label: 'What do you call it?',
              usual: spoon ? 'teaspoon' : answers.kind,
            },
            { key: 'holds', label: 'Full, it holds', usual: spoon ? '1 tsp' : '10 ml' },
          ],
        },
        ...(spoon
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
        kind: answers.kind ?? 'spoon',
        name: answers.name ?? '',
        holds: answers.holds ?? '',
        mark: answers.mark ?? '',
      };
      const path = { measure_id: id };
      return outcome(ask(client.PUT('/api/measures/{measure_id}', { params: { path }, body })));
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
            options: options(
              ['mS/cm', 'mS/cm'],
              ['uS/cm', 'µS/cm'],
              ['ppm500', 'ppm, 500 scale'],
              ['ppm700', 'ppm, 700 scale'],
            ),
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
      return outcome(ask(client.PUT('/api/pens/{pen_id}', { params: { path }, body })));
    },
  };
}
