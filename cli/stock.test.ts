import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { toLogFile, writeLogFile } from '../src/core';
import { createRecord } from '../src/core/records/acts';
import { LogBuilder, onDay } from '../src/testing/logBuilder';
import { runCommand } from './commands';

jest.setTimeout(60_000);
const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-stock-'));
const AT = new Date(onDay(35)).toISOString();

/** A tank of so many litres that cleared two doses, with some wishes. */
function fileOf(litres: number, wishes: [string, number][] = []): string {
  const builder = new LogBuilder({
    volume: {
      shell: { by: 'label', litres },
      rockKg: 0,
      rockDensity: 2,
      sandDepth: 3,
      sump: null,
      measuredAtFill: { by: 'litres', litres },
    },
  });
  builder.dose(onDay(0), 2);
  builder.dose(onDay(27), 2);
  builder.dose(onDay(31), 2);
  for (const [day, ammonia, nitrite] of [
    [6, 2, 0.5],
    [12, 0.5, 2],
    [20, 0, 2],
    [26, 0, 0],
    [30, 0, 0],
    [34, 0, 0],
  ] as const) {
    builder.ammonia(onDay(day), ammonia);
    builder.nitrite(onDay(day), nitrite);
  }
  builder.conditions(onDay(34));
  wishes.forEach(([species, count], order) =>
    builder.revisions.push(
      createRecord(builder.stamp(), builder.newId(), 'wish', {
        tankId: builder.tankId,
        species,
        count,
        order,
      }),
    ),
  );
  const name = path.join(folder, `log-${litres}-${wishes.length}.json`);
  writeFileSync(name, writeLogFile(toLogFile(builder.revisions, AT)));
  return name;
}

const run = (...argv: string[]) => JSON.parse(runCommand(argv, onDay(35)));
/** Few particles: what is asked here is what is printed, and the rules behind it. */
const ROUGHLY = ['--at', AT, '--particles', '40'];

describe('plan', () => {
  it('prints dated wishes with what binds each, and what is refused by which rule', () => {
    const file = fileOf(200, [
      ['ocellaris-clownfish', 2],
      ['firefish', 1],
      ['naso-tang', 1],
    ]);
    const plan = run('plan', file, ...ROUGHLY);
    expect(plan.items.map((item: { species: string }) => item.species)).toEqual(
      expect.arrayContaining(['Ocellaris clownfish', 'Firefish']),
    );
    for (const item of plan.items) {
      const { p10, p50, p90 } = item.addOn;
      expect(p10 <= p50 && p50 <= p90).toBe(true);
      expect(Date.parse(item.quarantineFrom)).toBeLessThanOrEqual(
        Date.parse(p50) - 28 * 86_400_000,
      );
      expect(item.because).not.toBe('');
    }
    expect(plan.refused).toEqual([
      expect.objectContaining({ species: 'Naso tang', rule: 'roomToLive' }),
    ]);
    expect(run('plan', file, ...ROUGHLY)).toEqual(plan);
  });
});

describe('add', () => {
  it('says yes to a pair, and no to ten fish in 60 L by its rule', () => {
    const pair = run(
      'add',
      fileOf(200),
      '--species',
      'Ocellaris Clownfish',
      '--count',
      '2',
      ...ROUGHLY,
    );
    expect(pair).toMatchObject({ answer: 'yes', rule: 'fits', most: 2, quarantineDays: 28 });
    expect(pair.peakFreeAmmoniaN.p50).toBeLessThanOrEqual(pair.peakFreeAmmoniaN.p90);
    const ten = run('add', fileOf(60), '--species', 'chalk-bass', '--count', '10', ...ROUGHLY);
    expect([ten.answer, ten.most]).toEqual(['no', 0]);
    expect(ten.because).not.toBe('');
  });

  it('knows no such animal, and which are nearest', () => {
    expect(() => run('add', fileOf(200), '--species', 'yelow tang')).toThrow(
      /nearest names: Yellow tang, .+, .+\./,
    );
    expect(() => run('add', fileOf(200), '--species', 'firefish', '--count', '0')).toThrow(
      /whole number/,
    );
    expect(() => run('add', fileOf(200))).toThrow(/--species/);
  });
});

describe('species and compatible', () => {
  it('print rows and findings', () => {
    expect(run('species', 'oscelaris')[0]).toMatchObject({ id: 'ocellaris-clownfish' });
    expect(run('species').length).toBeGreaterThan(180);
    const both = run(
      'compatible',
      'orchid dottyback',
      "Springer's dottyback",
      '--litres',
      '300',
      '--length',
      '120',
    );
    expect([both.ok, both.findings[0].rule]).toEqual([false, 'lookAlike']);
    expect(run('compatible', 'Firefish', 'Royal gramma', '--litres', '300').ok).toBe(true);
    expect(run('compatible', 'naso tang', '--litres', '200').findings[0]).toMatchObject({
      rule: 'roomToLive',
    });
    expect(() => run('compatible', 'qqqq')).toThrow(/nearest names/);
    expect(() => run('compatible')).toThrow(/at least one/);
  });
});
