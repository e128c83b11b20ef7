import { newId } from '../../ui/ids';
import { garden } from '../../app/garden.svelte';
import { undo } from '../../app/undo.svelte';
import { instantOf } from '../../ui/time';
import { ask, client, type Problem, type Schemas } from '../../api/client';

const FAHRENHEIT = (typed: number) => ((typed - 32) * 5) / 9;

/** A reading as it is written down. */
export class NewReading {
  found = $state<Schemas['ReadablesOut'] | null>(null);
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
  /** What the number means, worked out as it is typed. */
  meaning = $state<Schemas['MeaningOut'] | null>(null);
  problem = $state<Problem | null>(null);
  busy = $state(false);

  subject = $derived(this.found?.subjects.find((one) => one.id === this.subjectId) ?? null);

  /** Look what there is to read; the pen is likeliest in `subjectId` where that is given. */
  async load(subjectId = ''): Promise<void> {
    this.problem = null;
    this.value = this.when = this.temperature = this.pots = '';
    this.meaning = null;
    const query = { stop: garden.stop?.id ?? null };
    const reply = await ask(client.GET('/api/readables', { params: { query } }));
    this.problem = reply.problem ?? null;
    if (!reply.data) return;
    this.found = reply.data;
    const { subjects } = reply.data;
    const meant = subjects.find((one) => one.id === subjectId) ?? subjects[0];
    this.choose(meant?.id ?? '');
    const pen = reply.data.pens.find((one) => one.id === this.penId) ?? reply.data.pens[0];
    if (pen) this.take(pen.id);
  }

  choose(subjectId: string): void {
    this.subjectId = subjectId;
    this.parts = this.subject?.parts_water ? String(this.subject.parts_water) : '';
  }

  take(penId: string): void {
    const pen = this.found?.pens.find((one) => one.id === penId);
    if (!pen) return;
    this.penId = pen.id;
    this.scale = pen.scale;
    this.compensates = pen.compensates;
  }

  /** Say what a number would mean; nothing is written. */
  async mean(): Promise<void> {
    const value = Number(this.value.trim().replace(',', '.'));
    this.meaning = null;
    if (this.subject?.kind !== 'fill' || !this.value.trim() || !(value > 0)) return;
    if (!this.compensates && !this.temperature.trim()) return;
    const asked = this.value;
    const reply = await ask(client.POST('/api/readings/meaning', { body: this.body(value, 0) }));
    if (asked === this.value) this.meaning = reply.data ?? null;
  }

  private body(value: number, parts: number): Schemas['ReadingIn'] {
    const typed = Number(this.temperature.trim().replace(',', '.'));
    const warm = this.compensates ? null : typed;
    return {
      id: newId(),
      subject_id: this.subjectId,
      value,
      scale: this.scale,
      method: this.subject?.kind === 'fill' ? this.method : 'feed_solution',
      compensates: this.compensates,
      parts_water: parts,
      temperature_c: warm !== null && this.found?.degrees === 'F' ? FAHRENHEIT(warm) : warm,
      taken_at: this.when ? instantOf(this.when) : null,
      pots: Number(this.pots.trim() || '1'),
      pen_id: this.penId || null,
    };
  }

  /** Let the pen itself say the number. */
  async dip(): Promise<void> {
    const params = { path: { pen_id: this.penId } };
    const body = { subject_id: this.subjectId };
    const reply = await ask(client.POST('/api/pens/{pen_id}/dip', { params, body }));
    this.problem = reply.problem ?? null;
    if (!reply.data) return;
    this.value = String(reply.data.value);
    this.scale = reply.data.scale;
    const celsius = reply.data.temperature_c;
    const shown = this.found?.degrees === 'F' ? (celsius * 9) / 5 + 32 : celsius;
    if (!reply.data.compensates) this.temperature = shown.toFixed(1);
  }

  /** Write it down; true when it is written. */
  async keep(): Promise<boolean> {
    const value = this.number('value', this.value, 'a number such as 1.12 would do');
    const parts = this.parts.trim() ? this.number('parts_water', this.parts, 'parts such as 9') : 0;
    const warm = this.compensates
      ? null
      : this.number('temperature_c', this.temperature, 'degrees such as 18 would do');
    const pots = this.pots.trim() ? this.number('pots', this.pots, 'a number such as 3') : 1;
    if (value === undefined || parts === undefined) return false;
    if (warm === undefined || pots === undefined) return false;
    this.busy = true;
    const reply = await ask(client.POST('/api/readings', { body: this.body(value, parts) }));
    this.busy = false;
    this.problem = reply.problem ?? null;
    if (!reply.data) return false;
    this.meaning = null;
    undo.offer(reply.data);
    await garden.changed();
    return true;
  }

  private number(field: string, typed: string, would_do: string): number | undefined {
    const value = typed.trim() === '' ? NaN : Number(typed.replace(',', '.'));
    if (!Number.isNaN(value)) return value;
    const read = typed.trim() ? `“${typed}”` : 'nothing';
    this.problem = { field, read, would_do, message: `Read ${read}; ${would_do}.` };
    return undefined;
  }
}
