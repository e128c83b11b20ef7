import { ask, client, type Schemas } from '../api/client';

/** Today's weather and the days ahead; without an answer the header does without. */
class Weather {
  data = $state<Schemas['WeatherOut'] | null>(null);

  async load(): Promise<void> {
    const reply = await ask(client.GET('/api/weather'));
    if (reply.data) this.data = reply.data;
  }
}

export const weather = new Weather();
