import { ask, client, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';

/** Where on a plant a sign is seen, as the table has it, in the order of a plant from above. */
export const POSITIONS = [
  'new leaves',
  'old leaves',
  'fruit',
  'whole plant',
  'root/bulb',
  'root zone',
  'medium surface',
] as const;

/** What was scored so far of one stand; pressing a point again takes it back. */
export function scored(
  scores: Record<string, number>,
  scale: string,
  point: number,
): Record<string, number> {
  const { [scale]: before, ...rest } = scores;
  return before === point ? rest : { ...rest, [scale]: point };
}

class Looks {
  readonly scoring = new Resource<Schemas['ScoringOut']>();
  readonly signs = new Resource<Schemas['SignsOut']>();
  readonly read = new Resource<Schemas['SignReadOut']>();

  loadScoring(): Promise<void> {
    return this.scoring.load((signal) => ask(client.GET('/api/scoring', { signal })));
  }

  loadSigns(): Promise<void> {
    return this.signs.load((signal) => ask(client.GET('/api/signs', { signal })));
  }

  readSign(stand_id: string, sign: string, facts: Record<string, number>): Promise<void> {
    const body = { stand_id, sign, facts };
    return this.read.load((signal) => ask(client.POST('/api/signs/read', { body, signal })));
  }
}

export const looks = new Looks();
