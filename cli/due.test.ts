import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runCommand } from './commands';

jest.setTimeout(60_000);

const NOW = Date.parse('2026-11-24T12:00:00Z');
const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'zoarium-due-')), 'demo.json');
writeFileSync(file, runCommand(['demo', '--at', '2026-11-24T12:00:00Z'], NOW));

interface Row {
  key: string;
  tank: string;
  title: string;
  because: string;
  from: string;
  until: string;
  minutes: number;
  state: string;
}
const due = (...args: string[]) =>
  JSON.parse(runCommand(['due', file, '--particles', '40', ...args], NOW)) as Row[];

describe('due', () => {
  it('lists what is to be done at all tanks, each once, by its day', () => {
    const rows = due('--days', '10');
    expect(new Set(rows.map(({ tank }) => tank)).size).toBeGreaterThan(2);
    expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
    expect(rows.map(({ from }) => from)).toEqual(rows.map(({ from }) => from).toSorted());
    for (const { from, until, minutes, because, state } of rows) {
      expect(Date.parse(until)).toBeGreaterThan(Date.parse(from));
      expect(Date.parse(from)).toBeLessThanOrEqual(NOW + 10 * 86_400_000);
      expect(minutes).toBeGreaterThan(0);
      expect(because).not.toBe('');
      const today = from.slice(0, 10) === '2026-11-24';
      if (state === 'due') expect(today).toBe(true);
      if (state === 'overdue') expect(Date.parse(until)).toBeLessThanOrEqual(NOW);
    }
    expect(rows.map(({ title }) => title)).toContain('Change water in quarantine');
  });

  it('lists every time of a chore over the days asked for, and no further', () => {
    const rounds = due('--tank', 'Fulmar', '--days', '20').filter(
      ({ title }) => title === 'Daily round',
    );
    const days = rounds.map(({ from }) => from);
    expect(days).toHaveLength(21);
    expect(days).toEqual([...new Set(days)].toSorted());
  });

  it('of one tank is that tank alone, and of one that is not there an error', () => {
    const rows = due('--tank', 'Spare tank', '--days', '0');
    expect(new Set(rows.map(({ tank }) => tank))).toEqual(new Set(['Spare tank']));
    expect(rows.every(({ state }) => state !== 'ahead')).toBe(true);
    expect(() => due('--tank', 'Puffin')).toThrow(/Puffin/);
    expect(() => due('--days', '9999')).toThrow(/--days must lie between 0 and 366/);
  });
});
