import type { Schemas } from '../../api/client';
import type { Typed } from '../../ui/typed';
import { A_LITTLE } from './strength';

type Poured = Schemas['PreviewOut']['more'][number];
/** A further source in the can, at a strength as it was said. */
interface Row {
  jarId: string;
  said: Typed;
  reading: number;
}

const MOST = 5;

/** An amount as it is typed: four digits and its unit. */
export const inUnit = (amount: number, unit: string): string =>
  `${Number(amount.toPrecision(4))} ${unit}`;

/** What else is poured into a can, in order; each change is worked out anew. */
export class Beside {
  rows = $state<Row[]>([]);
  private readonly changed: () => void;

  constructor(changed: () => void) {
    this.changed = changed;
  }

  /** Jars that can still be poured in. */
  left(jars: Schemas['JarOut'][], firstId: string): Schemas['JarOut'][] {
    if (this.rows.length >= MOST) return [];
    const there = [firstId, ...this.rows.map((one) => one.jarId)];
    return jars.filter((jar) => jar.dissolves && jar.stock > 0 && !there.includes(jar.id));
  }

  /** Another source, weak to begin with. */
  pourIn(jar: Schemas['JarOut']): void {
    this.rows = [...this.rows, { jarId: jar.id, said: A_LITTLE, reading: 0 }];
    this.changed();
  }

  takeOut(jarId: string): void {
    this.rows = this.rows.filter((one) => one.jarId !== jarId);
    this.changed();
  }

  /** How much of one, as typed or as its level was moved to. */
  say(jarId: string, said: Typed): void {
    this.rows = this.rows.map((one) => (one.jarId === jarId ? { ...one, said, reading: 0 } : one));
    this.changed();
  }

  /** Just these, as Dace found them. */
  take(sources: { jar_id: string; strength: string }[]): void {
    this.rows = sources.map((one) => ({ jarId: one.jar_id, said: one.strength, reading: 0 }));
  }

  /** Half of each. */
  halve(poured: Poured[]): void {
    this.rows = this.rows.map((one) => {
      const row = poured.find((other) => other.jar_id === one.jarId);
      return row ? { ...one, said: inUnit(row.amount / 2, row.unit), reading: 0 } : one;
    });
  }

  clear(): void {
    this.rows = [];
  }

  /** As the server is asked for them. */
  asked(): Schemas['SourceIn'][] {
    return this.rows.map((one) => ({
      jar_id: one.jarId,
      strength: one.said,
      reading: one.reading,
    }));
  }
}
