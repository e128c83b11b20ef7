import { ask, client, type Schemas } from '../../api/client';
import { laidOut } from '../../desks/bench/laidOut';
import { USUAL } from '../../desks/bench/strength';
import { garden } from '../garden.svelte';
import { volume } from '../measures';
import { away } from './away.svelte';

/** Soon after a page opened; once read, after the last of several writes. */
const [FIRST_MS, AGAIN_MS] = [2500, 20_000];
let timer: ReturnType<typeof setTimeout> | undefined;
let read = false;

/**
 * What a walk to the far tubs wants, read ahead: path, round, supplies, what can be read and
 * scored, and each stop's can as its verdict has it. Only where the shell stands offline, too.
 */
export function prepareSoon(): void {
  clearTimeout(timer);
  if (!navigator.serviceWorker?.controller) return;
  away.ready = false;
  timer = setTimeout(() => void prepare(), read ? AGAIN_MS : FIRST_MS);
}

async function prepare(): Promise<void> {
  if (away.off) return;
  const supplies = (await ask(client.GET('/api/bench'))).data;
  await ask(client.GET('/api/round'));
  await ask(client.GET('/api/round/ahead'));
  await ask(client.GET('/api/scoring'));
  await ask(client.GET('/api/readables', { params: { query: {} } }));
  await ask(client.GET('/api/notebook', { params: { query: {} } }));
  if (supplies) await ask(client.POST('/api/bench/preview', { body: unasked(supplies) }));
  for (const stop of garden.stops) {
    const params = { query: { stop: stop.id } };
    await ask(client.GET('/api/readables', { params }));
    if (supplies) await cansOf(stop, supplies);
  }
  away.ready = read = !away.off;
}

/** The can that stands on the Bench where no stop is chosen. */
function unasked(supplies: Schemas['SuppliesOut']): Schemas['PreviewIn'] {
  const jar = supplies.jars.find((one) => one.dissolves && one.stock > 0);
  return {
    jar_id: jar?.id ?? '',
    water_id: supplies.waters[0]?.id ?? '',
    vessel: volume(supplies.vessels[0]?.volume_l ?? 9, 4),
    strength: USUAL,
    reading: 0,
    stand_id: null,
    plants: null,
    litres: '',
    more: [],
  };
}

/** The can of each verdict along a stop, worked out before it is asked for. */
async function cansOf(stop: Schemas['StopOut'], supplies: Schemas['SuppliesOut']): Promise<void> {
  for (const { verdict, stand_ids } of stop.spots) {
    const stand = stop.stands.find((one) => stand_ids.includes(one.id));
    const offer = verdict.offers.find((one) => one.vessel_l > 0);
    if (!stand || !offer || away.off) continue;
    const laid = laidOut(offer, verdict, stand.id, supplies.waters[0]?.id ?? '', stand.count);
    const body = { ...laid, reading: 0, stand_id: stand.id, plants: stand.count };
    await ask(client.POST('/api/bench/preview', { body }));
  }
}
