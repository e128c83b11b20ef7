import type { Schemas } from '../../api/client';

const STORED = 'dace.remind';
const TOLD = 'dace.reminded';
const LOOKS_MS = 20 * 60_000;
/** A round is for the evening: nobody is reminded before it, nor at night. */
const EVENING = { from: 16, to: 21 } as const;

/** Whether an hour of the day is one in which a round may be spoken of. */
export const isEvening = (hour: number): boolean => hour >= EVENING.from && hour < EVENING.to;

/** What is said of a round; nothing where there is nothing to do. */
export function reminderOf(round: Pick<Schemas['RoundOut'], 'title' | 'left'>): string {
  return round.left > 0 ? `${round.title}: ${round.left} to go.` : '';
}

/** The browser's own notifications of today's round: once an evening, off until they are asked for. */
class Remind {
  on = $state(localStorage.getItem(STORED) === 'on');
  refused = $state(false);

  get possible(): boolean {
    return 'Notification' in window;
  }

  async turn(on: boolean): Promise<void> {
    this.refused = false;
    if (on && this.possible) {
      this.refused = (await Notification.requestPermission()) !== 'granted';
    }
    this.on = on && this.possible && !this.refused;
    localStorage.setItem(STORED, this.on ? 'on' : 'off');
  }

  /** Look at the round now and then while the page is in the background; ends when called. */
  watch(read: () => Promise<Schemas['RoundOut'] | null>): () => void {
    const look = async () => {
      if (!this.on || !document.hidden || !isEvening(new Date().getHours())) return;
      const round = await read();
      if (round) this.told(round);
    };
    const timer = setInterval(() => void look(), LOOKS_MS);
    return () => clearInterval(timer);
  }

  /** The round was read: say once an evening what there is to do. */
  told(round: Schemas['RoundOut'], hour = new Date().getHours()): void {
    const words = reminderOf(round);
    if (!this.on || !words || !isEvening(hour)) return;
    if (localStorage.getItem(TOLD) === round.today) return;
    if (!document.hidden) return; // whoever looks at it needs no reminder
    localStorage.setItem(TOLD, round.today);
    new Notification('Dace', { body: words, tag: 'dace-round' });
  }
}

export const remind = new Remind();
