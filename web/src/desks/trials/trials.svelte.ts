import { ask, client, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';

export type Trial = Schemas['TrialOut'];
export type Pot = Schemas['PotOut'];
type Stand = Schemas['TrialStandOut'];

/** Stands that could be compared with one: the same crop, in a pot of its own. */
export function twinsOf(stands: Stand[], standId: string): Stand[] {
  const one = stands.find((stand) => stand.stand_id === standId);
  return stands.filter((other) => one && other.crop === one.crop && other.fill_id !== one.fill_id);
}

/** Stands that have a twin at all, those of many pots first: they tell most. */
export const withTwins = (stands: Stand[]) =>
  stands
    .filter((stand) => twinsOf(stands, stand.stand_id).length > 0)
    .sort((one, other) => other.pots - one.pots);

export interface Pair {
  name: string;
  fed: number;
  unfed: number;
}

/** Figures as they are drawn: pairs, or both sides in the order of their pots. */
export function pairsOf(trial: Pick<Trial, 'pots' | 'paired'>): Pair[] {
  const counted = trial.pots.filter((pot) => !pot.left_out && pot.figure !== null);
  if (!trial.paired) return [];
  const pairs = counted.map((pot) => pot.pair);
  return pairs
    .filter((pair, at) => pairs.indexOf(pair) === at)
    .flatMap((pair) => {
      const both = counted.filter((pot) => pot.pair === pair);
      const [fed, unfed] = [both.find((pot) => pot.fed), both.find((pot) => !pot.fed)];
      if (!fed || !unfed) return [];
      return [{ name: `pair ${pair}`, fed: fed.figure ?? 0, unfed: unfed.figure ?? 0 }];
    });
}

/** The ends of the drawn gain, in percent: room for no difference and for what is worth it. */
export function gainSpan(
  trial: Pick<Trial, 'gain' | 'low' | 'high' | 'worthwhile'>,
): [number, number] {
  const shown = [trial.gain, trial.low, trial.high].filter((end) => end !== null);
  const [low, high] = [Math.min(0, ...shown), Math.max(1.5 * trial.worthwhile, ...shown)];
  const room = Math.max(5, 0.15 * (high - low));
  return [low - room, high + room];
}

/** A percentage with its sign. */
export const signed = (percent: number) =>
  `${percent < 0 ? '\u2212' : '+'}${Math.abs(Math.round(percent))} %`;

class Trials {
  readonly all = new Resource<Schemas['TrialsOut']>();
  readonly before = new Resource<Schemas['BeforeOut']>();
  readonly one = new Resource<Trial>();

  loadAll(): Promise<void> {
    return this.all.load((signal) => ask(client.GET('/api/trials', { signal })));
  }

  askBefore(query: {
    units: number;
    paired: boolean;
    worthwhile_percent: number;
    measure: string;
    waits: string;
  }): void {
    const params = { query };
    this.before.soon((signal) => ask(client.GET('/api/trials/before', { params, signal })));
  }

  load(trial_id: string): Promise<void> {
    const params = { path: { trial_id } };
    return this.one.load((signal) => ask(client.GET('/api/trials/{trial_id}', { params, signal })));
  }
}

export const trials = new Trials();
