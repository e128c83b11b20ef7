import { ask, client, type Problem, type Schemas } from '../../api/client';

const SEEDS = 2 ** 31;

/** Sums that old hands get wrong, one after the other; nothing of it is written down. */
export class Practice {
  turn = $state(0);
  sum = $state<Schemas['ExerciseOut'] | null>(null);
  checked = $state<Schemas['CheckedOut'] | null>(null);
  problem = $state<Problem | null>(null);
  typed = $state('');
  right = $state(0);
  tried = $state(0);
  /** The turn whose sum is shown. */
  private of = 0;
  private readonly seed: number;

  constructor(seed = Math.floor(Math.random() * SEEDS)) {
    this.seed = seed;
  }

  async load(): Promise<void> {
    const turn = this.turn;
    const params = { query: { turn, seed: this.seed } };
    const reply = await ask(client.GET('/api/practice', { params }));
    if (turn !== this.turn) return;
    this.problem = reply.problem ?? null;
    if (!reply.data) return;
    this.sum = reply.data;
    this.of = turn;
    this.checked = null;
    this.typed = '';
  }

  async next(): Promise<void> {
    this.turn += 1;
    await this.load();
  }

  /** Look at what was typed; comma and point both part decimals. */
  async check(): Promise<void> {
    const answer = Number(this.typed.trim().replace(',', '.'));
    if (!this.typed.trim() || !Number.isFinite(answer)) {
      const message = `Read “${this.typed}”; a number such as 45 or 2.5 would do.`;
      this.problem = { field: 'answer', read: this.typed, would_do: 'a number', message };
      return;
    }
    const turn = this.of;
    const body = { turn, seed: this.seed, answer };
    const reply = await ask(client.POST('/api/practice', { body }));
    if (turn !== this.of) return; // she went on to the next sum
    this.problem = reply.problem ?? null;
    if (!reply.data) return;
    if (!this.checked) {
      this.tried += 1;
      this.right += reply.data.right ? 1 : 0;
    }
    this.checked = reply.data;
  }
}
