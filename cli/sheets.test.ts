import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runCommand } from './commands';

const AT = '2026-11-24T12:00:00Z';
const NOW = Date.parse(AT);
const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-sheets-'));
const at = (name: string) => path.join(folder, name);
const write = (name: string, text: string) => {
  writeFileSync(at(name), text);
  return at(name);
};
const run = (...argv: string[]) => runCommand(argv, NOW);
const demo = write('demo.json', run('demo', '--at', AT));
const records = (text: string) =>
  (JSON.parse(text) as { records: { id: string; type: string }[] }).records;
const SHEET = write('mine.csv', 'Date,Nitrate,KH\n01/02/2026,5,8.1\n02/02/2026,10,7.9\n');
interface Said {
  readings: number;
  questions: { key: string; likely: string }[];
  mapping: object;
}
const asked = (): Said => JSON.parse(run('import', demo, SHEET, '--tank', 'Fulmar')) as Said;

describe('a sheet and a log', () => {
  it('says how a sheet would be read, what is asked, and writes nothing', () => {
    const { readings, questions } = asked();
    expect(readings).toBe(4);
    expect(questions.map(({ key }) => key)).toEqual(['order']);
  });

  it('brings it in under a mapping, once', () => {
    const map = write('map.json', JSON.stringify(asked().mapping));
    const out = at('after.json');
    expect(run('import', demo, SHEET, '--tank', 'Fulmar', '--map', map, '--out', out)).toBe(
      `Wrote ${out}.`,
    );
    const before = records(readFileSync(demo, 'utf8')).length;
    const fresh = records(readFileSync(out, 'utf8')).length - before;
    expect(fresh).toBeGreaterThanOrEqual(4);
    expect(() => run('import', out, SHEET, '--tank', 'Fulmar', '--map', map)).toThrow(/has it all/);
    expect(JSON.parse(run('diff', demo, out))).toMatchObject({
      onlyInFirst: { records: 0 },
      onlyInSecond: { records: fresh },
      conflicts: 0,
    });
    expect(records(run('merge', demo, out))).toHaveLength(before + fresh);
    expect(records(run('merge', out, demo))).toEqual(records(run('merge', demo, out)));
  });

  it('gives the tests of a log as sheets, and as lines', () => {
    const [headings, ...rows] = run('export', demo, '--as', 'csv')
      .replace('\uFEFF', '')
      .split('\r\n');
    expect(headings).toBe(
      'tank,time,parameter,value,low,high,unit,basis,kit,dilution,corrected,note',
    );
    const readings = Object.values(
      (JSON.parse(run('check', demo)) as { readings: Record<string, number> }).readings,
    ).reduce((sum, count) => sum + count, 0);
    expect(rows.filter((row) => /,\d{4}-\d\d-\d\dT/.test(row)).length).toBe(readings);
    expect(run('export', demo, '--as', 'wide')).toMatch(/^\uFEFFTank,Date,Time,Ammonia \(ppm /);
    const lines = run('export', demo, '--as', 'ndjson').split('\n');
    expect(lines).toHaveLength(records(readFileSync(demo, 'utf8')).length);
    expect(lines.every((line) => (JSON.parse(line) as { id: string }).id !== '')).toBe(true);
  });

  it('prints a report of a tank, with the dates of its plan', () => {
    const of = ['--as', 'report', '--tank', 'Kittiwake', '--particles', '60'];
    const report = run('export', demo, ...of);
    expect(report).toMatch(/^# Kittiwake\n/);
    expect(report).toContain('| Ammonia reads zero | ');
    expect(report).toMatch(/\| Ocellaris clownfish × 2 \| \d+ \w+ \d{4} \|/);
    expect(run('export', demo, ...of)).toBe(report);
  });

  it.each([
    [['export', demo], /--as csv\|wide\|ndjson/],
    [['export', demo, '--as', 'pdf'], /not "pdf"/],
    [['import', demo], /Name the spreadsheet/],
    [['import', demo, at('none.csv')], /Cannot read/],
    [['import', demo, write('book.xlsx', 'PK\u0003\u0004rest')], /workbook/],
    [['import', demo, write('log.csv', '{"format":"zoarium-log"}')], /exported log/],
    [['import', demo, SHEET, '--map', write('bad.json', '{}')], /bad\.json/],
    [['import', demo, SHEET, '--map', write('worse.json', 'no')], /no JSON/],
    [['merge', demo], /Name the exported log/],
  ])('%j is refused in words', (argv, why) => {
    expect(() => run(...(argv as string[]))).toThrow(why);
  });
});
