/** Pure geometry of an axis of days: dates as `2026-07-14`, lengths in px. */

import { dates } from '../ui/language';
import { scaleLinear } from 'd3-scale';

const DAY = 86_400_000;
const ROOM_PX = 36;

/** The day's number; midnights in UTC, so that no clock change moves one. */
export function dayNumber(date: string): number {
  return Date.parse(`${date}T00:00:00Z`) / DAY;
}

/** Where a day begins, between two others. */
export function dayScale(first: string, last: string, width: number): (date: string) => number {
  const from = dayNumber(first);
  const across = scaleLinear([from, Math.max(from + 1, dayNumber(last))], [0, width]);
  return (date) => across(dayNumber(date));
}

/** The first of each month, or of every second where there is little room. */
export function monthMarks(first: string, last: string, width: number) {
  const x = dayScale(first, last, width);
  const marks: { at: string; x: number; name: string }[] = [];
  const day = new Date(`${first}T00:00:00Z`);
  day.setUTCDate(1);
  day.setUTCMonth(day.getUTCMonth() + 1);
  while (day.getTime() / DAY < dayNumber(last)) {
    const at = day.toISOString().slice(0, 10);
    const name = dates({ timeZone: 'UTC', month: 'short' }).format(day);
    const before = marks[marks.length - 1];
    if (!before || x(at) - before.x >= ROOM_PX) marks.push({ at, x: x(at), name });
    day.setUTCMonth(day.getUTCMonth() + 1);
  }
  return marks;
}
