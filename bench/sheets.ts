import Papa from 'papaparse';
import { performance } from 'node:perf_hooks';
import { EMPTY_LOG } from '../src/core';
import { bringIn, newOf } from '../src/core/sheets/bring';
import { openText } from '../src/core/sheets/bytes';
import { readWorkbook } from '../src/core/sheets/sheet';
import { revisionSchema } from '../src/core/records/schema/revision';
import { print, round3 } from './print';

// Sheets of twenty thousand tests, parsed and read, over the time that the parser alone takes.

const ROWS = 4000;
const DAY = 86_400_000;
const START = Date.UTC(2016, 0, 1);
const two = (n: number) => String(n).padStart(2, '0');
const dayOf = (n: number) => {
  const date = new Date(START + Math.floor(n * 0.97) * DAY);
  return `${two(date.getUTCDate())}/${two(date.getUTCMonth() + 1)}/${date.getUTCFullYear()}`;
};
const sheet = [
  'Date,Time,Ammonia,Nitrite,Nitrate NO3,KH,Salinity',
  ...Array.from(
    { length: ROWS },
    (_, n) =>
      `${dayOf(n)},${two(n % 24)}:${two((n * 7) % 60)},${[0, 0.25, 0.5][n % 3]},${[0, 0.25][n % 2]},${(n % 8) * 5},${(7 + (n % 20) / 10).toFixed(1)},${34 + (n % 3) / 2}`,
  ),
].join('\n');

const tankId = '00000000-0000-7000-8000-000000000001';
const context = {
  now: Date.UTC(2026, 10, 24, 12),
  today: '2026-11-24',
  tanks: [{ id: tankId, name: 'Reef', zone: 'Europe/Berlin', filledOn: '2016-01-01' }],
  tankId,
  kits: [],
  usualOrder: 'dmy' as const,
};
const stamp = { actId: tankId, device: 'bench', recordedAt: '2026-11-24T12:00:00Z' };

const TESTS = 20_000;
/** The same as we write it: one test a row, with its moment in full. */
const tidy = [
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

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;
const took = (work: () => unknown): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const readOf = (text: string) => {
  const opened = openText(text);
  if (!opened.ok) throw new Error(opened.why);
  return readWorkbook(opened.workbook, null, context);
};
const ms = (times: number[]) => round3(median(times));
const TURNS = 15;

// In turn, so that a busy moment of the machine is every one's.
for (const [what, text] of Object.entries({
  'a session a row': sheet,
  'a test a row': tidy,
})) {
  const [parse, whole, records, door]: [number[], number[], number[], number[]] = [[], [], [], []];
  const found = readOf(text);
  const bringing = bringIn(EMPTY_LOG, found, [], stamp);
  for (let turn = 0; turn < TURNS; turn += 1) {
    parse.push(took(() => Papa.parse(text, { delimiter: ',' })));
    whole.push(took(() => readOf(text)));
    records.push(took(() => bringIn(EMPTY_LOG, found, [], stamp)));
    door.push(took(() => bringing.revisions.every((one) => revisionSchema.safeParse(one).success)));
  }
  print('a sheet of tests', {
    what,
    tests: found.readings.length,
    parserMs: ms(parse),
    readMs: ms(whole),
    ratio: round3(median(whole) / median(parse)),
    recordsMs: ms(records),
    schemaMs: ms(door),
    countedMs: round3(took(() => newOf(EMPTY_LOG, found))),
  });
}
