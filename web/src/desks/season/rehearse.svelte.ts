import { ask, client, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';
import { Write } from '../../app/write.svelte';
import { WEATHERS } from './weathers';

export type Trial = Schemas['TrialIn'];

/** What is tried out, as it is chosen. */
export interface Choices {
  weather: string;
  homeMade: boolean;
  rhythm: string;
  strength: string;
}

/** As the server is asked it. */
export function trialOf(chosen: Choices, fills: string[]): Trial {
  const { warmer_c, rain_times } = WEATHERS[chosen.weather] ?? { warmer_c: 0, rain_times: 1 };
  return {
    fills,
    approach: '',
    rhythm: chosen.rhythm as Trial['rhythm'],
    strength: chosen.strength ? Number(chosen.strength) : null,
    slider: null,
    home_made: chosen.homeMade,
    warmer_c,
    rain_times,
  };
}

/** What of a trial can be kept: habits, and no weather. */
export function habitsOf(chosen: Choices, homeMade: string[]): Schemas['FeedingIn'] {
  return {
    ...(chosen.rhythm ? { rhythm: chosen.rhythm as Schemas['FeedingIn']['rhythm'] } : {}),
    ...(chosen.strength ? { strength: Number(chosen.strength) } : {}),
    ...(chosen.homeMade && homeMade.length ? { sources: homeMade } : {}),
  };
}

/** Two futures side by side, and keeping the second. */
class Rehearse {
  readonly futures = new Resource<Schemas['RehearsalOut']>();
  readonly write = new Write();

  try(trial: Trial): Promise<void> {
    return this.futures.load((signal) =>
      ask(client.POST('/api/plan/rehearse', { body: trial, signal })),
    );
  }

  /** The habits of the trial, for every planting that it was of. */
  async keep(habits: Schemas['FeedingIn'], plantings: string[]): Promise<boolean> {
    const body = { ...habits, plantings };
    return !!(await this.write.send(() => ask(client.POST('/api/plan/keep', { body }))));
  }
}

export const rehearse = new Rehearse();
