import { fromScale } from '../../app/measures';
import type { Setup } from './forms';
import type { Answers } from './questions';

const number = (value: number | null | undefined) => (value == null ? '' : String(value));
const yesno = (value: boolean) => (value ? 'yes' : 'no');

/** One fill as answers, to be edited. */
export function fillAnswers(fill: Setup['places'][number]['fills'][number]): Answers {
  const { name, size, medium } = fill;
  return { name, size, medium, alike: number(fill.alike), ph: number(fill.ph) };
}

/** A place and its first fill as answers, to be edited. */
export function placeAnswers(place: Setup['places'][number]): Answers {
  const fill = place.fills[0];
  return {
    kind: place.kind,
    name: place.name,
    covered: yesno(place.covered),
    area: place.area,
    size: fill?.size ?? '',
    medium: fill?.medium ?? '',
    alike: number(fill?.alike ?? 1),
    ph: number(fill?.ph),
  };
}

export function waterAnswers(water: Setup['waters'][number]): Answers {
  const [one, other] = Object.entries(water.parts ?? {});
  const report = Object.entries(water.report ?? {}).map(([key, value]) => [key, number(value)]);
  return {
    kind: water.kind,
    name: water.name,
    ec_ms_cm: number(Number((water.ec_ms_cm / fromScale(1)).toPrecision(3))),
    one: one?.[0] ?? '',
    other: other?.[0] ?? '',
    share: one && other ? number(Math.round((100 * one[1]) / (one[1] + other[1]))) : '50',
    ...Object.fromEntries(report),
  };
}

export function jarAnswers(jar: Setup['jars'][number]): Answers {
  const nitrogen = Object.entries(jar.nitrogen ?? {}).map(([key, value]) => [key, number(value)]);
  return {
    name: jar.name,
    form: jar.form,
    pack: jar.pack_text,
    grade: jar.grade,
    basis: jar.basis,
    percent: jar.percent,
    rate: jar.rate_text,
    density_g_per_ml: number(jar.density_g_per_ml),
    spoon_g: number(jar.spoon_g),
    Mg: declared(jar, 'Mg', 'mgo', 'MgO'),
    Ca: declared(jar, 'Ca', 'cao', 'CaO'),
    S: declared(jar, 'S', 'so3', 'SO3'),
    potash: jar.also.Cl ? 'muriate' : '',
    price: number(jar.price),
    use_by: jar.use_by ?? '',
    dissolves: yesno(jar.dissolves),
    material: jar.material,
    ...Object.fromEntries(nitrogen),
  };
}

function declared(jar: Setup['jars'][number], element: string, oxide: string, name: string) {
  const asOxide = jar.also[oxide];
  return asOxide === undefined ? number(jar.also[element]) : `${asOxide} ${name}`;
}

export function vesselAnswers(vessel: Setup['vessels'][number]): Answers {
  return { kind: vessel.kind, volume: vessel.volume_text, name: vessel.name };
}

export function measureAnswers(measure: Setup['measures'][number]): Answers {
  const { kind, name } = measure;
  return { kind, name, holds: measure.holds_text, mark: measure.mark_text };
}

export function penAnswers(pen: Setup['pens'][number]): Answers {
  return {
    name: pen.name,
    scale: pen.scale,
    compensates: yesno(pen.compensates),
    most_ms_cm: number(pen.most_ms_cm),
    step_ms_cm: number(pen.step_ms_cm),
  };
}
