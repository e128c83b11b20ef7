import type { Schemas } from '../../api/client';
import type { Block, RoundCan, RoundRow } from './round.svelte';

/** One halt of a walk: a stop that is poured at, from which can, or something else that is due. */
export type Halt =
  | { kind: 'pour'; key: string; name: string; can: RoundCan; row: RoundRow; refill: Refill }
  | { kind: 'plain'; key: string; name: string; can: RoundCan; plain: RoundCan['plain'][number] }
  | { kind: 'flush'; key: string; name: string; flush: Schemas['RoundFlushOut'] }
  | { kind: 'dress'; key: string; name: string; dress: Schemas['RoundDressOut'] };

/** What the can in hand needs before a halt: to be mixed, to be filled again, nothing. */
export type Refill = 'mix' | 'again' | '';

const ROUNDING = 0.005;

/** Every halt in walking order, with when the can is empty on the way. */
export function haltsOf(blocks: Block[]): Halt[] {
  const halts: Halt[] = [];
  for (const block of blocks) {
    if (block.kind === 'can') {
      const { can } = block;
      let left = 0;
      can.rows
        .filter((row) => row.now)
        .forEach((row, at) => {
          const short = row.litres > left + ROUNDING;
          halts.push({
            kind: 'pour',
            key: row.fill_id,
            name: row.name,
            can,
            row,
            refill: at === 0 ? 'mix' : short ? 'again' : '',
          });
          while (left + ROUNDING < row.litres) left += Math.max(can.fill_l, ROUNDING * 2);
          left -= row.litres;
        });
      for (const plain of can.plain)
        halts.push({ kind: 'plain', key: plain.fill_id, name: plain.name, can, plain });
    } else if (block.kind === 'flush') {
      const { flush } = block;
      halts.push({ kind: 'flush', key: block.key, name: flush.name, flush });
    } else if (block.kind === 'dress') {
      const { dress } = block;
      halts.push({ kind: 'dress', key: block.key, name: dress.name, dress });
    }
  }
  return halts;
}

/** The first halt after one that is not done, all the way round; the same where all are. */
export function nextOpen(done: boolean[], at: number): number {
  for (let by = 1; by <= done.length; by += 1) {
    const there = (at + by) % done.length;
    if (!done[there]) return there;
  }
  return at;
}
