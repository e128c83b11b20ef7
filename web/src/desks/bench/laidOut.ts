import type { Schemas } from '../../api/client';
import { volume } from '../../app/measures';

/** A verdict's offer as it stands on the Bench; a brew that goes in first stands beside the jar. */
export function laidOut(
  offer: Schemas['PortionOut'],
  verdict: Schemas['VerdictOut'] | null,
  standId: string | undefined,
  usualWater: string,
) {
  const mine = verdict?.each.find((one) => one.stand_id === standId);
  return {
    jar_id: offer.jar_id,
    water_id: offer.water_id ?? usualWater,
    vessel: volume(offer.vessel_l, 4),
    strength: offer.strength,
    litres: mine?.litres ? volume(mine.litres, 4) : '',
    more: offer.base
      ? [{ jar_id: offer.base.jar_id, strength: offer.base.strength, reading: 0 }]
      : [],
  };
}
