import Papa from 'papaparse';
import { performance } from 'node:perf_hooks';
import { EMPTY_LOG } from '../src/core';
import { bringIn, newOf } from '../src/core/sheets/bring';
import { openText } from '../src/core/sheets/bytes';
import { readWorkbook } from '../src/core/sheets/sheet';
import { revisionSchema } from '../src/core/records/schema/revision';
import { print, round3 } from './print';
import { context, sheet, tankId, tidy } from './sheetTexts';

// Sheets of twenty thousand tests, parsed and read, over the time that the parser alone takes.

const stamp = { actId: tankId, device: 'bench', recordedAt: '2026-11-24T12:00:00Z' };

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
