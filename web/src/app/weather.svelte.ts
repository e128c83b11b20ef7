import { ask, client, type Schemas } from '../api/client';
import { Resource } from './resource.svelte';

/** Today's weather and the days ahead; without an answer the header does without. */
export const weather = new Resource<Schemas['WeatherOut']>();

export const loadWeather = (): Promise<void> =>
  weather.load((signal) => ask(client.GET('/api/weather', { signal })));
