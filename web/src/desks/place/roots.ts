import { volume } from '../../app/measures';
/** How all fills are told apart in the list of roots. */
import type { Schemas } from '../../api/client';

type Line = Schemas['RootLineOut'];

/** What wants something first, then what is fine, then what nobody has read yet. */
export function inOrder(fills: Line[]): { wanting: Line[]; fine: Line[]; unread: Line[] } {
  const rest = fills.filter((one) => !one.wants);
  return {
    wanting: fills.filter((one) => one.wants),
    fine: rest.filter((one) => one.read),
    unread: rest.filter((one) => !one.read),
  };
}

/** One sentence about all of them; nothing where there is none. */
export function verdict(fills: Line[]): string {
  if (!fills.length) return '';
  const wanting = fills.filter((one) => one.wants);
  if (!wanting.length) return 'Nothing here asks for anything: feed as usual.';
  const names = wanting.length === 1 ? 'One asks' : `${wanting.length} ask`;
  const litres = fills.reduce((sum, one) => sum + one.flush_l, 0);
  const source = fills.find((one) => one.flush_l)?.flush_water;
  const water = source ? ` Flushing takes about ${volume(litres, 2)} from the ${source}.` : '';
  return `${names} for something before the next feed.${water}`;
}
