import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runCommand } from './commands';
import { CliError } from './errors';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-cli-'));
const demo = path.join(folder, 'demo.json');
writeFileSync(demo, runCommand(['demo', '--at', '2026-11-24T12:00:00Z'], NOW));

const json = (...argv: string[]) => JSON.parse(runCommand(argv, NOW)) as Record<string, unknown>;

describe('convert', () => {
  test.each([
    [['53.07 mS/cm', '--to', 'ppt', '--temp', '25'], 35, 0.01],
    [['35 ppt', '--to', 'sg25'], 1.0264, 0.0001],
    [['35 ppt', '--to', 'sg20'], 1.0266, 0.0001],
    [['1.025 sg25', '--to', 'ppt'], 33.2, 0.05],
    [['78 °F', '--to', '°C'], 25.556, 0.001],
    [['25,5 C', '--to', 'F'], 77.9, 0.001],
    [['-2 °C', '--to', '°F'], 28.4, 0.001],
    [['8 dKH', '--to', 'meq/L'], 2.853, 0.001],
    [['8 dKH', '--to', 'ppm'], 142.8, 0.1],
    [['142.8 ppm', '--to', 'dKH'], 8, 0.01],
    [['55 gal', '--to', 'L'], 208.198, 0.001],
    [['2 ppm', '--of', 'NH4', '--to', 'ppm ammonia N'], 1.553, 0.001],
    [['1 mg/L NO2', '--to', 'nitrite N'], 0.3045, 0.0001],
    [['30 ppb', '--of', 'P', '--to', 'ppm PO4'], 0.092, 0.001],
  ])('%j is %d', (args, value, tolerance) => {
    const result = json('convert', ...args);
    expect(Math.abs(Number(result.value) - value)).toBeLessThanOrEqual(tolerance);
    expect(result.unit).toBe(args[args.indexOf('--to') + 1]);
  });

  it('agrees with the practical salinity scale of 1978, written out, over 5 to 40 ppt and 15 to 32 °C', () => {
    // Fofonoff and Millard 1983 (UNESCO technical papers in marine science 44), at the surface.
    const a = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081];
    const b = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144];
    const c = [0.6766097, 2.00564e-2, 1.104259e-4, -6.9698e-7, 1.0031e-9];
    const standard = (conductivity: number, t90: number) => {
      const t = t90 * 1.00024;
      const ratio = conductivity / 42.914 / c.reduce((sum, part, i) => sum + part * t ** i, 0);
      const series = (parts: number[]) =>
        parts.reduce((sum, part, i) => sum + part * ratio ** (i / 2), 0);
      return series(a) + ((t - 15) / (1 + 0.0162 * (t - 15))) * series(b);
    };
    for (const temperature of [15, 20, 25, 28.5, 32]) {
      for (const conductivity of [8, 20, 35, 50, 60]) {
        const expected = standard(conductivity, temperature);
        if (expected < 5 || expected > 40) continue;
        const args = [`${conductivity} mS/cm`, '--to', 'ppt', '--temp', String(temperature)];
        expect(Math.abs(Number(json('convert', ...args).value) - expected)).toBeLessThan(0.05);
      }
    }
  });

  test.each([
    [['53 mS/cm', '--to', 'ppt'], /--temp/],
    [['2 ppm', '--to', 'ppm ammonia N'], /--of/],
    [['2 ppm', '--of', 'gold', '--to', 'dKH'], /gold/],
    [['5 dKH', '--to', 'L'], /same thing/],
    [['lots of salt', '--to', 'ppt'], /not a number/],
    [['35 ppt'], /--to/],
    [['3 sg25', '--to', 'ppt'], /specific gravity/],
    [['-3 ppt', '--to', 'sg25'], /negative/],
    [['35 ppt', '--to', 'parsecs'], /Unknown unit/],
    [['35 ppt', '--to', 'sg25', '--colour'], /colour/],
  ])('%j is refused in one clear line', (args, why) => {
    expect(() => runCommand(['convert', ...args], NOW)).toThrow(CliError);
    expect(() => runCommand(['convert', ...args], NOW)).toThrow(why);
  });
});

describe('ammonia', () => {
  it('gives the free share and the free amount', () => {
    const result = json('ammonia', '--tan', '2', '--ph', '8', '--temp', '25', '--salinity', '35');
    expect(Number(result.freeFraction)).toBeCloseTo(0.0417, 4);
    expect(Number(result.freeAmmoniaN)).toBeCloseTo(0.0834, 3);
  });

  it('refuses what is missing, not a number or out of range', () => {
    const run =
      (...args: string[]) =>
      () =>
        runCommand(['ammonia', ...args], NOW);
    expect(run('--tan', '1', '--ph', '8', '--temp', '25')).toThrow(/--salinity is missing/);
    expect(run('--tan', 'x', '--ph', '8', '--temp', '25', '--salinity', '35')).toThrow(/number/);
    expect(run('--tan', '1', '--ph', '88', '--temp', '25', '--salinity', '35')).toThrow(/between/);
  });
});

describe('check and verdict', () => {
  it('summarise an export', () => {
    const result = json('check', demo);
    expect(result.valid).toBe(true);
    expect((result.tanks as { name: string }[]).map((tank) => tank.name)).toEqual([
      'Kittiwake',
      'Fulmar',
      'Spare tank',
      'Coral tub',
    ]);
  });

  it('tell every batch in quarantine, its clock and how its ammonia is held', () => {
    const at = '2026-11-24T12:00:00Z';
    const batches = json('quarantine', demo, '--at', at) as unknown as Record<string, any>[];
    expect(batches.map(({ tank }) => tank)).toEqual(['Spare tank', 'Coral tub']);
    const [fish, coral] = batches;
    expect(fish).toMatchObject({ for: 'Fulmar', days: 28, daysClear: 17, clear: false });
    expect(fish?.releaseOn.p50).toBe('2026-12-05T00:00:00.000Z');
    expect(fish?.restarts).toMatchObject([{ because: 'Tailspot blenny: scratching on things' }]);
    expect(fish?.ammoniaPlan).toMatchObject({ litres: 23, everyDays: 2, holds: true });
    expect(coral).toMatchObject({ daysClear: 9, restarts: [] });
    expect(json('quarantine', demo, '--at', '2026-06-01T12:00:00Z')).toEqual([]);
    expect(() => json('quarantine', 'none.json')).toThrow();
  });

  it('judge the tank and the moment asked for', () => {
    const result = json('verdict', demo, '--tank', 'kittiwake', '--at', '2026-11-24T12:00:00Z');
    expect(result).toMatchObject({ tank: 'Kittiwake', doneRule: 'bothZeroHeld', ready: false });
    const criteria = result.criteria as { id: string; state: string; because: string }[];
    expect(criteria.find((c) => c.id === 'nitriteZero')?.state).toBe('not yet');
    expect(Object.keys(criteria[0] ?? {})).toEqual(['id', 'state', 'because']);
    const early = json('verdict', demo, '--at', '2026-11-06T08:00:00Z');
    const states = early.criteria as { id: string; state: string }[];
    expect(states.find((c) => c.id === 'nitriteSeen')?.state).toBe('cannot tell');
  });

  test.each([
    [['check', path.join(folder, 'none.json')], /Cannot read/],
    [['check'], /Name the exported log/],
    [['verdict', demo, '--tank', 'Nobody'], /Kittiwake/],
    [['verdict', demo, '--at', 'soon'], /--at takes a date/],
    [['dance'], /Unknown command/],
  ])('%j is refused', (argv, why) => {
    expect(() => runCommand(argv, NOW)).toThrow(why);
  });
});

describe('a pipe that is closed early', () => {
  it('ends it quietly, as `demo | head` does', () => {
    const { status, stderr, stdout } = spawnSync(
      'bash',
      ['-c', 'set -o pipefail; node_modules/.bin/tsx cli/zoarium.ts demo | head -c 20'],
      { encoding: 'utf8' },
    );
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
    expect(stdout).toMatch(/zoar/);
  });
});
