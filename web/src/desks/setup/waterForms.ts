import { ask, client } from '../../api/client';
import { ecScale, fromScale } from '../../app/measures';
import type { Setup } from './forms';
import { notNumbers, type Answers, type Form, type Step } from './questions';
import { typedNumber } from '../../ui/numbers';
import { options } from './options';

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
          questions: [{ key: 'ec_ms_cm', label: `What it shows, ${ecScale()}`, kind: 'decimal' }],
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
        ec_ms_cm: answers.kind === 'read' ? onScale(answers.ec_ms_cm) : null,
        report: answers.kind === 'report' ? reported(answers) : null,
        parts: answers.kind === 'blend' ? blended(answers) : null,
        usual: setup.waters.length === 0,
      };
      const path = { water_id: id };
      return ask(client.PUT('/api/waters/{water_id}', { params: { path }, body }));
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
  const given = REPORT.map((key) => [key, typedNumber(answers[key]) ?? null] as const);
  return Object.fromEntries(given.filter((pair): pair is [string, number] => pair[1] !== null));
}

function blended(answers: Answers): Record<string, number> {
  const share = typedNumber(answers.share) ?? 50;
  return { [answers.one ?? '']: share, [answers.other ?? '']: 100 - share };
}

function onScale(typed: string | undefined): number | null | undefined {
  const value = typedNumber(typed);
  return value == null ? value : fromScale(value);
}
