import type { Schemas } from '../../api/client';
import type { Verdict } from '../../app/garden.svelte';

/** What a stop's verdict offers comes first, in its order; the rest stays in its own. */
export function suiting(
  jars: Schemas['ShelfJarOut'][],
  verdict: Verdict | null,
): Schemas['ShelfJarOut'][] {
  const offers = verdict?.offers.map((one) => one.jar_id) ?? [];
  const rank = (jar: Schemas['ShelfJarOut']) => {
    const at = offers.indexOf(jar.id);
    return at < 0 ? offers.length : at;
  };
  return [...jars].sort((a, b) => rank(a) - rank(b));
}
