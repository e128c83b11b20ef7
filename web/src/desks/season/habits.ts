/** Schools as one says them. */
export const SCHOOLS: Record<string, string> = {
  mixed: 'Both',
  soil_first: 'Soil first',
  soluble: 'Soluble',
};

/** Where the slider between money and effort stands, in words. */
export function sliderWords(at: number): string {
  if (at === 0) return 'neither is spared';
  const how = Math.abs(at) > 0.5 ? 'much' : 'a little';
  return at < 0 ? `money is spared, ${how}` : `effort is spared, ${how}`;
}
