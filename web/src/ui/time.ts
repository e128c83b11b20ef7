/** Times in the garden's own zone, in words. */
import { clock, dates } from './language';

export function dayInWords(instant: string, zone: string): string {
  return dates({
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'long',
  }).format(new Date(instant));
}

export function clockTime(instant: string, zone: string): string {
  return clock(zone).format(new Date(instant));
}

/** `6 July`, of a date without a time. */
export function dateInWords(date: string): string {
  return dates({
    timeZone: 'UTC',
    day: 'numeric',
    month: 'long',
  }).format(new Date(`${date}T00:00:00Z`));
}

/** `6 July 2026`, of an instant, by the garden's days. */
export function dateOf(instant: string, zone: string): string {
  return dates({ timeZone: zone, dateStyle: 'long' }).format(new Date(instant));
}

const DAY_MS = 86_400_000;

/** `2026-07-14`: the day of an instant in a zone. */
export function dayOf(instant: string, zone: string): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date(instant));
}

/** `today`, `yesterday` or `7 days ago`, by the garden's days. */
export function ago(instant: string, now: string, zone: string): string {
  const day = (at: string) => Date.parse(dayOf(at, zone));
  const days = Math.round((day(now) - day(instant)) / DAY_MS);
  if (days <= 0) return 'today';
  return days === 1 ? 'yesterday' : `${days} days ago`;
}

/** How far a zone's clock is ahead of UTC at an instant [ms]. */
function aheadOf(instant: number, zone: string): number {
  const said = new Intl.DateTimeFormat('sv-SE', {
    timeZone: zone,
    dateStyle: 'short',
    timeStyle: 'medium',
  }).format(instant);
  return Date.parse(`${said.replace(' ', 'T')}Z`) - Math.floor(instant / 1000) * 1000;
}

/** The instant of a local time such as `2026-07-14T17:40`, by the garden's clock. */
export function instantOf(local: string, zone: string): string {
  const asUtc = Date.parse(`${local}Z`);
  const guess = asUtc - aheadOf(asUtc, zone);
  return new Date(asUtc - aheadOf(guess, zone)).toISOString(); // once more, about a change of clocks
}

/** `2026-07-13`: so many days before a day. */
export function earlier(day: string, days: number): string {
  return new Date(Date.parse(`${day}T12:00:00Z`) - days * DAY_MS).toISOString().slice(0, 10);
}

/** `2026-07-14T17:40`: an instant by the garden's clock. */
export function localTime(instant: string, zone: string): string {
  const at = Date.parse(instant);
  return new Date(Math.floor(at / 1000) * 1000 + aheadOf(at, zone)).toISOString().slice(0, 16);
}
