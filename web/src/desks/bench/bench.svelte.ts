import { searchParams } from 'sv-router';
import { ask, asSeen, client, type Schemas } from '../../api/client';
import { garden } from '../../app/garden.svelte';
import { instantOf } from '../../ui/time';
import { asShown, type Typed } from '../../ui/typed';
import { volume } from '../../app/measures';
import { Resource } from '../../app/resource.svelte';
import { working } from '../../app/working.svelte';
import { Write } from '../../app/write.svelte';
import { Beside, inUnit } from './beside.svelte';
import type { Asked } from './explain';
import { laidOut } from './laidOut';
import { USUAL, type Way } from './strength';

export type Preview = Schemas['PreviewOut'];
/** How something is given: poured on roots, sprayed on leaves, or spread dry. */
export type Route = 'roots' | 'leaves' | 'dry';
/** What a box showed when it was pressed, the same in full, and what the strength was said to be. */
export interface Held {
  way: Way;
  text: string;
  said: string;
  before: Typed;
}
const LIKED = 'what the stage likes';
const TYPING_RESTS_MS = 700;
const LEAST_REST_L = 0.01;

/** What stands on the Bench: a jar, a water, a vessel, and a strength as it was last said. */
export class Bench {
  readonly stocked = new Resource<Schemas['SuppliesOut']>();
  /** The can's figures: only the latest question's answer counts. */
  readonly worked = new Resource<Preview>();
  readonly write = new Write();
  jarId = $state('');
  waterId = $state('');
  vessel = $state<Typed>('9 L');
  said = $state<Typed>(LIKED);
  route = $state<Route>('roots');
  /** What else is poured into the can. */
  readonly beside = new Beside(() => void this.work());
  /** The box that was last typed in, with what was typed; none after a drag. */
  typed = $state<{ way: Way; text: string } | null>(null);
  reading = $state(0);
  /** When it was poured, by the garden's clock; empty is now. */
  pouredAt = $state('');
  /** Litres for each plant as typed; empty takes what Dace suggests. */
  litresSaid = $state<Typed>('');
  /** She is still typing: a half-typed strength is no mistake yet. */
  typing = $state(false);
  dragging = $state(false);
  /** The number whose steps the working shows. */
  asked = $state<Asked>('ec');
  /** She writes down a feed that the stop does not want. */
  anyway = $state(false);
  /** She looks at what may be changed of the can that was laid out. */
  opened = $state(false);
  /** What was laid out as the verdict has it, until something of it is changed. */
  private laid = $state('');
  /** A can at ten times the label's rate is asked about once more. */
  sure = $state(false);
  /** Jar, water and vessel are laid out: what begins with them may begin. */
  ready = $state(false);
  /** A can that was poured from and still holds something. */
  rest = $state<{ canId: string; leftL: number; ratio: string; standId: string } | null>(null);

  supplies = $derived(this.stocked.data);
  preview = $derived(this.worked.data);
  problem = $derived(this.worked.problem ?? this.stocked.problem);
  pouring = $derived(this.write.busy);
  jar = $derived(this.supplies?.jars.find((jar) => jar.id === this.jarId) ?? null);
  litres = $derived(this.preview?.pour?.litres_each ?? 0);

  /** Whether what stands here is just what the stop's verdict asks for. */
  asIs = $derived(this.laid !== '' && this.laid === this.signature());
  /** The can stands as laid out, and nothing of it is being changed; how much each gets may be. */
  plainly = $derived(this.laid !== '' && this.laid.startsWith(this.mixed()) && !this.opened);
  tenfold = $derived(Number(this.preview?.ways.label?.shown ?? 0) >= 1000);

  private rests: ReturnType<typeof setTimeout> | undefined;

  /** Another stop: nothing of the last one's can is shown beside its verdict. */
  leave(): void {
    this.ready = false;
    this.anyway = this.opened = false;
    this.beside.clear();
    this.worked.clear();
  }

  /** One of the cans that Dace found, just so. */
  takeMix(sources: Schemas['MixSourceOut'][]): void {
    const [first, ...rest] = sources;
    if (!first) return;
    this.jarId = first.jar_id;
    this.typed = null;
    this.reading = 0;
    this.said = first.strength;
    this.beside.take(rest);
    void this.work();
  }

  /** Another jar comes first: it is not poured in twice. */
  pickJar(): void {
    this.beside.rows = this.beside.rows.filter((one) => one.jarId !== this.jarId);
    this.like();
  }

  async load(): Promise<void> {
    await this.stocked.load((signal) => ask(client.GET('/api/bench', { signal })));
    const found = this.supplies;
    if (!found) return;
    const named = String(searchParams.get('jar') ?? '');
    const jars = found.jars.filter((jar) => jar.dissolves && jar.stock > 0);
    const usual = found.vessels[0];
    if (usual && !this.jarId) this.vessel = volume(usual.volume_l, 4);
    this.jarId ||= (jars.find((jar) => jar.id === named) ?? jars[0])?.id ?? '';
    this.waterId ||= found.waters[0]?.id ?? '';
    this.layOut(named);
    this.ready = true;
  }

  /** Lay out what the stop's verdict asks for, or one of its other offers by the jar. */
  layOut(jarId = ''): void {
    const verdict = garden.verdict;
    if (this.anyway) {
      void this.work();
      return;
    }
    this.laid = '';
    this.beside.clear();
    const offers = verdict?.offers.filter((one) => one.vessel_l > 0) ?? [];
    const ofJar = offers.filter((one) => one.jar_id === jarId);
    const offer = jarId ? (ofJar.find((one) => !one.base) ?? ofJar[0]) : offers[0];
    if (offer) {
      this.take(offer);
      return;
    }
    const named = this.supplies?.jars.some((jar) => jar.id === jarId) ?? false;
    if (named) this.jarId = jarId;
    this.anyway = named && verdict !== null;
    if (!verdict || named) this.like();
  }

  /** One of the verdict's offers, just so. */
  take(offer: Schemas['PortionOut']): void {
    const stand = garden.stand;
    const laid = laidOut(offer, garden.verdict, stand?.id, this.waterId, stand?.count);
    this.jarId = laid.jar_id;
    this.waterId = laid.water_id;
    this.vessel = laid.vessel;
    this.typed = null;
    this.reading = 0;
    this.said = laid.strength;
    this.litresSaid = laid.litres;
    this.beside.take(laid.more);
    this.laid = offer.key === garden.verdict?.portion?.key ? this.signature() : '';
    void this.work();
  }

  /** She means to feed it all the same: the can comes out. */
  feedAnyway(): void {
    this.anyway = true;
    this.typed = null;
    this.said = USUAL;
    void this.work();
  }

  /** As much plain water as the can would have been, in its stead. */
  async pourPlain(): Promise<void> {
    const [stand, spot] = [garden.stand, garden.spot];
    if (!stand || !spot) return;
    const litres = volume(this.litres * stand.count, 4);
    const body = {
      id: this.write.id('plain'),
      fill_id: spot.fill_id,
      water_id: this.waterId,
      water_kind: '',
      litres,
      flush: false,
    };
    await this.write.send(() => ask(client.POST('/api/waterings', { body })));
  }

  /** Half of all that stands here. */
  halve(): void {
    const amount = this.preview?.amount ?? 0;
    if (amount <= 0) return;
    this.beside.halve(this.preview?.more ?? []);
    this.move(amount / 2);
  }

  private mixed(): string {
    const more = this.beside.rows.map((one) => [one.jarId, one.said]);
    return JSON.stringify([this.jarId, this.waterId, this.vessel, this.said, more]);
  }

  private signature(): string {
    return this.mixed() + JSON.stringify(this.litresSaid);
  }

  /** A strength typed into one of the boxes, which was `held` when it was pressed. */
  type(way: Way, text: string, held?: Held): void {
    this.typed = { way, text };
    const same = held && [held.text, held.said].some((shown) => asShown(shown, text));
    this.said = same ? held.before : { text, shown: held?.said ?? '' };
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
    this.said = inUnit(amount, this.preview?.unit ?? 'mL');
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

  /** Ask for the can's figures. */
  async work(): Promise<void> {
    if (!this.jarId || !this.waterId) return;
    this.sure = false;
    this.write.begin();
    const body = this.wanted();
    await this.worked.load((signal) => ask(client.POST('/api/bench/preview', { body, signal })));
  }

  /** Mix the can and pour it; true when it is written. */
  async pour(onread: (canSubject: string) => void): Promise<boolean> {
    const [stand, preview] = [garden.stand, this.preview];
    if (!stand || !preview || this.write.busy) return false;
    const canId = this.write.id('can');
    const { jar_id, water_id, vessel, strength, reading, more } = this.wanted();
    const litres_each = this.litres;
    const body = {
      can: { id: canId, jar_id, water_id, vessel, strength, reading, more },
      dose: {
        id: this.write.id('dose'),
        stand_id: stand.id,
        plants: stand.count,
        litres_each,
        poured_at: this.pouredAt ? instantOf(this.pouredAt, garden.path?.zone ?? 'UTC') : null,
      },
    };
    const next = { label: 'Read the can', act: () => onread(canId) };
    const headers = asSeen(garden.path?.edition);
    const poured = await this.write.send(
      () => ask(client.POST('/api/pours', { body, headers })),
      next,
    );
    if (!poured) return false;
    this.litresSaid = this.pouredAt = '';
    this.anyway = this.opened = false;
    this.layOut();
    const leftL = preview.pour?.left_l ?? 0;
    const ratio = preview.ways.parts.said;
    this.rest = leftL > LEAST_REST_L ? { canId, leftL, ratio, standId: stand.id } : null;
    return true;
  }

  /** Pour what the last can still holds on the chosen stop. */
  async pourRest(): Promise<void> {
    const [stand, rest] = [garden.stand, this.rest];
    if (!stand || !rest) return;
    const each = { plants: stand.count, litres_each: rest.leftL / stand.count };
    const body = { id: this.write.id('rest'), stand_id: stand.id, ...each };
    const params = { path: { can_id: rest.canId } };
    const headers = asSeen(garden.path?.edition);
    const sent = () => ask(client.POST('/api/cans/{can_id}/doses', { params, body, headers }));
    if (!(await this.write.send(sent))) return;
    this.litresSaid = '';
    this.rest = null;
  }

  /** The can as it is asked for. */
  wanted() {
    const stand = garden.stand;
    return {
      jar_id: this.jarId,
      water_id: this.waterId,
      vessel: this.vessel,
      strength: this.said === LIKED && !stand ? USUAL : this.said,
      reading: this.reading,
      stand_id: stand?.id ?? null,
      plants: stand?.count ?? null,
      litres: this.litresSaid,
      more: this.beside.asked(),
    };
  }
}
