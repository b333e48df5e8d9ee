import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { logOf } from '../src/testing/heldOut/keeper';
import { middlingReef, plainLife } from '../src/testing/heldOut/plainLife';
import { DAY, FILLED, LogBuilder, onDay } from '../src/testing/logBuilder';
import { toLogFile, writeLogFile } from '../src/core';
import type { Revision } from '../src/core/records/schema/revision';
import type { Tank } from '../src/core/records/schema/tank';
import { runCommand } from './commands';

const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-forecast-'));
const NOW = onDay(9);
const AT = new Date(NOW).toISOString();
/** Few particles: what is asked here is what is printed and what moves it, not to the day. */
const ROUGHLY = ['--particles', '60'];

/** A bottled tank on day 9: ammonia nearly gone, nitrite on its card. */
function bottled(tank: Partial<Tank> = {}): LogBuilder {
  const log = new LogBuilder(tank);
  log.conditions(onDay(0));
  log.entry(onDay(1), {
    kind: 'dose',
    substance: 'bacteria',
    amount: { by: 'mL', mL: 50 },
    strength: null,
    about: false,
  });
  log.dose(onDay(1), 1.6);
  for (const [day, ammonia, nitrite] of [
    [2, 2, 0],
    [4, 1, 0.5],
    [6, 0.5, 1],
    [8, 0, 2],
  ] as const) {
    log.ammonia(onDay(day), ammonia);
    log.nitrite(onDay(day), nitrite);
  }
  return log;
}

let files = 0;
/** Writes a log as an export, after a change that no program of ours would make. */
function fileOf(log: LogBuilder, spoil: (rows: Revision[]) => void = () => undefined): string {
  const file = toLogFile(log.revisions, AT);
  const text = JSON.parse(writeLogFile(file)) as { records: Revision[] };
  spoil(text.records);
  const name = path.join(folder, `log-${(files += 1)}.json`);
  writeFileSync(name, JSON.stringify(text));
  return name;
}

interface Printed {
  tank: string;
  at: string;
  milestones: Record<string, { p10: string | null; p50: string | null; p90: string | null }>;
  scheduledDoses: { p50: string | null; rise: number; probability: number }[];
  capacity: Record<'ammonia' | 'nitrite', { p10: number; p50: number; p90: number }>;
  nextTest: {
    parameters: string[];
    at: string;
    because: string;
    purpose: string;
    raise: { now: number; grams: number } | null;
  } | null;
  stall: { cause: string; probability: number; remedy: string }[];
  misfit: boolean;
  remarks: string[];
}

const forecast = (file: string, ...args: string[]) =>
  JSON.parse(runCommand(['forecast', file, '--at', AT, ...ROUGHLY, ...args], NOW)) as Printed;

const entries = (rows: Revision[], kind: string) =>
  rows.flatMap((row) => (row.type === 'entry' && row.body.kind === kind ? [row.body] : []));

describe('forecast', () => {
  const file = fileOf(bottled());
  const printed = forecast(file);

  it('prints every milestone as a range of ISO dates in order', () => {
    expect(Object.keys(printed.milestones)).toEqual(['ammoniaClears', 'nitriteClears', 'ready']);
    for (const { p10, p50, p90 } of Object.values(printed.milestones)) {
      for (const date of [p10, p50, p90]) expect(date).toMatch(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/);
      const order = [p10, p50, p90].map((date) => Date.parse(date ?? ''));
      expect([...order].sort((a, b) => a - b)).toEqual(order);
    }
    expect(printed.at).toBe(AT);
    expect(printed.tank).toBe('Test tank');
  });

  it('prints capacities, causes with remedies, and the next test with its reason', () => {
    for (const { p10, p50, p90 } of Object.values(printed.capacity)) {
      expect(p10).toBeGreaterThan(0);
      expect(p50).toBeGreaterThanOrEqual(p10);
      expect(p90).toBeGreaterThanOrEqual(p50);
    }
    expect(printed.capacity.ammonia.p50).toBeGreaterThan(printed.capacity.nitrite.p50);
    expect(printed.stall[0]).toMatchObject({ cause: 'simplyEarly' });
    expect(printed.stall.reduce((sum, c) => sum + c.probability, 0)).toBeLessThan(1.05);
    expect(printed.nextTest).toMatchObject({ parameters: ['nitrite'], purpose: 'learn' });
    expect(Date.parse(printed.nextTest?.at ?? '')).toBeGreaterThanOrEqual(NOW);
    expect(printed.nextTest?.raise).toBeNull();
    expect(printed.misfit).toBe(false);
  });

  it('says with the next test what alkalinity to add, for whoever goes by that alone', () => {
    const low = bottled();
    low.digital('alkalinityDrops', onDay(8), 6);
    const { nextTest } = forecast(fileOf(low));
    // 2.5 dKH × 0.03 g × 100 L.
    expect(nextTest?.raise).toMatchObject({
      now: expect.closeTo(6, 6),
      grams: expect.closeTo(7.5, 6),
    });
    expect(nextTest?.because).toMatch(/Also raise alkalinity, about 6 dKH now, to 8\.5/);
  });

  it('is the same each time, for each seed its own, and near it', () => {
    expect(forecast(file)).toEqual(printed);
    const other = forecast(file, '--seed', '7');
    expect(other).not.toEqual(printed);
    const gap =
      Date.parse(other.milestones.nitriteClears?.p50 ?? '') -
      Date.parse(printed.milestones.nitriteClears?.p50 ?? '');
    expect(Math.abs(gap) / 86_400_000).toBeLessThan(3);
  });

  it('knows nothing of what was logged after the moment asked about', () => {
    const more = bottled();
    more.ammonia(onDay(12), 0);
    more.nitrite(onDay(12), 0);
    more.dose(onDay(12), 3);
    const { milestones, capacity } = forecast(fileOf(more));
    expect({ milestones, capacity }).toEqual({
      milestones: printed.milestones,
      capacity: printed.capacity,
    });
  });

  it('names the doses that the challenge schedules, and only those', () => {
    expect(printed.scheduledDoses).toEqual([]);
    const { scheduledDoses, milestones } = forecast(
      fileOf(bottled({ doneRule: { rule: 'challenge', windowHours: 48 } })),
    );
    expect(scheduledDoses[0]?.rise).toBeCloseTo((2 * 14.007) / 18.039, 2);
    expect(scheduledDoses[0]?.probability).toBeGreaterThan(0.8);
    expect(Date.parse(scheduledDoses[0]?.p50 ?? '')).toBeGreaterThanOrEqual(
      Date.parse(milestones.nitriteClears?.p50 ?? ''),
    );
  });
});

describe('a file with something wrong in it', () => {
  it('is read but for the negative dose, which is named', () => {
    const { remarks, milestones } = forecast(
      fileOf(bottled(), (rows) => {
        Object.assign(entries(rows, 'dose')[1] ?? {}, { amount: { by: 'drops', drops: -40 } });
      }),
    );
    expect(remarks[0]).toMatch(/1 record could not be read and was left out/);
    expect(milestones.ready?.p50).not.toBeNull();
  });

  it('is read but for the step that its card does not have', () => {
    const { remarks, capacity } = forecast(
      fileOf(bottled(), (rows) => {
        const reading = entries(rows, 'reading').find(
          (body) => body.kind === 'reading' && body.value.form === 'card',
        );
        if (reading?.kind === 'reading') Object.assign(reading.value, { low: 9, high: 9 });
      }),
    );
    expect(remarks[0]).toMatch(/a step that the card does not have/);
    expect(capacity.ammonia.p50).toBeGreaterThan(0);
  });

  it('does not mind records out of order', () => {
    const file = fileOf(bottled(), (rows) => rows.reverse());
    const { milestones } = forecast(file);
    expect(milestones).toEqual(forecast(fileOf(bottled())).milestones);
  });

  it('says that a bottle was older than it can have lived', () => {
    const { remarks } = forecast(
      fileOf(bottled(), (rows) => {
        Object.assign(entries(rows, 'dose')[0] ?? {}, {
          bottle: { keeps: 'refrigerated', storedCold: true, madeOn: '2024-01-01', forLitres: 100 },
        });
      }),
    );
    expect(remarks.join(' ')).toMatch(/days old; little in it may have been alive/);
  });

  it('after a year of silence admits that it guesses, and asks for a test', () => {
    const file = fileOf(bottled());
    const late = JSON.parse(
      runCommand(['forecast', file, '--at', '2027-03-11T12:00:00Z', ...ROUGHLY], NOW),
    ) as Printed;
    expect(late.remarks.join(' ')).toMatch(/Nothing was logged in \d+ days/);
    expect(late.nextTest).toMatchObject({
      parameters: expect.arrayContaining(['ammonia']) as string[],
    });
    for (const value of Object.values(late.capacity.ammonia)) {
      expect(Number.isFinite(value)).toBe(true);
    }
  });

  test.each([
    [['--seed', '-1'], /--seed takes a whole number/],
    [['--seed', '1.5'], /--seed takes a whole number/],
    [['--tank', 'Nobody'], /Test tank/],
    [['--colour', 'red'], /colour/],
  ])('is refused with %j', (args, why) => {
    const file = fileOf(bottled());
    expect(() => runCommand(['forecast', file, ...args], NOW)).toThrow(why);
  });
});

describe('simulate', () => {
  const file = fileOf(bottled());
  const rows = runCommand(['simulate', file, '--at', AT, '--days', '30', ...ROUGHLY], NOW)
    .trim()
    .split('\n');

  it('prints a row a day from the moment on, as numbers', () => {
    expect(rows[0]).toBe('at,ammonia,nitrite,nitrate,freeAmmonia,alkalinity');
    expect(rows).toHaveLength(32);
    rows.slice(1).forEach((row, day) => {
      const [at, ...values] = row.split(',');
      expect(Date.parse(at ?? '')).toBe(NOW + day * 86_400_000);
      expect(values).toHaveLength(5);
      for (const value of values) expect(Number(value)).toBeGreaterThanOrEqual(0);
    });
  });

  it('is of a tank that nothing is done to: nitrite goes, nitrate stays', () => {
    const column = (index: number) => rows.slice(1).map((row) => Number(row.split(',')[index]));
    const nitrite = column(2);
    expect(nitrite[0]).toBeGreaterThan(0.1);
    expect(nitrite.at(-1)).toBeLessThan(0.05);
    const nitrate = column(3);
    expect(nitrate.at(-1)).toBeGreaterThan(nitrate[0] ?? 0);
  });

  test.each([
    [[], /--days is missing/],
    [['--days', '0'], /whole number from 1 to 365, not 0/],
    [['--days', '2.5'], /whole number from 1 to 365, not 2.5/],
  ])('is refused with %j', (args, why) => {
    expect(() => runCommand(['simulate', file, ...args], NOW)).toThrow(why);
  });
});

describe('entries after the moment', () => {
  it('are left out, and named', () => {
    const log = bottled();
    log.dose(onDay(30), 2);
    const { remarks } = forecast(fileOf(log));
    expect(remarks).toContain('1 entry is dated after this moment and left out.');
    expect(forecast(fileOf(bottled())).remarks).toEqual([]);
  });
});

describe('verdict, once the tests show it all', () => {
  /** Doses of the challenge on the days given, the last of them read as gone a day and a half later. */
  const judged = (doses: readonly number[], day: number) => {
    const life = plainLife(
      middlingReef('bottle'),
      doses.map((dosed) => ({ day: dosed, believed: 1.6 })),
      { every: 1, days: 28.5 },
    );
    const log = logOf(life, day, { doneRule: { rule: 'challenge', windowHours: 48 } });
    const at = FILLED + day * DAY;
    for (const when of [FILLED + 28.95 * DAY, at - 3_600_000]) {
      log.ammonia(when, 0);
      log.nitrite(when, 0);
    }
    log.conditions(at - 3_600_000);
    const file = fileOf(log);
    return JSON.parse(runCommand(['verdict', file, '--at', new Date(at).toISOString()], NOW)) as {
      ready: boolean;
      criteria: { id: string; state: string; because: string }[];
    };
  };

  it('asks the forecast, which agrees soon after a challenge', () => {
    const { ready, criteria } = judged([1, 11, 17, 21, 24, 27], 29.5);
    expect(ready).toBe(true);
    expect(criteria.find((c) => c.id === 'forecastAgrees')?.because).toMatch(
      /a repeat of the dose passes until/,
    );
  });

  it('is not ready by zeros that filter bacteria fed so little cannot have made', () => {
    const { ready, criteria } = judged([1, 27], 29.5);
    expect(ready).toBe(false);
    expect(criteria.filter((c) => c.state !== 'met').map((c) => c.id)).toEqual(
      expect.arrayContaining(['forecastAgrees']),
    );
  });
});
