import Papa from 'papaparse';
import { performance } from 'node:perf_hooks';
import { EMPTY_LOG } from '../src/core';
import { bringIn, newOf } from '../src/core/sheets/bring';
import { openText } from '../src/core/sheets/bytes';
import { readWorkbook } from '../src/core/sheets/sheet';
import { revisionSchema } from '../src/core/records/schema/revision';
import { print, round3 } from './print';

// A sheet of 20,000 tests, parsed and read, over the time that the parser alone takes.

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

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;
const took = (work: () => unknown): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const read = () => {
  const opened = openText(sheet);
  if (!opened.ok) throw new Error(opened.why);
  return readWorkbook(opened.workbook, null, context);
};

const found = read();
const bringing = bringIn(EMPTY_LOG, found, [], stamp);
// In turn, so that a busy moment of the machine is every one's.
const [parse, whole, records, door]: [number[], number[], number[], number[]] = [[], [], [], []];
for (let turn = 0; turn < 15; turn += 1) {
  parse.push(took(() => Papa.parse(sheet, { delimiter: ',' })));
  whole.push(took(read));
  records.push(took(() => bringIn(EMPTY_LOG, found, [], stamp)));
  door.push(took(() => bringing.revisions.every((one) => revisionSchema.safeParse(one).success)));
}
const ms = (times: number[]) => round3(median(times));
print('a sheet of tests', {
  tests: found.readings.length,
  parserMs: ms(parse),
  readMs: ms(whole),
  ratio: round3(median(whole) / median(parse)),
  recordsMs: ms(records),
  schemaMs: ms(door),
  countedMs: round3(took(() => newOf(EMPTY_LOG, found))),
});
