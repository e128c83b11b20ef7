import { searchParams } from 'sv-router';
import { ask, client, type Schemas } from '../api/client';
import { region } from '../ui/region.svelte';
import { Resource } from './resource.svelte';

export type Stop = Schemas['StopOut'];
export type Stand = Schemas['StandOut'];
export type Verdict = Schemas['VerdictOut'];

/** The path and what is chosen along it; the choice stands in the address. */
class Garden {
  readonly walked = new Resource<Schemas['PathOut']>();
  /** Counts writes, so that a desk knows when to look again. */
  version = $state(0);
  private chosenStand = $state('');

  path = $derived(this.walked.data);
  problem = $derived(this.walked.problem);
  stops = $derived(this.path?.stops ?? []);
  stop = $derived.by(() => {
    const id = String(searchParams.get('stop') ?? '');
    return this.stops.find((stop) => stop.id === id) ?? null;
  });
  stand = $derived.by(() => {
    const stop = this.stop;
    const stands = stop?.stands ?? [];
    const chosen = stands.find((stand) => stand.id === this.chosenStand);
    // of several, what wants somebody first
    const first = stop?.spots.find((spot) => spot.verdict.kind === stop.mark_kind)?.stand_ids[0];
    return chosen ?? stands.find((stand) => stand.id === first) ?? stands[0] ?? null;
  });
  /** The fill in which the chosen plants stand, with its verdict. */
  spot = $derived.by(() => {
    const id = this.stand?.id ?? '';
    return this.stop?.spots.find((spot) => spot.stand_ids.includes(id)) ?? null;
  });
  verdict = $derived(this.spot?.verdict ?? null);

  async load(): Promise<void> {
    await this.walked.load((signal) => ask(client.GET('/api/path', { signal })));
    region.american = this.walked.data?.measures === 'us';
  }

  /** Something was written: read the path again and let the desks follow. */
  async changed(): Promise<void> {
    this.version += 1;
    await this.load();
  }

  /** What the fill, stand or subject of an id is called along the path. */
  readonly nameOf = (id: unknown): string => {
    for (const stop of this.stops) {
      if (stop.id === id || stop.subject_id === id) return stop.name;
      const spot = stop.spots.find(
        (one) => one.fill_id === id || one.subject_id === id || one.stand_ids.includes(String(id)),
      );
      if (spot) return spot.name;
    }
    return '';
  };

  choose(stop: Stop | null): void {
    if (stop) searchParams.set('stop', stop.id);
    else searchParams.delete('stop');
  }

  chooseStand(stand: Stand): void {
    this.chosenStand = stand.id;
  }

  /** One step along the path, either way; stays at its ends. */
  step(by: 1 | -1): void {
    const at = this.stops.findIndex((stop) => stop.id === this.stop?.id);
    const next = at < 0 ? (by > 0 ? 0 : this.stops.length - 1) : at + by;
    const stop = this.stops[next];
    if (stop) this.choose(stop);
  }

  /** The search part of an address that keeps the chosen stop. */
  get search(): string {
    return this.stop ? `?stop=${this.stop.id}` : '';
  }
}

export const garden = new Garden();
