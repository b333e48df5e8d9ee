import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runCommand } from './commands';

jest.setTimeout(60_000);

const AT = '2026-11-24T12:00:00Z';
const NOW = Date.parse(AT);
const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-acts-'));
const demo = path.join(folder, 'demo.json');
writeFileSync(demo, runCommand(['demo', '--at', AT], NOW));

interface Row {
  id: string;
  actId: string;
  body: Record<string, unknown>;
}
const rows = (text: string) => (JSON.parse(text) as { records: Row[] }).records;
const before = rows(readFileSync(demo, 'utf8'));
/** What an act added to the demo. */
const added = (...argv: string[]) => {
  const key = ({ id, actId }: Row) => `${id}/${actId}`;
  const known = new Set(before.map(key));
  return rows(runCommand(argv, NOW)).filter((row) => !known.has(key(row)));
};
let files = 0;
/** The log after an act, as a file. */
const after = (...argv: string[]) => {
  const file = path.join(folder, `after-${(files += 1)}.json`);
  expect(runCommand([...argv, '--out', file], NOW)).toBe(`Wrote ${file}.`);
  return file;
};

describe('log', () => {
  const readings = 'nitrite 0.25 ppm NO2; ammonia 0.3; pH 8.1';

  it('enters readings as the kits of the log read them, and a note', () => {
    const fresh = added('log', demo, '--tank', 'Kittiwake', '--reading', readings, '--note', 'Dim');
    expect(fresh.map(({ body }) => body.kind)).toEqual(
      expect.arrayContaining(['reading', 'reading', 'reading', 'note']),
    );
    const of = (parameter: string) => fresh.find(({ body }) => body.parameter === parameter)?.body;
    const { steps, low, high } = (of('nitrite') ?? {}).value as {
      steps: number[];
      low: number;
      high: number;
    };
    expect([steps[low], steps[high]]).toEqual([0.25, 0.25]);
    // Between two steps of the card, as an eye would say it.
    const ammonia = of('ammonia')?.value as { steps: number[]; low: number; high: number };
    expect(ammonia.steps[ammonia.low]).toBeLessThan(0.3);
    expect(ammonia.steps[ammonia.high]).toBeGreaterThan(0.3);
  });

  it('turns another unit into that of the kit', () => {
    const [one] = added('log', demo, '--tank', 'Kittiwake', '--reading', 'nitrite 0.0761 ppm N');
    const { steps, high } = (one?.body ?? {}).value as { steps: number[]; high: number };
    expect(steps[high]).toBeCloseTo(0.25, 2);
  });

  it('is one act however often it is given, and leaves the file it read as it was', () => {
    const argv = ['--tank', 'Kittiwake', '--reading', readings, '--at', '2026-11-24T11:00:00Z'];
    const text = readFileSync(demo, 'utf8');
    const once = after('log', demo, ...argv);
    expect(rows(readFileSync(once, 'utf8'))).toHaveLength(before.length + 3);
    expect(rows(runCommand(['log', once, ...argv], NOW))).toHaveLength(before.length + 3);
    expect(readFileSync(demo, 'utf8')).toBe(text);
    expect(JSON.parse(runCommand(['check', once], NOW))).toMatchObject({ valid: true, doubled: 0 });
  });

  test.each([
    [['--reading', 'nitrite'], /is no reading/],
    [['--reading', 'nitrite 0.25-0.5'], /"nitrite 0.25-0.5" is no reading/],
    [['--reading', 'nitrite 1e9'], /is no reading/],
    [['--reading', 'unobtainium 3'], /No test is called "unobtainium"/],
    [['--reading', 'nitrite 0.25 ppm NO3'], /does not say of what|Unknown/],
    [['--reading', 'nitrite 900'], /The card ends at/],
    [['--reading', 'pH 8.1', '--at', '2027-01-01T00:00:00Z'], /lies ahead/],
    [[], /--reading or --note/],
    [['--note', 'x', '--out', demo], /there already/],
    [['--note', 'x', '--out', path.join(folder, 'no', 'where.json')], /Cannot write/],
  ])('is refused with %j', (args, why) => {
    expect(() => runCommand(['log', demo, ...args], NOW)).toThrow(why);
  });
});

describe('done', () => {
  const quick = ['--at', AT, '--particles', '24'];
  interface Due {
    key: string;
    title: string;
    state: string;
  }
  const due = (file: string) =>
    JSON.parse(runCommand(['due', file, '--tank', 'Fulmar', ...quick], NOW)) as Due[];
  const first = due(demo).find(({ title }) => title === 'Daily round');
  if (!first) throw new Error('The demo has no daily round.');

  it('takes a task off what is due, and says nothing twice', () => {
    const file = after('done', demo, first.key, ...quick);
    expect(due(file).find(({ key }) => key === first.key)?.state).not.toBe('due');
    expect(() => runCommand(['done', file, first.key, ...quick], NOW)).toThrow(
      /already|no key|has the key/,
    );
  });

  it('leaves it out with its reason, or puts it off', () => {
    const [skipped] = added('done', demo, first.key, '--skip', 'Away', ...quick);
    expect(skipped?.body).toMatchObject({ kind: 'taskMark', how: 'skipped', reason: 'Away' });
    const [later] = added('done', demo, first.key, '--days', '2', ...quick);
    expect(later?.body).toMatchObject({ how: 'snoozed', title: first.title });
    expect(() => runCommand(['done', demo, 'nothing', ...quick], NOW)).toThrow(/see "due"/);
    expect(() => runCommand(['done', demo, ...quick], NOW)).toThrow(/Name the key/);
  });
});

describe('seen', () => {
  const animals = JSON.parse(runCommand(['quarantine', demo, '--at', AT], NOW)) as unknown;

  it('is the daily check of an animal in quarantine; a second of the day corrects the first', () => {
    expect(JSON.stringify(animals)).toContain('Firefish');
    const file = after('seen', demo, '--animal', 'firefish', '--well', '--at', AT);
    const dailyChecks = (text: string) =>
      rows(text).filter(({ body }) => body.kind === 'dailyCheck').length;
    const again = runCommand(
      ['seen', file, '--animal', 'firefish', '--sign', 'dust', '--at', AT],
      NOW,
    );
    expect(dailyChecks(again) - dailyChecks(readFileSync(file, 'utf8'))).toBeLessThanOrEqual(1);
    const check = JSON.parse(again) as { records: Row[] };
    expect(check.records.some(({ body }) => body.state === 'sign')).toBe(true);
  });

  test.each([
    [['--animal', 'Firefish'], /one of --well/],
    [['--animal', 'Firefish', '--well', '--not-eating'], /one of --well/],
    [['--animal', 'Firefish', '--sign', 'grumpy'], /No sign is called "grumpy"/],
    [['--animal', 'Kraken', '--well'], /No animal in quarantine/],
    [['--well'], /--animal is missing/],
  ])('is refused with %j', (args, why) => {
    expect(() => runCommand(['seen', demo, ...args], NOW)).toThrow(why);
  });
});
