import { tick } from 'svelte';

const CAN_HOLD = 'a[href], button, input, select, textarea, summary, [tabindex="0"]';

/** What last had the keyboard, until something that cannot hold it is pressed. */
let last: HTMLElement | null = null;

/** Begin to remember where the keyboard is. */
export function watchFocus(): void {
  document.addEventListener('focusin', ({ target }) => {
    last = target instanceof HTMLElement ? target : null;
  });
  document.addEventListener('pointerdown', ({ target }) => {
    if (target instanceof Element && !target.closest(CAN_HOLD)) last = null;
  });
}

/**
 * The one of `around` that should have the focus now: `held` itself where it can still hold it,
 * else what follows it, else what stood before it.
 */
export function nearest<T>(around: readonly T[], held: T, holds: (one: T) => boolean): T | null {
  const at = around.indexOf(held);
  if (at < 0) return null;
  const before = around.slice(0, at).reverse();
  return [held, ...around.slice(at + 1), ...before].find(holds) ?? null;
}

/** Make `change`; the focus stays near where it was, though rows move, go or rest meanwhile. */
export async function keepFocusNear(change: () => void): Promise<void> {
  const held = last;
  const area = held?.closest('dialog[open], main, nav, aside');
  const around = [...(area?.querySelectorAll<HTMLElement>(CAN_HOLD) ?? [])];
  change();
  await tick();
  const active = document.activeElement;
  if (!held || held !== last || (active && active !== document.body)) return;
  const next = nearest(around, held, (one) => one.isConnected && !one.matches(':disabled'));
  next?.focus({ preventScroll: next === held });
}
