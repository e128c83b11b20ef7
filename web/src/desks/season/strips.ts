/** Pure geometry of a planting's strip; lengths in px. */
import { dates } from '../../ui/language';
import type { Schemas } from '../../api/client';
import type { Table } from '../../charts/frame';
import { dayNumber } from '../../charts/weeks';

/** How each kind of gift is named. */
const GIVEN: Record<string, string> = {
  doses: 'fed',
  sprays: 'sprayed',
  dressings: 'dry feed',
};

export type Strip = Schemas['StripOut'];

export interface Band {
  key: string;
  words: string;
  tone: string;
  from: number;
  to: number;
  /** A start that was seen; else the ends of its range. */
  seen: boolean;
  low: number;
  high: number;
  title: string;
}

const TONES: Record<string, string> = {
  germination: 'early',
  seedling: 'early',
  establishing: 'early',
  vegetative: 'leaf',
  heading: 'leaf',
  flowering: 'flower',
  fruit_set: 'fruit',
  fruit_fill: 'fruit',
  ripening: 'fruit',
  harvest: 'fruit',
  bulbing: 'store',
  root_fill: 'store',
  wind_down: 'rest',
};

/** Stage words for where there is little room. */
const SHORT: Record<string, string> = {
  germination: 'sprouting',
  establishing: 'settling',
  vegetative: 'leaf',
  flowering: 'flower',
  fruit_set: 'first fruit',
  fruit_fill: 'swelling',
  heading: 'heart',
  bulbing: 'bulb',
  root_fill: 'root',
  harvest: 'harvest',
  wind_down: 'end',
};

const WORD_PX = 7.2;
const fits = (words: string, room: number) => words.length * WORD_PX + 10 < room;

/** The longest wording of a stage that its band has room for; none where none fits. */
function wordsIn(stage: Schemas['StageBandOut'], room: number): string {
  const choices = [stage.words, SHORT[stage.key] ?? stage.words];
  return choices.find((words) => fits(words, room)) ?? '';
}

const between = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** The stages of a strip that lie within the axis. */
export function bandsOf(
  stages: Schemas['StageBandOut'][],
  ended: string | null,
  x: (date: string) => number,
  width: number,
): Band[] {
  const found: Band[] = [];
  stages.forEach((stage, index) => {
    const next = stages[index + 1]?.likely ?? ended;
    const from = x(stage.likely);
    const to = between(next ? x(ended && next > ended ? ended : next) : width, 0, width);
    if (to <= 0 || from >= width || to - Math.max(0, from) < 1) return;
    const span = `${dateShort(stage.low)} to ${dateShort(stage.high)}`;
    found.push({
      key: stage.key,
      words: wordsIn(stage, to - Math.max(0, from)),
      tone: TONES[stage.key] ?? 'rest',
      from: Math.max(0, from),
      to,
      seen: stage.seen,
      low: between(x(stage.low), 0, width),
      high: between(x(stage.high), 0, width),
      title: `${stage.words}: ${stage.seen ? 'seen, ' : 'expected '}${span}`,
    });
  });
  return found;
}

export function dateShort(date: string): string {
  return dates({
    timeZone: 'UTC',
    day: 'numeric',
    month: 'short',
  }).format(new Date(`${date}T00:00:00Z`));
}

/** How large a gift is drawn: its area is in step with the nitrogen it carries. */
export function dropSize(nitrogen: number, most: number): number {
  return 0.6 + 0.8 * Math.sqrt(most > 0 ? Math.max(0, nitrogen) / most : 0);
}

/** What is to come of a planting, by the plan. */
export type Coming = Schemas['PlanEventOut'];

/** The events that a planting gets something of, after today. */
export function comingOf(planting: string, events: Coming[], today: string): Coming[] {
  return events.filter((event) => event.on > today && event.plantings.includes(planting));
}

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** Stages, feeds and weeks of weather, a row each. */
export function seasonTable(
  strips: Strip[],
  weeks: Schemas['WeekOut'][],
  coming: Coming[] = [],
): Table {
  const span = (stage: Schemas['StageBandOut']) =>
    stage.seen
      ? `seen ${dateShort(stage.likely)}`
      : `expected ${dateShort(stage.likely)}, ${dateShort(stage.low)} to ${dateShort(stage.high)}`;
  const who = (strip: Strip) => `${strip.crop}, ${strip.place}`;
  const rows = strips.flatMap((strip) => [
    ...strip.stages.map((stage) => [who(strip), stage.words, span(stage)]),
    ...strip.drops.map((drop) => [who(strip), GIVEN[drop.source] ?? 'fed', drop.text]),
    ...coming
      .filter((event) => event.plantings.includes(strip.planting_id))
      .map((event) => [who(strip), 'to come', `${dateShort(event.on)}: ${event.text}`]),
  ]);
  const weather = weeks.map((week) => [
    'Weather',
    `week of ${dateShort(week.first)}`,
    `${week.t_min}° to ${week.t_max}°, ${week.rain_mm} mm${week.known ? '' : ' (likely)'}`,
  ]);
  return { head: ['planting', 'what', 'when'], rows: [...rows, ...weather] };
}
