import { ask, client, type Schemas } from '../../api/client';
import { garden } from '../../app/garden.svelte';
import { Resource } from '../../app/resource.svelte';
import { Write } from '../../app/write.svelte';
import { typedNumber } from '../../ui/numbers';
import { fromFahrenheit, toFahrenheit } from '../../ui/degrees';
import { instantOf } from '../../ui/time';

/** What each number is called where it cannot be read. */
const WOULD_DO = {
  value: 'a number such as 1.12 would do',
  parts_water: 'parts such as 9 would do',
  temperature_c: 'degrees such as 18 would do',
  pots: 'a number such as 3 would do',
};
type Numeric = keyof typeof WOULD_DO;

/** A reading as it is written down. */
export class NewReading {
  readonly readables = new Resource<Schemas['ReadablesOut']>();
  /** What the number means, worked out as it is typed. */
  readonly meant = new Resource<Schemas['MeaningOut']>();
  readonly write = new Write();
  subjectId = $state('');
  penId = $state('');
  value = $state('');
  scale = $state('mS/cm');
  compensates = $state(true);
  temperature = $state('');
  method = $state('pour_through');
  parts = $state('');
  when = $state('');
  pots = $state('');
  /** A pretend pen made the number up: it will weigh nothing. */
  practice = $state(false);

  found = $derived(this.readables.data);
  subject = $derived(this.found?.subjects.find((one) => one.id === this.subjectId) ?? null);

  /** Look what there is to read; the pen is likeliest in `subjectId` where that is given. */
  async load(subjectId = ''): Promise<void> {
    this.value = this.when = this.temperature = this.pots = '';
    this.practice = false;
    this.meant.clear();
    const query = { stop: garden.stop?.id ?? null };
    await this.readables.load((signal) =>
      ask(client.GET('/api/readables', { params: { query }, signal })),
    );
    const found = this.found;
    if (!found) return;
    const meant = found.subjects.find((one) => one.id === subjectId) ?? found.subjects[0];
    this.choose(meant?.id ?? '');
    const pen = found.pens.find((one) => one.id === this.penId) ?? found.pens[0];
    if (pen) this.take(pen.id);
  }

  choose(subjectId: string): void {
    this.subjectId = subjectId;
    this.parts = this.subject?.parts_water ? String(this.subject.parts_water) : '';
    this.method = this.subject?.method ?? 'pour_through';
  }

  take(penId: string): void {
    const pen = this.found?.pens.find((one) => one.id === penId);
    if (!pen) return;
    this.penId = pen.id;
    this.scale = pen.scale;
    this.compensates = pen.compensates;
  }

  /** Say what a number would mean; nothing is written. */
  mean(): void {
    const body = this.body();
    if (this.subject?.kind !== 'fill' || !body || !(body.value > 0)) return this.meant.clear();
    void this.meant.load((signal) =>
      ask(client.POST('/api/readings/meaning', { body: { ...body, parts_water: 0 }, signal })),
    );
  }

  /** Let the pen itself say the number. */
  async dip(practice = false): Promise<void> {
    const params = { path: { pen_id: this.penId } };
    const subjectId = this.subjectId;
    const body = { subject_id: subjectId, practice };
    const reply = await ask(client.POST('/api/pens/{pen_id}/dip', { params, body }));
    if (this.subjectId !== subjectId) return; // the pen was in something else
    this.write.problem = reply.problem ?? null;
    if (!reply.data) return;
    this.value = String(reply.data.value);
    this.practice = reply.data.practice;
    this.scale = reply.data.scale;
    const celsius = reply.data.temperature_c;
    if (reply.data.compensates || celsius === null) return;
    const shown = this.found?.degrees === 'F' ? toFahrenheit(celsius) : celsius;
    this.temperature = shown.toFixed(1);
  }

  /** Write it down; true when it is written. */
  async keep(): Promise<boolean> {
    const body = this.body((field, typed) => this.write.refuse(field, typed, WOULD_DO[field]));
    if (!body) return false;
    const written = await this.write.send(() => ask(client.POST('/api/readings', { body })));
    return written !== null;
  }

  /** What would be sent; null where a number cannot be read, after `refuse` was told which. */
  private body(refuse?: (field: Numeric, typed: string) => void): Schemas['ReadingIn'] | null {
    const typed: [Numeric, string, number | null][] = [
      ['value', this.value, null],
      ['parts_water', this.parts, 0],
      ['temperature_c', this.compensates ? '0' : this.temperature, null],
      ['pots', this.pots, 1],
    ];
    const numbers: Partial<Record<Numeric, number>> = {};
    for (const [field, text, usual] of typed) {
      const value = typedNumber(text) === null ? usual : typedNumber(text);
      if (value === null || value === undefined) {
        refuse?.(field, text);
        return null;
      }
      numbers[field] = value;
    }
    const { value = 0, parts_water = 0, temperature_c = 0, pots = 1 } = numbers;
    const celsius = this.found?.degrees === 'F' ? fromFahrenheit(temperature_c) : temperature_c;
    return {
      id: this.write.id(),
      subject_id: this.subjectId,
      value,
      scale: this.scale,
      method: this.subject?.kind === 'fill' ? this.method : 'feed_solution',
      compensates: this.compensates,
      parts_water,
      temperature_c: this.compensates ? null : celsius,
      taken_at: this.when ? instantOf(this.when, garden.path?.zone ?? 'UTC') : null,
      pots,
      pen_id: this.penId || null,
      practice: this.practice,
    };
  }
}
