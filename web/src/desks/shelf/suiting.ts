import type { Schemas } from '../../api/client';

const LEAFY = ['seedling', 'establishing', 'vegetative', 'heading'];

/** What suits a stage comes first; the rest stays in its order. */
export function suiting(jars: Schemas['ShelfJarOut'][], stage: string): Schemas['ShelfJarOut'][] {
  if (!stage) return jars;
  const wanted = LEAFY.includes(stage) ? 'leaf' : 'flower and fruit';
  const rank = (jar: Schemas['ShelfJarOut']) => (jar.suits === wanted ? 0 : 1);
  return [...jars].sort((one, other) => rank(one) - rank(other));
}
