import type { Schemas } from '../../api/client';
import { volume } from '../../app/measures';

/** A verdict's offer as it stands on the Bench; a brew that goes in first stands beside the jar. */
export function laidOut(
  offer: Schemas['PortionOut'],
  verdict: Schemas['VerdictOut'] | null,
  standId: string | undefined,
  usualWater: string,
  plants = 1,
) {
  const mine = verdict?.each.find((one) => one.stand_id === standId);
  /** One fill may be less than this stop takes: then as many as do. */
  const fills = Math.max(1, Math.ceil(((mine?.litres ?? 0) * plants) / offer.vessel_l - 1e-6));
  return {
    jar_id: offer.jar_id,
    water_id: offer.water_id ?? usualWater,
    vessel: volume(offer.vessel_l * fills, 4),
    strength: offer.strength,
    litres: mine?.litres ? volume(mine.litres, 4) : '',
    more: offer.base
      ? [{ jar_id: offer.base.jar_id, strength: offer.base.strength, reading: 0 }]
      : [],
  };
}
