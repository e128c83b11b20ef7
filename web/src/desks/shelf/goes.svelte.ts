import { ask, client, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';

/** Where each bottle and brew goes next; asked beside a page, which does not wait for it. */
export class Goes {
  private readonly read = new Resource<Schemas['GoesOut'][]>();

  load(): Promise<unknown> {
    return this.read.load((signal) => ask(client.GET('/api/shelf/goes', { signal })));
  }

  of(id: string): Schemas['GoesOut'] | undefined {
    return this.read.data?.find((one) => one.id === id);
  }
}
