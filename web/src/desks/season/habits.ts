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

/** Days of the week as they are sent and as they are shown. */
export const EVENINGS: Record<string, string> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};

/** The evenings with one more or one less, in the order of the week. */
export function toggled(chosen: string[], day: string): string[] {
  const more = chosen.includes(day) ? chosen.filter((one) => one !== day) : [...chosen, day];
  return Object.keys(EVENINGS).filter((one) => more.includes(one));
}
