import { SvelteSet } from 'svelte/reactivity';
import { ask, asSeen, client, type Reply, type Schemas } from '../../api/client';
import { away } from '../../app/away/away.svelte';
import { ticks, watersFill } from '../../app/away/words';
import { volume } from '../../app/measures';
import { Resource } from '../../app/resource.svelte';
import { undo, type Next } from '../../app/undo.svelte';
import { Write } from '../../app/write.svelte';
import type { Typed } from '../../ui/typed';

export type RoundCan = Schemas['RoundCanOut'];
export type RoundRow = Schemas['RoundRowOut'];
type Act = (id: string) => Promise<Reply<Schemas['WrittenOut']>>;
type Watered = { fill_id: string; water_id: string | null; litres: number };
export type How = Schemas['TickIn']['how'];

/** One thing to do, in the order in which one walks. */
export type Block =
  | { kind: 'can'; at: number; key: string; can: RoundCan }
  | { kind: 'flush'; at: number; key: string; flush: Schemas['RoundFlushOut'] }
  | { kind: 'dress'; at: number; key: string; dress: Schemas['RoundDressOut'] }
  | { kind: 'due'; at: number; key: string; due: Schemas['RoundDueOut'] }
  | { kind: 'ask'; at: number; key: string; asked: Schemas['RoundAskOut'] };

/** Cans, flushes, dressings and what is looked at first, as one walks past them. */
export function blocksOf(round: Schemas['RoundOut']): Block[] {
  const blocks: Block[] = [
    ...round.cans.map((can) => ({ kind: 'can' as const, at: can.at, key: can.id, can })),
    ...round.flushes.map((flush) => ({
      kind: 'flush' as const,
      at: flush.at,
      key: `flush ${flush.fill_id}`,
      flush,
    })),
    ...round.dressings.map((dress) => ({
      kind: 'dress' as const,
      at: dress.at,
      key: `dress ${dress.fill_id}`,
      dress,
    })),
    ...round.due.map((due) => ({
      kind: 'due' as const,
      at: due.at,
      key: `due ${due.fill_id}`,
      due,
    })),
    ...round.asks
      .filter((asked) => asked.looks.some((look) => look.first))
      .map((asked) => ({ kind: 'ask' as const, at: asked.at, key: `ask ${asked.what}`, asked })),
  ];
  return blocks.sort((one, other) => one.at - other.at);
}

/** The places that a block is about. */
export function placesOf(block: Block): string[] {
  if (block.kind === 'can') return block.can.rows.map((row) => row.place_id);
  if (block.kind === 'flush') return [block.flush.place_id];
  if (block.kind === 'due') return [block.due.place_id];
  if (block.kind === 'dress') return [block.dress.place_id];
  return block.asked.looks.map((look) => look.place_id);
}

/** Today's round, and ticking it. */
class Round {
  readonly today = new Resource<Schemas['RoundOut']>();
  /** The week after: it takes the plan, which the day's work does not wait for. */
  readonly coming = new Resource<Schemas['RoundComingOut']>();
  /** One for each row: two presses at once are two writes. */
  private readonly writes = new Map<string, Write>();
  /** Rows that were pressed and are not read again yet: they show at once. */
  readonly pressed = new SvelteSet<string>();

  async load(): Promise<void> {
    await this.today.load((signal) => ask(client.GET('/api/round', { signal })));
    if (this.today.busy) return;
    for (const fillId of this.pressed) {
      if (!this.write(fillId).busy) this.pressed.delete(fillId); // else it is on its way yet
    }
  }

  async lookAhead(): Promise<void> {
    await this.coming.load((signal) => ask(client.GET('/api/round/ahead', { signal })));
  }

  write(fillId: string): Write {
    const found = this.writes.get(fillId) ?? new Write();
    this.writes.set(fillId, found);
    return found;
  }

  /** A tick of a stop that waits for a connection. */
  waiting(fillId: string): (typeof away.waiting)[number] | null {
    return away.waiting.find((one) => ticks(one, fillId)) ?? null;
  }

  /** Whether a stop is done: as it was read, as it was pressed, or as it waits to be sent. */
  ticked(row: RoundRow): boolean {
    const { fill_id } = row;
    return row.done.length > 0 || this.pressed.has(fill_id) || this.waiting(fill_id) !== null;
  }

  /** Whether plain water was poured on a fill, by what was pressed or waits to be sent. */
  watered(key: string, fillId: string): boolean {
    return this.pressed.has(key) || away.waiting.some((one) => watersFill(one, fillId));
  }

  /** Plain water on a fill, as a go of a flush or as the unfed get it. */
  water(key: string, of: Watered, flush = false, next?: Next) {
    const { fill_id, water_id } = of;
    const litres = volume(of.litres, 6);
    const body = { fill_id, water_id, water_kind: '', litres, flush };
    return this.pressing(key, next, (id) =>
      ask(client.POST('/api/waterings', { body: { id, ...body } })),
    );
  }

  /** A dressing, all of it. */
  spread(key: string, dress: Schemas['RoundDressOut']) {
    const { stand_id, portion, grams } = dress;
    const of = { jar_id: portion.jar_id, material: '', also_said: '' };
    const body = { stand_id, said: `${grams} g`, whole: true, ...of };
    const headers = asSeen(this.today.data?.edition);
    return this.pressing(key, undefined, (id) =>
      ask(client.POST('/api/dressings', { body: { id, ...body }, headers })),
    );
  }

  /** One press of a row: it shows at once, and no more where it is refused. */
  private async pressing(key: string, next: Next | undefined, act: Act) {
    const write = this.write(key);
    this.pressed.add(key);
    const sent = await write.send(() => act(write.id()), next);
    if (!sent) this.pressed.delete(key);
    return sent;
  }

  async tick(can: RoundCan, row: RoundRow, how: How = 'planned', litres: Typed = '') {
    const { fill_id, slot } = row;
    const can_id = how === 'none' ? null : can.id;
    const headers = asSeen(this.today.data?.edition);
    const body = { fill_id, slot, how, can_id, litres };
    return this.pressing(fill_id, undefined, (id) =>
      ask(client.POST('/api/round/ticks', { body: { id, ...body }, headers })),
    );
  }

  /** The whole can with all that was poured of it. */
  async takeBack(can: RoundCan): Promise<void> {
    const params = { path: { can_id: can.id } };
    await undo.taken(await ask(client.DELETE('/api/round/cans/{can_id}', { params })));
  }

  mix(can: RoundCan) {
    const params = { path: { can_id: can.id } };
    return this.write(can.id).send(() => ask(client.POST('/api/round/cans/{can_id}', { params })));
  }
}

export const round = new Round();
