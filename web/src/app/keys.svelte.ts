import { tick } from 'svelte';
import { may } from '../ui/may.svelte';
import { garden } from './garden.svelte';
import { DESKS, type PagePath } from './desks';
import { tables } from './tables.svelte';
import { undo } from './undo.svelte';
import { navigate } from './way';
import { working } from './working.svelte';

const STORED = 'dace.single-keys';

/** What keys open: the reading and the help are drawn by the shell. */
class Keys {
  helpOpen = $state(false);
  readingOpen = $state(false);
  /** What the pen is in, where a page or a button says so; else the likeliest thing. */
  readingOf = $state('');
  /** The subject of the page that is shown, which a reading is most likely of. */
  here = $state('');
  findOpen = $state(false);
  /** The sheet of scores, which a key or a button opens from anywhere. */
  looksOpen = $state(false);
  chart = $state(false);
  /** Single keys can be turned off, for whoever presses them by accident. */
  on = $state(localStorage.getItem(STORED) !== 'off');

  turn(on: boolean): void {
    this.on = on;
    localStorage.setItem(STORED, on ? 'on' : 'off');
  }

  /** A page is about this subject, until it is left: for an effect. */
  standAt(subjectId: string): () => void {
    this.here = subjectId;
    return () => (this.here = '');
  }

  /** Ask for a reading: of this, or of what the page is about. */
  read(subjectId = this.here): void {
    if (!may.write) return;
    this.readingOf = subjectId;
    this.readingOpen = true;
  }

  readonly press = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (!this.on && event.key !== '?') return;
    if (document.querySelector('dialog[open]')) return;
    const act = this.actOf(event.key);
    if (!act) return;
    event.preventDefault();
    act();
  };

  private actOf(key: string): (() => void) | undefined {
    const desk = DESKS[Number(key) - 1];
    if (desk) return () => goTo(desk.path);
    const acts: Record<string, () => void> = {
      '[': () => garden.step(-1),
      ']': () => garden.step(1),
      p: () => goTo('/bench'),
      r: () => this.read(),
      o: () => (this.looksOpen = may.write),
      u: () => void (may.write && undo.take()),
      w: () => (working.folded = !working.folded),
      c: () => (this.chart = !this.chart),
      t: tables.turn,
      '/': () => (this.findOpen = true),
      '?': () => (this.helpOpen = true),
    };
    return acts[key];
  }
}

/** To a desk, keeping the chosen stop; the focus goes to its heading. */
export async function goTo(path: PagePath, more: Record<string, string> = {}): Promise<void> {
  const stop = garden.stop?.id;
  await navigate(path, { ...(stop ? { stop } : {}), ...more });
  await tick();
  document.querySelector<HTMLElement>('#desk')?.focus();
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest('input, select, textarea') !== null;
}

export const keys = new Keys();
