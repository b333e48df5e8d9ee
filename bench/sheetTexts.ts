// Sheets of twenty thousand tests: as people keep them, and as we write them.

const ROWS = 4000;
const DAY = 86_400_000;
const START = Date.UTC(2016, 0, 1);
const two = (n: number) => String(n).padStart(2, '0');
const dayOf = (n: number) => {
  const date = new Date(START + Math.floor(n * 0.97) * DAY);
  return `${two(date.getUTCDate())}/${two(date.getUTCMonth() + 1)}/${date.getUTCFullYear()}`;
};
export const sheet = [
  'Date,Time,Ammonia,Nitrite,Nitrate NO3,KH,Salinity',
  ...Array.from(
    { length: ROWS },
    (_, n) =>
      `${dayOf(n)},${two(n % 24)}:${two((n * 7) % 60)},${[0, 0.25, 0.5][n % 3]},${[0, 0.25][n % 2]},${(n % 8) * 5},${(7 + (n % 20) / 10).toFixed(1)},${34 + (n % 3) / 2}`,
  ),
].join('\n');

const TESTS = 20_000;
/** The same as we write it: one test a row, with its moment in full. */
export const tidy = [
  'tank,time,parameter,value,low,high,unit,basis,kit,dilution,corrected,note',
  ...Array.from({ length: TESTS }, (_, n) => {
    const test = [
      `ammonia,${[0, 0.25, 0.5][n % 3]},,,ppm,NH4`,
      `nitrite,${[0, 0.25][n % 2]},,,ppm,NO2`,
      `nitrate,${(n % 8) * 5},,,ppm,NO3`,
      `alkalinity,${(7 + (n % 20) / 10).toFixed(1)},,,dKH,`,
      `salinity,${34 + (n % 3) / 2},,,ppt,`,
    ][n % 5];
    const session = Math.floor(n / 5);
    const at = new Date(START + Math.floor(session * 0.97) * DAY + (session % 24) * 3_600_000);
    return `Reef,${at.toISOString().slice(0, 16)}:00+00:00,${test},,1,,`;
  }),
].join('\n');

export const tankId = '00000000-0000-7000-8000-000000000001';
/** What they are read against. */
export const context = {
  now: Date.UTC(2030, 10, 24, 12),
  today: '2030-11-24',
  tanks: [{ id: tankId, name: 'Reef', zone: 'Europe/Berlin', filledOn: '2016-01-01' }],
  tankId,
  kits: [],
  usualOrder: 'dmy' as const,
};
