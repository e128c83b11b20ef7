import { ec, volume } from '../../app/measures';
import type { Shown } from '../../app/working.svelte';
import type { Schemas } from '../../api/client';

/** A number on the Bench whose steps can be asked for. */
export type Asked = 'ec' | 'cap' | 'each' | 'concentrate' | string;

export const NUTRIENT_NAMES: Record<string, string> = {
  N: 'nitrogen',
  P: 'phosphorus',
  K: 'potassium',
  Ca: 'calcium',
  Mg: 'magnesium',
};

/** The steps that gave a number; the can's conductivity where the number is not there. */
export function explanation(preview: Schemas['PreviewOut'], asked: Asked): Shown {
  const nutrient = preview.nutrients.find((row) => row.name === asked);
  if (nutrient) {
    const name = NUTRIENT_NAMES[nutrient.name] ?? nutrient.name;
    return {
      title: `How ${nutrient.figure.text} mg/L of ${name} was got`,
      steps: nutrient.figure.working,
    };
  }
  if (asked === 'cap' && preview.cap) {
    return { title: `How the upper limit was got`, steps: preview.cap.working };
  }
  if (asked === 'each' && preview.pour) {
    const { each } = preview.pour;
    return { title: `How ${volume(each.value)} for each was got`, steps: each.working };
  }
  if (asked === 'concentrate') {
    const { concentrate, unit } = preview;
    return { title: `How ${concentrate.text} ${unit} was got`, steps: concentrate.working };
  }
  return { title: `How ${ec(preview.ec.value)} was got`, steps: preview.ec.working };
}
