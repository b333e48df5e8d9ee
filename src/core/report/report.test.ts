import { demoLog } from '../demo/demoLog';
import { verdictOf } from '../cycle/verdict/verdict';
import { tankHistory } from '../history/derive';
import { bandsOf } from '../parameters/bands';
import { METRIC_SETTINGS, US_SETTINGS } from '../records/schema/settings';
import { EMPTY_LOG, mergeRevisions, type Log } from '../records/log';
import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { REPORT_CAUTION, reportOf } from './report';
import { reportText } from './text';
import { REPORT_WORDS } from './words';

const NOW = Date.parse('2026-11-24T12:00:00Z');

function report(log: Log, tankId: string, now = NOW, settings = METRIC_SETTINGS) {
  const history = tankHistory(log, tankId, now);
  const bands = bandsOf('mixedReef', {});
  const verdict = verdictOf(history, now, bands);
  const given = { log, history, now, bands, settings, verdict, forecast: null, plan: null };
  return reportOf(given, REPORT_WORDS);
}

let ids = 0;
const demo = mergeRevisions(
  EMPTY_LOG,
  demoLog({ now: NOW, zone: 'UTC', device: 'x', newId: () => testId((ids += 1)) }),
);
const named = (name: string) => demo.tanks.find(({ body }) => body.name === name)?.id ?? '';
const part = (of: ReturnType<typeof report>, id: string) =>
  of.sections.find((one) => one.id === id);

describe('a report of a tank', () => {
  it('gives the verdict with the evidence of every criterion, and the course of the cycle', () => {
    const verdict = part(report(demo, named('Kittiwake')), 'verdict');
    expect(verdict?.lines[0]).toMatch(/Not yet ready/);
    expect(verdict?.table?.rows.length).toBeGreaterThan(10);
    for (const [title, standing, because] of verdict?.table?.rows ?? []) {
      expect(title).not.toBe('');
      expect(['met', 'not yet', 'cannot tell']).toContain(standing);
      expect(because).not.toBe('');
    }
    expect(verdict?.cycle).toBe(true);
  });

  it('of a tank that runs has no criteria of a cycle, and says who lives in it and who was lost', () => {
    const running = report(demo, named('Fulmar'));
    expect(part(running, 'verdict')?.table).toBeUndefined();
    const roster = part(running, 'roster')?.table?.rows ?? [];
    expect(roster.map(([who]) => who)).toContain('Clownfish × 2');
    expect(roster.find(([who]) => who === 'Clownfish × 2')?.[1]).toBe('Amphiprion ocellaris');
    const lost = part(running, 'losses')?.table?.rows ?? [];
    expect(lost.map(([who]) => who)).toEqual(['Tailspot blenny', 'Cerith snails']);
  });

  it('names what each figure was read with, once for each kit that was used', () => {
    const rows = part(report(demo, named('Kittiwake')), 'instruments')?.table?.rows ?? [];
    expect(rows.map(([name]) => name)).toContain('Refractometer');
    const readings = rows.reduce((sum, row) => sum + Number.parseInt(row[3] ?? '', 10), 0);
    expect(readings).toBe(tankHistory(demo, named('Kittiwake'), NOW).entries.reading.length);
  });

  it('has as many cells in each row of a table as the table has columns', () => {
    for (const { id } of demo.tanks) {
      for (const { table } of report(demo, id).sections) {
        for (const row of table?.rows ?? []) expect(row).toHaveLength(table?.columns.length ?? 0);
      }
    }
  });

  it('is in the keeper’s own measures throughout', () => {
    for (const { id } of demo.tanks) {
      const { sections } = report(demo, id, NOW, US_SETTINGS);
      for (const { lines, table } of sections) {
        for (const text of [...lines, ...(table?.rows.flat() ?? [])]) {
          expect(text).not.toMatch(/\d (L|cm)\b/);
        }
      }
    }
  });

  it('of an empty tank says that there is nothing yet, part by part', () => {
    const builder = new LogBuilder({ filledOn: null, lid: false, heaterVerifiedOn: null });
    const empty = report(builder.log(), builder.tankId, onDay(1));
    for (const { id, lines } of empty.sections) expect([id, lines.join('')]).not.toEqual([id, '']);
    expect(part(empty, 'tank')?.lines).toContain('It is not filled yet.');
    expect(part(empty, 'instruments')?.lines).toEqual(['Nothing was tested yet.']);
  });

  it('keeps to the last sixty days of what was done, and says how much more there is', () => {
    const builder = new LogBuilder();
    for (let day = 1; day <= 100; day += 1) {
      for (const hour of [6, 12]) builder.waterChange(onDay(day, hour), 5);
    }
    const care = part(report(builder.log(), builder.tankId, onDay(100, 13)), 'care');
    expect(care?.table?.rows).toHaveLength(60);
    expect(care?.lines[0]).toBe('The last 60 days, the newest first; 60 more before these.');
  });
});

describe('its text', () => {
  it('has every part under its heading, tables that hold together, and the caution last', () => {
    const text = reportText(report(demo, named('Fulmar')));
    for (const heading of ['How it stands', 'Water', 'Who lives in it', 'Who was lost']) {
      expect(text).toContain(`\n## ${heading}\n`);
    }
    expect(text).not.toContain('**');
    expect(text.trimEnd().endsWith(REPORT_CAUTION)).toBe(true);
  });

  it('lets no name break its tables', () => {
    const builder = new LogBuilder();
    builder.entry(onDay(2), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'A | B\nC',
      source: '| x |',
    });
    const text = reportText(report(builder.log(), builder.tankId, onDay(3)));
    expect(text).toContain('| A \\| B C |');
  });
});
