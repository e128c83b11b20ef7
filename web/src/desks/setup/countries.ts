/** Where a garden may be, with what follows from it; figures are for the middle of each. */
export interface Country {
  name: string;
  latitude: number;
  zone: string;
  measures: 'metric' | 'us' | 'imperial' | 'australian';
  degrees: 'C' | 'F';
}

export const COUNTRIES: Country[] = [
  {
    name: 'Australia',
    latitude: -34,
    zone: 'Australia/Sydney',
    measures: 'australian',
    degrees: 'C',
  },
  { name: 'Canada', latitude: 45, zone: 'America/Toronto', measures: 'metric', degrees: 'C' },
  { name: 'France', latitude: 47, zone: 'Europe/Paris', measures: 'metric', degrees: 'C' },
  { name: 'Germany', latitude: 51, zone: 'Europe/Berlin', measures: 'metric', degrees: 'C' },
  { name: 'India', latitude: 21, zone: 'Asia/Kolkata', measures: 'metric', degrees: 'C' },
  { name: 'Ireland', latitude: 53, zone: 'Europe/Dublin', measures: 'metric', degrees: 'C' },
  { name: 'Netherlands', latitude: 52, zone: 'Europe/Amsterdam', measures: 'metric', degrees: 'C' },
  {
    name: 'New Zealand',
    latitude: -41,
    zone: 'Pacific/Auckland',
    measures: 'metric',
    degrees: 'C',
  },
  {
    name: 'South Africa',
    latitude: -30,
    zone: 'Africa/Johannesburg',
    measures: 'metric',
    degrees: 'C',
  },
  { name: 'Spain', latitude: 40, zone: 'Europe/Madrid', measures: 'metric', degrees: 'C' },
  { name: 'United Kingdom', latitude: 52, zone: 'Europe/London', measures: 'metric', degrees: 'C' },
  { name: 'United States', latitude: 39, zone: 'America/New_York', measures: 'us', degrees: 'F' },
];

/** The country whose zone the device keeps, or the first one in the same part of the world. */
export function likelyCountry(zone: string): Country | undefined {
  const region = zone.split('/')[0] ?? '';
  return (
    COUNTRIES.find((one) => one.zone === zone) ??
    COUNTRIES.find((one) => one.zone.startsWith(`${region}/`))
  );
}
