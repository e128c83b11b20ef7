import type { Stop } from '../../app/garden.svelte';
import type { Schemas } from '../../api/client';

/** Something the pen can be dipped in, and how it is then sampled. */
export interface Readable {
  id: string;
  name: string;
  method: 'feed_solution' | 'pour_through';
}

/** What one is likeliest to read, first: the newest can, then the chosen stop's drain. */
export function subjectsToRead(doses: Schemas['DoseOut'][], stop: Stop | null): Readable[] {
  const cans = new Map<string, Readable>();
  for (const dose of doses.slice(0, 4)) {
    const name = `the can: ${dose.ratio} in ${dose.vessel}, poured on ${dose.stop}`;
    cans.set(dose.can_subject_id, { id: dose.can_subject_id, name, method: 'feed_solution' });
  }
  const drain: Readable[] = stop?.subject_id
    ? [{ id: stop.subject_id, name: `what drains from ${stop.name}`, method: 'pour_through' }]
    : [];
  return [...cans.values(), ...drain];
}
