/** Where the garden is, for how its dates and clocks are written. */
class Region {
  /** It measures in American gallons: the month comes first, and the clock has twelve hours. */
  american = $state(false);
}

export const region = new Region();
