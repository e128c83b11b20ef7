/** How brown a can looks: brews and liquids colour it by how much of it they make up. */

interface Coloured {
  form: string;
  share: number;
}

/** A tenth of it brewed looks nearly half as brown as the brew itself. */
const DEEP = 4;
/** Bought liquids are paler than brews. */
const PALE = 0.5;

/**
 * The colour of a can.
 *
 * @param lines what goes in, with how much of the can each makes up, 0 to 1
 * @returns how far from water to brew, 0 to .9
 */
export function tintOf(lines: readonly Coloured[]): number {
  const brown = lines.reduce((sum, line) => {
    if (line.form === 'brew') return sum + line.share;
    return line.form === 'liquid' ? sum + PALE * line.share : sum;
  }, 0);
  return Math.min(0.9, DEEP * brown);
}
