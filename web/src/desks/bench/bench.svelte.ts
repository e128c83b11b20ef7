import { searchParams } from 'sv-router';
import { newId } from '../../ui/ids';
import { garden } from '../../app/garden.svelte';
import { undo } from '../../app/undo.svelte';
import { working } from '../../app/working.svelte';
import { ask, client, type Problem, type Schemas } from '../../api/client';
import type { Asked } from './explain';
import { inFull, type Way } from './strength';

export type Preview = Schemas['PreviewOut'];

const LIKED = 'what the stage likes';
const WITHOUT_STAGE = '1 + 500';
const TYPING_RESTS_MS = 700;

/** What stands on the Bench: a jar, a water, a vessel, and a strength as it was last said. */
export class Bench {
  supplies = $state<Schemas['SuppliesOut'] | null>(null);
  jarId = $state('');
  waterId = $state('');
  vessel = $state('9 L');
  said = $state(LIKED);
  /** The box that was last typed in, with what was typed; none after a drag. */
  typed = $state<{ way: Way; text: string } | null>(null);
  reading = $state(0);
  /** Litres for each plant as typed; empty takes what Dace suggests. */
  litresSaid = $state('');
  preview = $state<Preview | null>(null);
  problem = $state<Problem | null>(null);
  /** She is still typing: a half-typed strength is no mistake yet. */
  typing = $state(false);
  dragging = $state(false);
  pouring = $state(false);
  /** The number whose steps the working shows. */
  asked = $state<Asked>('ec');
  /** A can that was poured from and still holds something. */
  rest = $state<{ canId: string; leftL: number; ratio: string; standId: string } | null>(null);

  jar = $derived(this.supplies?.jars.find((jar) => jar.id === this.jarId) ?? null);
  litres = $derived(this.preview?.pour?.litres_each ?? 0);

  private asking: AbortController | undefined;
  private rests: ReturnType<typeof setTimeout> | undefined;

  async load(): Promise<void> {
    const reply = await ask(client.GET('/api/bench'));
    if (reply.problem) {
      this.problem = reply.problem;
      return;
    }
    this.supplies = reply.data;
    const named = String(searchParams.get('jar') ?? '');
    const jars = reply.data.jars.filter((jar) => jar.dissolves && jar.stock > 0);
    this.jarId ||= (jars.find((jar) => jar.id === named) ?? jars[0])?.id ?? '';
    this.waterId ||= reply.data.waters[0]?.id ?? '';
    const usual = reply.data.vessels[0];
    if (usual && !this.preview) this.vessel = `${usual.volume_l} L`;
  }

  /** A strength typed into one of the boxes. */
  type(way: Way, text: string): void {
    this.typed = { way, text };
    this.said = inFull(way, text, this.jar?.unit ?? 'mL');
    this.reading = 0;
    this.typing = true;
    clearTimeout(this.rests);
    this.rests = setTimeout(() => (this.typing = false), TYPING_RESTS_MS);
    void this.work();
  }

  /** The typing has ended: what cannot be used is said at once. */
  typedOut(): void {
    this.typing = false;
    if (!this.problem) this.typed = null;
  }

  /** The level was moved to so many mL (or g) in the can. */
  move(amount: number): void {
    this.typed = null;
    this.said = `${Number(amount.toPrecision(4))} ${this.preview?.unit ?? 'mL'}`;
    this.reading = 0;
    void this.work();
  }

  /** Back to what the stage likes, or a usual weak can where no stage is chosen. */
  like(): void {
    this.typed = null;
    this.said = LIKED;
    void this.work();
  }

  explain(asked: Asked): void {
    this.asked = asked;
    working.open();
  }

  pickReading(index: number): void {
    this.reading = index;
    void this.work();
  }

  /** Ask for the can's figures; only the latest answer counts. */
  async work(): Promise<void> {
    if (!this.jarId || !this.waterId) return;
    this.asking?.abort();
    const asking = new AbortController();
    this.asking = asking;
    try {
      const reply = await ask(
        client.POST('/api/bench/preview', { body: this.wanted(), signal: asking.signal }),
      );
      if (reply.problem) this.problem = reply.problem;
      else {
        this.preview = reply.data;
        this.problem = null;
      }
    } catch {
      // a later question took this one's place
    }
  }

  /** Mix the can and pour it; true when it is written. */
  async pour(onread: (canSubject: string) => void): Promise<boolean> {
    const stand = garden.stand;
    if (!stand || !this.preview || this.pouring) return false;
    this.pouring = true;
    const canId = newId();
    const dose = { id: newId(), stand_id: stand.id, plants: stand.count };
    const { jar_id, water_id, vessel, strength, reading } = this.wanted();
    const reply = await ask(
      client.POST('/api/pours', {
        body: {
          can: { id: canId, jar_id, water_id, vessel, strength, reading },
          dose: { ...dose, litres_each: this.litres },
        },
      }),
    );
    const leftL = this.preview.pour?.left_l ?? 0;
    this.finish(reply, () => onread(canId));
    if (reply.data) {
      const ratio = this.preview.ways.parts;
      this.rest = leftL > 0.01 ? { canId, leftL, ratio, standId: stand.id } : null;
    }
    return reply.data !== undefined;
  }

  /** Pour what the last can still holds on the chosen stop. */
  async pourRest(): Promise<void> {
    const [stand, rest] = [garden.stand, this.rest];
    if (!stand || !rest || this.pouring) return;
    this.pouring = true;
    const body = {
      id: newId(),
      stand_id: stand.id,
      plants: stand.count,
      litres_each: rest.leftL / stand.count,
    };
    const path = { can_id: rest.canId };
    this.finish(await ask(client.POST('/api/cans/{can_id}/doses', { params: { path }, body })));
    if (!this.problem) this.rest = null;
  }

  private finish(reply: { data?: Schemas['WrittenOut']; problem?: Problem }, read?: () => void) {
    this.pouring = false;
    this.problem = reply.problem ?? null;
    if (!reply.data) return;
    this.litresSaid = '';
    undo.offer(reply.data, read && { label: 'Read the can', act: read });
    void garden.changed();
  }

  private wanted() {
    const stand = garden.stand;
    return {
      jar_id: this.jarId,
      water_id: this.waterId,
      vessel: this.vessel,
      strength: this.said === LIKED && !stand ? WITHOUT_STAGE : this.said,
      reading: this.reading,
      stand_id: stand?.id ?? null,
      plants: stand?.count ?? null,
      litres: this.litresSaid,
    };
  }
}
