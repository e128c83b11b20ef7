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
  /** What the futures that are shown were made of, whatever is chosen since. */
  private tried: { chosen: Choices; plantings: string[] } | null = null;

  try(chosen: Choices, fills: string[], plantings: string[]): Promise<void> {
    this.tried = { chosen: { ...chosen }, plantings };
    const body = trialOf(chosen, fills);
    return this.futures.load((signal) => ask(client.POST('/api/plan/rehearse', { body, signal })));
  }

  /** Something else is chosen: futures of what was chosen before show nothing of it. */
  forget(): void {
    this.tried = null;
    this.futures.clear();
  }

  /** What of the futures shown can be kept; nothing where no habit was tried. */
  get habits(): Schemas['FeedingIn'] {
    const futures = this.futures.data;
    return this.tried && futures ? habitsOf(this.tried.chosen, futures.home_made) : {};
  }

  /** The habits that the futures show, for every planting that they were of. */
  async keep(): Promise<boolean> {
    const body = { ...this.habits, plantings: this.tried?.plantings ?? [] };
    return !!(await this.write.send(() => ask(client.POST('/api/plan/keep', { body }))));
  }
}

export const rehearse = new Rehearse();
