import { ask, client, type Problem, type Schemas } from '../../api/client';
import type { Stop } from '../../app/garden.svelte';

/** One fill of the garden with the place that holds it. */
export interface Read {
  place: Schemas['PlaceRootsOut'];
  roots: Schemas['RootsOut'];
}

/** Follows every place's roots, one after another, and says how far it has come. */
export class AllRoots {
  found = $state<Read[]>([]);
  done = $state(0);
  total = $state(0);
  problem = $state<Problem | null>(null);
  wanting = $derived(this.found.filter(wantsSomething));
  private rest = $derived(this.found.filter((one) => !wantsSomething(one)));
  fine = $derived(this.rest.filter((one) => one.roots.chart.dots.length));
  unread = $derived(this.rest.filter((one) => !one.roots.chart.dots.length));
  busy = $derived(this.done < this.total && !this.problem);
  private turn = 0;

  /** Follow these places anew; a later call takes the place of one on its way. */
  async follow(stops: Stop[]): Promise<void> {
    const turn = ++this.turn;
    const found: Read[] = [];
    [this.done, this.total, this.problem] = [0, stops.length, null];
    for (const stop of stops) {
      const params = { path: { place_id: stop.id } };
      const reply = await ask(client.GET('/api/places/{place_id}/roots', { params }));
      if (turn !== this.turn) return;
      if (reply.problem) {
        this.problem = reply.problem;
        return;
      }
      for (const roots of reply.data.fills) found.push({ place: reply.data, roots });
      this.done += 1;
      // what stood there from the last time stays until its place has been followed
      if (found.length >= this.found.length || this.done === this.total) this.found = [...found];
    }
  }

  /** Leave it: what is on its way is no longer wanted. */
  stop(): void {
    this.turn += 1;
  }
}

/** Whether a fill asks for anything but the next feed as it is. */
function wantsSomething({ roots }: Read): boolean {
  const feed = roots.next_feed?.say ?? 'same';
  return Boolean(roots.flush) || feed !== 'same' || ['too_salty', 'burning'].includes(roots.word);
}
