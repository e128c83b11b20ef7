import { searchParams } from 'sv-router';
import { ask, client, type Schemas } from '../api/client';
import { Resource } from './resource.svelte';

export type Stop = Schemas['StopOut'];
export type Stand = Schemas['StandOut'];

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
    const stands = this.stop?.stands ?? [];
    return stands.find((stand) => stand.id === this.chosenStand) ?? stands[0] ?? null;
  });

  load(): Promise<void> {
    return this.walked.load((signal) => ask(client.GET('/api/path', { signal })));
  }

  /** Something was written: read the path again and let the desks follow. */
  async changed(): Promise<void> {
    this.version += 1;
    await this.load();
  }

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
