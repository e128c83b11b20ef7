import { many } from '../../ui/language';
import { ask, client, type Problem, type Schemas } from '../../api/client';
import { asItIs } from '../../api/files';
import { garden } from '../../app/garden.svelte';
import { Resource } from '../../app/resource.svelte';
import { undo } from '../../app/undo.svelte';
import { newId } from '../../ui/ids';

type Looked = Schemas['LookedOut'];
export type Order = Looked['dates'];

/** What she says of a table; the rest is found in it by the server. */
interface How {
  kind?: string;
  sheet?: string;
  columns?: Record<string, number>;
  units: Record<string, string>;
  dates?: Order;
  places: Record<string, string>;
  feeds: Record<string, string>;
  ratio?: 'parts' | 'in_all';
  past?: boolean;
}

const LOOKS_MS = 700;
const nothingSaid = (): How => ({ units: {}, places: {}, feeds: {} });

/** A table on its way in: how it is read, what it would bring, and how far its taking is. */
export class NotebookFile {
  file = $state<File | null>(null);
  /** How it is read: the latest word counts, whatever is answered first. */
  readonly read = new Resource<Looked>();
  private taking = $state(false);
  far = $state<Schemas['FarOut'] | null>(null);
  private refused = $state<Problem | null>(null);
  told = $state('');
  private how = nothingSaid();
  private id = newId();

  looked = $derived(this.read.data);
  busy = $derived<'' | 'looking' | 'taking'>(
    this.taking ? 'taking' : this.read.busy ? 'looking' : '',
  );
  problem = $derived(this.refused ?? this.read.problem);

  /** Another file: whatever was said of the last one is forgotten. */
  async choose(file: File | null): Promise<void> {
    this.file = file;
    this.how = nothingSaid();
    this.read.clear();
    this.refused = null;
    this.told = '';
    this.id = newId();
    if (file) await this.look();
  }

  async sayKind(kind: string): Promise<void> {
    this.how = { ...nothingSaid(), kind, sheet: this.how.sheet, dates: this.how.dates };
    await this.look();
  }

  async saySheet(sheet: string): Promise<void> {
    this.how = { ...nothingSaid(), sheet };
    await this.look();
  }

  async sayDates(dates: Order): Promise<void> {
    this.how.dates = dates;
    await this.look();
  }

  async sayUnit(key: string, unit: string): Promise<void> {
    this.how.units = { ...this.how.units, [key]: unit };
    await this.look();
  }

  async sayPlace(name: string, id: string): Promise<void> {
    this.how.places = { ...this.how.places, [name]: id };
    await this.look();
  }

  async sayFeed(name: string, id: string): Promise<void> {
    this.how.feeds = { ...this.how.feeds, [name]: id };
    await this.look();
  }

  /** Every name means what it most likely does. */
  async sayGuesses(): Promise<void> {
    const meant = (names: Looked['unknown']) =>
      Object.fromEntries(
        names.filter((one) => one.guess).map((one) => [one.name, one.guess ?? '']),
      );
    this.how.places = { ...meant(this.looked?.unknown ?? []), ...this.how.places };
    this.how.feeds = { ...meant(this.looked?.feeds ?? []), ...this.how.feeds };
    await this.look();
  }

  async sayRatio(ratio: 'parts' | 'in_all'): Promise<void> {
    this.how.ratio = ratio;
    await this.look();
  }

  /** Crops that were over before come in as plantings that began and ended then. */
  async sayPast(): Promise<void> {
    this.how.past = true;
    await this.look();
  }

  /** What a column is read as; nothing where it is passed over. */
  async sayColumn(index: number, key: string): Promise<void> {
    if (!this.how.columns) await this.read.settled(); // what is found in the table as it is read now
    const columns = this.how.columns ?? matches(this.looked?.columns ?? []);
    this.how.columns = moved(columns, index, key);
    await this.look();
  }

  async look(): Promise<void> {
    const file = this.file;
    if (!file) return;
    this.refused = null;
    const params = { query: { how: JSON.stringify(this.how) } };
    await this.read.load((signal) =>
      ask(client.POST('/api/notebook-file/look', { params, signal, ...asItIs(file) })),
    );
  }

  /** Take it in; `rest` leaves out what cannot be read. */
  async take(rest: boolean): Promise<void> {
    if (!this.file || this.busy) return;
    this.taking = true;
    const asking = setInterval(() => void this.askHowFar(), LOOKS_MS);
    const query = { how: JSON.stringify(this.how), id: this.id, rest };
    const reply = await ask(
      client.POST('/api/notebook-file', { params: { query }, ...asItIs(this.file) }),
    );
    clearInterval(asking);
    this.far = null;
    this.taking = false;
    this.refused = reply.problem ?? null;
    if (!reply.data) return;
    this.told = toldOf(reply.data);
    undo.offer({ id: this.id, change_id: reply.data.change_id, summary: this.told });
    await garden.changed();
    await this.look();
  }

  private async askHowFar(): Promise<void> {
    const params = { path: { taking_id: this.id } };
    const { data } = await ask(client.GET('/api/notebook-file/{taking_id}', { params }));
    if (data && this.busy === 'taking') this.far = data;
  }
}

/** Which column each key is in. */
export function matches(columns: { index: number; key: string }[]): Record<string, number> {
  return Object.fromEntries(columns.filter((one) => one.key).map((one) => [one.key, one.index]));
}

/** The same with one column read as something else; each key stands once. */
export function moved(
  columns: Record<string, number>,
  index: number,
  key: string,
): Record<string, number> {
  const others = Object.entries(columns).filter(([name, at]) => at !== index && name !== key);
  return { ...Object.fromEntries(others), ...(key ? { [key]: index } : {}) };
}

/** What came in, in a sentence. */
export function toldOf(taken: { count: number; here: number; left_out: number }): string {
  const parts = [`${many(taken.count)} taken in`];
  if (taken.here) parts.push(`${many(taken.here)} were here already`);
  if (taken.left_out) parts.push(`${many(taken.left_out)} left out`);
  return `${parts.join(', ')}.`;
}
