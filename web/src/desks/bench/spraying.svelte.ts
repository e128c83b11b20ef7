import { ask, asSeen, client, type Schemas } from '../../api/client';
import { garden } from '../../app/garden.svelte';
import { volume } from '../../app/measures';
import { Resource } from '../../app/resource.svelte';
import { Write } from '../../app/write.svelte';
import type { Typed } from '../../ui/typed';
import type { Bench } from './bench.svelte';
import { inUnit } from './beside.svelte';
import { ON_LEAVES } from './strength';

const NO_SPRAYER_L = 0.5;

/** A leaf spray as it stands on the Bench: a jar, a sprayer, a water and a strength. */
export class Spraying {
  private readonly bench: Bench;
  readonly worked = new Resource<Schemas['SprayOut']>();
  readonly hours = new Resource<Schemas['HoursOut']>();
  readonly write = new Write();
  jarId = $state('');
  waterId = $state('');
  vessel = $state<Typed>('');
  said = $state<Typed>(ON_LEAVES);

  spray = $derived(this.worked.data);
  problem = $derived(this.worked.problem);

  constructor(bench: Bench) {
    this.bench = bench;
  }

  get jars(): Schemas['JarOut'][] {
    return this.bench.supplies?.jars.filter((jar) => jar.dissolves) ?? [];
  }

  get sprayers(): Schemas['VesselOut'][] {
    return this.bench.supplies?.vessels.filter((one) => one.kind === 'sprayer') ?? [];
  }

  /** Begin with what is on the Bench, the softest water and the smallest sprayer. */
  begin(): void {
    const [bench, sprayer] = [this.bench, this.sprayers[0]];
    this.jarId ||= this.jars.find((jar) => jar.id === bench.jarId)?.id ?? this.jars[0]?.id ?? '';
    this.waterId ||= bench.supplies?.waters.at(-1)?.id ?? bench.waterId;
    this.vessel ||= volume(sprayer?.volume_l ?? NO_SPRAYER_L, 4);
    void this.work();
    void this.tellHours();
  }

  /** Another jar, at a strength that most leaf stands. */
  pickJar(): void {
    this.said = ON_LEAVES;
    void this.work();
  }

  say(typed: Typed): void {
    this.said = typed;
    void this.work();
  }

  /** So many times as strong. */
  times(factor: number): void {
    const first = this.spray?.sources[0];
    if (first) this.say(`${inUnit(first.per_l * factor, first.unit)}/L`);
  }

  async tellHours(): Promise<void> {
    const stand = garden.stand;
    if (!stand) return;
    const params = { query: { stand_id: stand.id } };
    await this.hours.load((signal) => ask(client.GET('/api/bench/hours', { params, signal })));
  }

  async work(): Promise<void> {
    const stand = garden.stand;
    if (!stand || !this.jarId || !this.waterId) return;
    this.write.begin();
    const body = { ...this.can(), stand_id: stand.id, plants: stand.count };
    await this.worked.load((signal) => ask(client.POST('/api/bench/spray', { body, signal })));
  }

  /** It was sprayed: write down what went in. */
  async send(): Promise<boolean> {
    const stand = garden.stand;
    if (!stand || !this.spray) return false;
    const can = { id: this.write.id('can'), ...this.can() };
    const spray = { id: this.write.id('spray'), stand_id: stand.id, plants: stand.count };
    const headers = asSeen(garden.path?.edition);
    const written = await this.write.send(() =>
      ask(client.POST('/api/sprays', { body: { can, spray }, headers })),
    );
    return written !== null;
  }

  private can() {
    return {
      jar_id: this.jarId,
      water_id: this.waterId,
      vessel: this.vessel,
      strength: this.said,
      reading: 0,
      more: [],
    };
  }
}
