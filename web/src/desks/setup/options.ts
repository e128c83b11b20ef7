/** Choices from pairs of value and name. */
export const options = (...pairs: [string, string][]) =>
  pairs.map(([value, name]) => ({ value, name }));
