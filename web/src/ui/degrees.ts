export const fromFahrenheit = (typed: number) => ((typed - 32) * 5) / 9;
export const toFahrenheit = (celsius: number) => (celsius * 9) / 5 + 32;
