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

/** What a sign is drawn on, and how: told apart by shape, not by colour alone. */
export type Drawn = { on: 'leaf' | 'fruit' | 'plant' | 'root' | 'pot'; how: string };

const HOW: Record<string, string> = {
  old_even_pale: 'pale',
  old_between_veins: 'veins',
  old_edge_scorch: 'edge',
  old_purple: 'under',
  old_spots_rings: 'rings',
  old_white_powder: 'powder',
  old_one_side_yellow: 'half',
  old_bottom_two: 'low',
  new_veins_green: 'veins',
  new_even_pale: 'pale',
  mid_mottle: 'mottle',
  tip_burn_inner: 'inner',
  new_fern_twist: 'twist',
  new_thick_brittle: 'thick',
  new_mosaic: 'mosaic',
  leaf_roll_low: 'roll',
  claw_dark: 'claw',
  edge_cup_up: 'cup',
  tip_black: 'tip',
  stipple_silver: 'dots',
  bleach_patch: 'patch',
  holes: 'holes',
  whiptail: 'thin',
  no_tip: 'none',
  fruit_end_black: 'end',
  fruit_crack: 'crack',
  fruit_blotch: 'blotch',
  fruit_sunscald: 'patch',
  lush_no_fruit: 'lush',
  flower_drop: 'drop',
  fruit_bent: 'bent',
  young_fruit_rot: 'rot',
  fruit_catface: 'scar',
  hollow_brown_heart: 'hollow',
  root_forked: 'fork',
  scab: 'scab',
  all_tops: 'tops',
  thick_neck: 'neck',
  corn_gaps: 'gaps',
  wilt_noon: 'noon',
  wilt_wet: 'wilt',
  stunt_dark: 'stunt',
  seedling_leggy: 'leggy',
  seedling_collapse: 'fallen',
  seedling_stuck: 'stuck',
  bolting: 'bolt',
  soft_aphids: 'insects',
  burn_after_feed: 'edge',
  yellow_after_woodchip: 'pale',
  acid_crop_yellow: 'net',
  citrus_winter: 'shed',
  white_crust: 'crust',
  green_algae: 'film',
  gnats: 'flies',
  fuzzy_mould: 'fuzz',
  root_brown: 'slime',
  root_circle: 'circle',
  water_runs_through: 'runs',
  ammonia_smell: 'smell',
  blight_collapse: 'blight',
};

const LEAFY = new Set(['pale', 'veins', 'edge', 'half']);

/** How a sign is drawn. */
export function drawnAs(sign: { key: string; position: string }): Drawn {
  const how = HOW[sign.key] ?? 'pale';
  if (sign.position.endsWith('leaves')) return { on: 'leaf', how };
  if (sign.position === 'fruit') return { on: 'fruit', how };
  if (sign.position.startsWith('root')) return { on: 'root', how };
  if (sign.position === 'medium surface') return { on: 'pot', how };
  return { on: LEAFY.has(how) ? 'leaf' : 'plant', how };
}

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
