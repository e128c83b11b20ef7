/** Several hands in one garden: what another device wrote is read while a page stands open. */
import { ask, client, type Schemas } from '../api/client';
import { dayOf } from '../ui/time';
import { away } from './away/away.svelte';
import { garden } from './garden.svelte';
import { session } from './session.svelte';

const EVERY_MS = 20_000;
/** Pages on which something may stand half typed: the path is read there, the page stays. */
const TYPED_ON = /^\/(bench|setup)/;

/** Whether the page shows an older state, or another day, than the garden's. */
export function behind(
  shown: Pick<Schemas['PathOut'], 'edition' | 'now' | 'zone'>,
  beat: Schemas['PulseOut'],
): boolean {
  return beat.edition !== shown.edition || beat.today !== dayOf(shown.now, shown.zone);
}

/** Ask how far the garden has got, and read again what is behind it. */
export async function beat(): Promise<void> {
  if (document.hidden || away.off || session.lapsed || !garden.path) return;
  const { data } = await ask(client.GET('/api/pulse'));
  if (!data || garden.walked.busy || !behind(garden.path, data)) return;
  await (TYPED_ON.test(location.pathname) ? garden.load() : garden.changed());
}

/** Ask now and then, and whenever the page comes back. */
export function watchPulse(): () => void {
  const back = () => void beat();
  const timer = setInterval(back, EVERY_MS);
  document.addEventListener('visibilitychange', back);
  window.addEventListener('focus', back);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', back);
    window.removeEventListener('focus', back);
  };
}
