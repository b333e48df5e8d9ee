import { day, problemOn } from '../../../testing/ensembles';
import { LogBuilder, type TestTank } from '../../../testing/logBuilder';
import { interpolate } from './conditions';
import { bottleVigour } from './seeding';

const problemOf = (build: (log: LogBuilder) => void, at = 20, tank: Partial<TestTank> = {}) =>
  problemOn(at, build, tank);

const additionsOf = (build: (log: LogBuilder) => void) => problemOf(build).additions;

describe('entries as inputs of the cycle', () => {
  it('takes counted drops by their label, in the net water', () => {
    const [dose] = additionsOf((log) =>
      log.dose(day(1), 2, {
        amount: { by: 'drops', drops: 200, dropMl: 0.05 },
        strength: {
          by: 'label',
          amount: 20,
          unit: 'drop',
          litres: 10,
          gives: 2,
          basis: 'ammonia NH4',
        },
      }),
    );
    // 200 drops make 2 ppm NH4 in 100 L: 1.553 as N.
    expect(dose?.ammonia).toBeCloseTo((2 * 14.007) / 18.039, 3);
    expect(dose?.source).toBe('doses');
    expect(dose?.ownSd).toBe(0);
  });

  it('holds a dose marked about wider, and one without a strength wider still', () => {
    const [about, unknown] = additionsOf((log) => {
      log.dose(day(1), 2, { about: true });
      log.dose(day(2), 2, { amount: { by: 'mL', mL: 5 }, strength: null });
    });
    expect(about?.ownSd).toBeGreaterThan(0);
    expect(unknown?.ownSd ?? 0).toBeGreaterThan(about?.ownSd ?? 0);
  });

  it('gives household ammonia the alkalinity it brings', () => {
    const [dose] = additionsOf((log) => log.dose(day(1), 2, { substance: 'householdAmmonia' }));
    expect(dose?.alkalinity).toBeCloseTo(0.4, 9);
  });

  it('counts a bottle by its age, its keeping and how much water it was for', () => {
    const bottle = (madeOn: string, storedCold: boolean, forLitres: number | null = null) => {
      const [addition] = additionsOf((log) =>
        log.entry(day(1), {
          kind: 'dose',
          substance: 'bacteria',
          amount: { by: 'mL', mL: 50 },
          strength: null,
          about: false,
          bottle: { keeps: 'refrigerated', storedCold, madeOn, forLitres },
        }),
      );
      return addition?.capacityA ?? 0;
    };
    const fresh = bottle('2026-03-01', true);
    expect(bottle('2025-09-01', true)).toBeLessThan(fresh / 2);
    expect(bottle('2025-12-01', false)).toBeLessThan(bottle('2025-12-01', true));
    expect(bottle('2026-03-01', true, 50)).toBeCloseTo(fresh / 2, 6);
    expect(
      bottleVigour(
        { keeps: 'refrigerated', storedCold: true, madeOn: '2020-01-01', forLitres: null },
        day(1),
        'UTC',
      ),
    ).toBe(0.01);
  });

  it('gets nothing of a prawn that came out before it began to leach', () => {
    const additions = additionsOf((log) => {
      log.entry(day(1), { kind: 'organics', action: { what: 'prawnIn', grams: 40 } });
      log.entry(day(1) + 8 * 3_600_000, { kind: 'organics', action: { what: 'prawnOut' } });
    });
    expect(additions.reduce((sum, addition) => sum + (addition.organic ?? 0), 0)).toBe(0);
  });

  it('lets a prawn leach after half a day, and takes most of it out again', () => {
    const [prawn, out] = additionsOf((log) => {
      log.entry(day(1), { kind: 'organics', action: { what: 'prawnIn', grams: 10 } });
      log.entry(day(4), { kind: 'organics', action: { what: 'prawnOut' } });
    });
    expect(prawn?.organic).toBeCloseTo((10 * 30) / 100, 9);
    // Twenty days are run in eight steps a day.
    expect(prawn?.step).toBe(1.5 * 8);
    expect(out?.organicKept).toBeLessThan(0.5);
    const [food] = additionsOf((log) =>
      log.entry(day(1), { kind: 'feed', food: 'pellets', amount: { by: 'grams', grams: 1 } }),
    );
    // A gram of pellets: 0.45 protein, 0.16 N of it.
    expect(food?.organic).toBeCloseTo(0.72, 9);
  });

  it('mixes new water in with its own record', () => {
    const [change] = additionsOf((log) =>
      log.entry(day(3), {
        kind: 'waterChange',
        litres: 25,
        newWater: {
          alkalinity: { value: 9, unit: 'dKH' },
          ammonia: { value: 0.25, unit: 'ammonia N' },
        },
      }),
    );
    expect(change).toMatchObject({ replaced: 0.25, newAmmonia: 0.25 });
    expect(change?.newAlkalinity).toBeCloseTo(9, 6);
  });

  it('adds what media bring and takes what leaves or dies', () => {
    const [media, out, drug] = additionsOf((log) => {
      log.entry(day(1), {
        kind: 'media',
        move: { to: 'in', media: 'establishedMedia', amount: 1, unit: 'L' },
      });
      log.entry(day(2), { kind: 'media', move: { to: 'out', share: 0.5 } });
      log.entry(day(3), { kind: 'treatment', agent: 'antibiotic' });
    });
    expect(media?.capacityA).toBeGreaterThan(0.3);
    expect(out?.survival).toBe(0.5);
    expect(drug).toMatchObject({ source: 'kill' });
  });
});

describe('fish in a tank that cycles', () => {
  const fishIn = { fishInSince: '2026-03-04' };

  it('go on making what a small pair is fed, from the day they went in', () => {
    const problem = problemOf(() => undefined, 12, fishIn);
    const fish = problem.additions.filter((a) => a.source === 'fish');
    const total = fish.reduce((sum, a) => sum + (a.ammonia ?? 0), 0);
    // Ten days of 11 mg N in 100 L, and the first addition of the eleventh.
    expect(total).toBeCloseTo(10 * 0.11, 1);
    expect(problem.fish).toBeCloseTo(0.11, 6);
    expect(problem.fed).toBe(true);
    expect(fish[0]?.alkalinity).toBeCloseTo(0.2 * (fish[0]?.ammonia ?? 0), 9);
  });

  it('make of it what was logged as food, once anything was', () => {
    const problem = problemOf(
      (log) =>
        log.entry(day(3), {
          kind: 'feed',
          food: 'pellets',
          amount: { by: 'grams', grams: 1 },
        }),
      12,
      fishIn,
    );
    expect(problem.additions.some((a) => a.source === 'fish')).toBe(false);
    // 72 mg N in ten days and 100 L.
    expect(problem.fish).toBeCloseTo(0.072, 6);
  });

  it('go on in a tank that runs: its filter bacteria have a load like any other', () => {
    const problem = problemOf(() => undefined, 12, { ...fishIn, runningSince: '2026-03-10' });
    expect(problem.fish).toBeCloseTo(0.11, 6);
  });

  it('are told by their weight where it is known, and are gone when they left', () => {
    const heavy = problemOf(
      (log) =>
        log.entry(day(2), { kind: 'animals', move: 'in', group: 'fish', what: 'Tang', grams: 60 }),
      12,
    );
    // 3 % of the body a day, 45 % of it protein, 0.12 of that as N: 1.62 mg N per gram.
    expect(heavy.fish).toBeCloseTo((60 * 1.62) / 100, 6);
    const gone = problemOf(
      (log) =>
        log.entry(day(6), { kind: 'animals', move: 'out', group: 'fish', what: 'Fish', count: 1 }),
      12,
      fishIn,
    );
    expect(gone.fish).toBe(0);
    const made = gone.additions.filter((a) => a.source === 'fish');
    expect(made.reduce((sum, a) => sum + (a.ammonia ?? 0), 0)).toBeCloseTo(4 * 0.11, 1);
  });
});

describe('the conditions', () => {
  it('run straight between readings and stay as they were beyond them', () => {
    const knots = [
      { day: 2, value: 24 },
      { day: 4, value: 26 },
    ];
    expect(interpolate(knots, 0, 25)).toBe(24);
    expect(interpolate(knots, 3, 25)).toBe(25);
    expect(interpolate(knots, 9, 25)).toBe(26);
    expect(interpolate([], 9, 25)).toBe(25);
  });

  it('take each alkalinity reading as what it then is', () => {
    const problem = problemOf((log) => {
      log.digital('alkalinityDrops', day(0.5), 8.4);
      log.digital('alkalinityDrops', day(9), 6.2);
    });
    // Half a day on, the first reading says nearly all of what the water began with.
    expect(problem.alkalinity.value).toBeCloseTo(8.4, 1);
    expect(problem.alkalinity.sd).toBeLessThan(0.06);
    expect(problem.additions.map((a) => a.alkalinityIs)).toEqual([
      expect.closeTo(8.4, 6),
      expect.closeTo(6.2, 6),
    ]);
  });
});

describe('odd logs', () => {
  it.each([
    [
      'a bottle of many months',
      (log: LogBuilder) =>
        log.entry(day(1), {
          kind: 'dose',
          substance: 'bacteria',
          amount: { by: 'mL', mL: 50 },
          strength: null,
          about: false,
          bottle: {
            keeps: 'refrigerated',
            storedCold: true,
            madeOn: '2024-06-01',
            forLitres: null,
          },
        }),
      20,
      /days old/,
    ],
    ['tests before the filling', (log: LogBuilder) => log.ammonia(day(-3), 1), 20, /before the/],
    ['a year of silence', (log: LogBuilder) => log.ammonia(day(5), 1), 370, /Nothing was logged/],
    ['an old tank', (log: LogBuilder) => log.ammonia(day(369), 0), 370, /Only the last 120 days/],
    [
      'a dose without a strength',
      (log: LogBuilder) => log.dose(day(1), 2, { amount: { by: 'mL', mL: 5 } }),
      20,
      /no strength/,
    ],
    [
      'two readings of one minute that cannot both be',
      (log: LogBuilder) => {
        log.ammonia(day(5), 0);
        log.ammonia(day(5), 4);
      },
      20,
      /contradict each other: 0 ppm NH4 and 4 ppm NH4/,
    ],
    [
      'a dose that was saved twice',
      (log: LogBuilder) => {
        log.dose(day(5), 2);
        log.dose(day(5) + 60_000, 2);
      },
      20,
      /logged twice alike/,
    ],
    [
      'a reading without its kit',
      (log: LogBuilder) =>
        log.entry(day(5), {
          kind: 'reading',
          parameter: 'ammonia',
          kitId: log.newId(),
          dilution: 1,
          value: { form: 'digital', value: 1, unit: 'ammonia N' },
        }),
      20,
      /kit of 1 reading is not in the log/,
    ],
  ] as const)('%s is named in words', (_, build, at, words) => {
    const problem = problemOf((log) => void build(log), at);
    expect(problem.remarks.join(' ')).toMatch(words);
    expect(problem.steps / problem.stepsPerDay).toBeLessThanOrEqual(121);
  });

  it.each([
    [
      'two steps that may both be seen in one vial',
      (log: LogBuilder) => {
        log.nitrite(day(5), 1);
        log.nitrite(day(5), [1, 2]);
      },
    ],
    [
      'two doses a day apart',
      (log: LogBuilder) => {
        log.dose(day(5), 2);
        log.dose(day(6), 2);
      },
    ],
  ] as const)('%s are nothing to remark on', (_, build) => {
    expect(problemOf((log) => void build(log)).remarks).toEqual([]);
  });

  it('name a volume that no tank has', () => {
    const volume = {
      shell: { by: 'label', litres: 1 },
      rockKg: 0,
      rockDensity: 2,
      sandDepth: 0,
      sump: null,
      measuredAtFill: { by: 'litres', litres: 0.1 },
    } as const;
    const { remarks } = problemOf((log) => void log.dose(day(1), 2), 5, { volume });
    expect(remarks.join(' ')).toMatch(/0\.1 L is hardly a tank/);
  });

  it('take a late first reading of alkalinity for little, and what new salt has for the rest', () => {
    const late = problemOf((log) => log.digital('alkalinityDrops', day(20), 4), 21).alkalinity;
    expect(late.value).toBeGreaterThan(7.5);
    expect(late.sd).toBeGreaterThan(0.14);
    expect(problemOf(() => undefined).alkalinity).toEqual({ value: 8, sd: 0.15 });
  });

  it('know whether there is anything to foretell', () => {
    expect(problemOf((log) => log.conditions(day(1))).fed).toBe(false);
    expect(problemOf((log) => log.dose(day(1), 2)).fed).toBe(true);
    expect(problemOf(() => undefined, 5, { rock: 'organicDryRock' }).fed).toBe(true);
  });
});
