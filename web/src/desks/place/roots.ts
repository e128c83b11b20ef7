/** How all fills are told apart in the list of roots. */
import type { Schemas } from '../../api/client';
import { volume } from '../../app/measures';
import { lookOf } from '../../ui/kinds';

type Line = Schemas['RootLineOut'];

/** What salt keeps from food first, then what is fed today, then what waits or has enough. */
export function inOrder(fills: Line[]): { wanting: Line[]; given: Line[]; waiting: Line[] } {
  const wanting = fills.filter((one) => lookOf(one.kind).beforeFood);
  const given = fills.filter((one) => lookOf(one.kind).gives);
  return { wanting, given, waiting: fills.filter((one) => ![...wanting, ...given].includes(one)) };
}

/** One sentence about all of them; nothing where there is none. */
export function verdict(fills: Line[]): string {
  if (!fills.length) return '';
  const { wanting, given } = inOrder(fills);
  const litres = fills.reduce((sum, one) => sum + one.flush_l, 0);
  const source = fills.find((one) => one.flush_l)?.flush_water;
  const water = source ? ` Flushing takes about ${volume(litres, 2)} from the ${source}.` : '';
  const fed = given.length ? ` ${given.length} to be fed.` : '';
  if (!wanting.length) return `No roots want water or a reading first.${fed}`;
  const names = wanting.length === 1 ? 'One wants' : `${wanting.length} want`;
  return `${names} water or a reading before any feed.${water}${fed}`;
}
