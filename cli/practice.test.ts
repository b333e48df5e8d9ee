import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { writeRun } from '../src/core/practice/run/runFile';
import { runCommand } from './commands';
import { CliError } from './errors';
import { LAWS_NOW } from '../src/core/practice/world/nature';

const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-practice-'));
const file = path.join(folder, 'run.json');
writeFileSync(
  file,
  writeRun({
    header: {
      seed: 7,
      situation: 'chloramine',
      startedAt: '2026-05-04T09:00:00.000Z',
      zone: 'UTC',
      laws: LAWS_NOW,
      clock: '2026-05-10T09:00:00.000Z',
      said: [],
      answer: null,
    },
    records: [],
  }),
);

interface Printed {
  day: number;
  deeds: { day: number; what: string }[];
  truth: { day: number; ammonia: number }[];
  fingerprint: string;
}
const practice = (...args: string[]) =>
  JSON.parse(runCommand(['practice', file, ...args], 0)) as Printed;

describe('practice', () => {
  it('lives a practice again: deeds, and what was truly so, day by day', () => {
    const { day, deeds, truth, fingerprint } = practice();
    expect(day).toBe(18);
    expect(deeds.map(({ what }) => what)).toContain('Ammonium chloride');
    expect(truth.map((row) => row.day)).toEqual(Array.from({ length: 19 }, (_, n) => n));
    expect(truth[12]?.ammonia).toBeGreaterThan(2);
    expect(practice().fingerprint).toBe(fingerprint);
  });

  it('stops at a day of it, and at none beyond it', () => {
    const earlier = practice('--until', '13');
    expect(earlier.day).toBe(13);
    expect(earlier.truth).toEqual(practice().truth.slice(0, 14));
    expect(() => practice('--until', '40')).toThrow(/it has come to day 18/);
  });

  it.each([
    [[], /Name the file/],
    [[path.join(folder, 'none.json')], /There is no file/],
  ])('says what is wrong with %j', (args, why) => {
    expect(() => runCommand(['practice', ...args], 0)).toThrow(why);
    expect(() => runCommand(['practice', ...args], 0)).toThrow(CliError);
  });
});
