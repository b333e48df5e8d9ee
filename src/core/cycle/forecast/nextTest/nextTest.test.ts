import { clearingOn, day, ensembleOf, problemOn, type Told } from '../../../../testing/ensembles';
import type { CycleProblem } from '../../problem/types';
import { fitOf, MISFIT_SCORE } from '../misfit';
import { runAhead } from '../course/ahead';
import { kitFrom } from '../../../records/kitTemplates';
import { kitAtHand } from '../../problem/observations';
import { cellsOf } from './learning';
import { nextTestOf, tenths } from './nextTest';
import { testAfterSilence } from './setTests';
import { readingWordsOf } from '../words';

const problem = clearingOn(10);

function nextOf(tanks: Told[], atHand?: CycleProblem['kits']) {
  const ensemble = ensembleOf(problem, tanks);
  const ahead = runAhead(ensemble);
  const days = Float64Array.from(tanks, (_, i) =>
    Math.max(ahead.ammoniaClears[i] ?? 0, ahead.nitriteClears[i] ?? 0),
  );
  return nextTestOf(ensemble, ahead, days, atHand);
}

/** Tanks that differ in how quick their nitrite goes, and in nothing else. */
const spread = [0.05, 0.08, 0.12, 0.2, 0.3, 0.5, 0.8, 1.2].map((capacityB) => ({
  now: { nitrite: 1.5, capacityB, capacityA: 2 },
}));

describe('the next test', () => {
  it('is of what the tanks differ in', () => {
    const next = nextOf(spread);
    expect(next?.parameter).toBe('nitrite');
    expect(next?.purpose).toBe('learn');
    expect(next?.gain).toBeGreaterThan(0.2);
    expect(next?.idle).toEqual(['ammonia']);
  });

  it('is of ammonia where that is what is not known', () => {
    const next = nextOf(
      [0.02, 0.05, 0.1, 0.2, 0.5, 1].map((capacityA) => ({
        // Nitrite is gone as soon as it is made, and tells nothing.
        now: { ammonia: 1.5, capacityA, capacityB: 200 },
        parameters: { ceiling: 500 },
      })),
    );
    expect(next?.parameter).toBe('ammonia');
  });

  it('has answers whose chances add up, and that differ', () => {
    const outcomes = nextOf(spread)?.outcomes ?? [];
    expect(outcomes.length).toBeGreaterThan(1);
    expect(outcomes.length).toBeLessThanOrEqual(3);
    expect(outcomes.reduce((sum, o) => sum + o.probability, 0)).toBeCloseTo(1, 1);
    const middles = outcomes.map((o) => o.ready.p50 ?? Infinity);
    expect(middles.at(-1)).toBeGreaterThan(middles[0] ?? 0);
  });

  it('only shows what is known, once nothing is left to learn', () => {
    const alike = { now: { nitrite: 0.2, capacityA: 2, capacityB: 1 } };
    const next = nextOf([alike, alike, alike, alike]);
    expect(next?.purpose).toBe('confirm');
    expect(next?.because).toMatch(/a zero would show it/);
    expect(next).toMatchObject({ parameters: ['ammonia', 'nitrite'], idle: [] });
  });

  it.each([
    ['no zero is in sight', 0],
    ['zeros are far off', 0.7],
  ])('is within a fortnight of the last one where none would tell much and %s', (_, growthB) => {
    const stuck = { now: { nitrite: 1.5, capacityB: 1e-7 }, parameters: { growthB } };
    const next = nextOf([stuck, stuck, stuck]);
    expect(next).toMatchObject({ purpose: 'learn', parameters: ['nitrite'], gain: 0 });
    // The last one was a day ago.
    expect(next?.inDays).toBe(13);
    expect(next?.because).toMatch(/^No single test would tell much/);
  });

  it('uses kits at hand alone, and never nitrate', () => {
    const of = (parameter: string) => problem.kits.filter((kit) => kit.parameter === parameter);
    expect(nextOf(spread, [])).toBeNull();
    expect(nextOf(spread, of('ammonia'))?.parameter).toBe('ammonia');
    expect(nextOf(spread, of('nitrate'))).toBeNull();
  });

  it('asks for a kit that has never read', () => {
    const cold = { ...problem, kits: problem.kits.filter((kit) => kit.parameter !== 'nitrite') };
    const ensemble = ensembleOf({ ...cold, observations: [] }, spread);
    const ahead = runAhead(ensemble);
    const days = Float64Array.from(spread, (_, i) => ahead.nitriteClears[i] ?? 0);
    expect(nextTestOf(ensemble, ahead, days, cold.kits)?.parameter).not.toBe('nitrite');
    const fresh = kitAtHand('new', kitFrom('nitriteCard', 0));
    if (!fresh) throw new Error('no kit');
    expect(nextTestOf(ensemble, ahead, days, [...cold.kits, fresh])?.parameter).toBe('nitrite');
  });

  it('with an animal in is ammonia within the day, whatever would be learned by waiting', () => {
    for (const group of ['fish', 'invertebrate', 'coral'] as const) {
      const watched = problemOn(10, (log) => {
        log.entry(day(6), { kind: 'animals', move: 'in', group, what: 'One' });
        for (const [at, ppm] of [
          [7, 0.5],
          [8, 1],
          [9.5, 2],
        ] as const) {
          log.ammonia(day(at), ppm);
        }
        log.nitrite(day(9), 0);
      });
      const ensemble = ensembleOf(watched, spread);
      const ahead = runAhead(ensemble);
      const days = Float64Array.from(spread, (_, i) => ahead.nitriteClears[i] ?? 0);
      const next = nextTestOf(ensemble, ahead, days);
      expect(next?.parameters).toContain('ammonia');
      expect(next?.inDays).toBeLessThanOrEqual(1);
      expect(next?.because).toMatch(/free ammonia.*Emergency/i);
      expect(next?.because).not.toMatch(/\bdose\b/i);
      expect(next?.purpose).not.toBe('challenge');
    }
  });

  it('waits for a binder to let go, however likely both are clear', () => {
    const asked = (bound: boolean) => {
      const problem = problemOn(
        12,
        (log) => {
          log.dose(day(1), 2);
          for (const at of [2, 4]) log.ammonia(day(at), 2);
          for (const at of [5, 8]) log.nitrite(day(at), 2);
          if (!bound) return;
          log.entry(day(11.5), {
            kind: 'dose',
            substance: 'ammoniaBinder',
            amount: { by: 'mL', mL: 5 },
            strength: null,
            about: false,
          });
        },
        { doneRule: { rule: 'bothZero' } },
      );
      const clean = { now: { capacityA: 4, capacityB: 4 } };
      const ensemble = ensembleOf(problem, [clean, clean]);
      return nextTestOf(ensemble, runAhead(ensemble), Float64Array.from([11, 11]));
    };
    expect(asked(false)).toMatchObject({ purpose: 'confirm', inDays: 0 });
    const held = asked(true);
    expect(held).toMatchObject({ purpose: 'confirm', outcomes: [] });
    expect(held?.inDays).toBeCloseTo(1.5, 6);
    expect(held?.because).toMatch(/binder/);
  });

  it('after a long silence, with both just read at zero, is the dose that a verdict wants', () => {
    const silent = (build: Parameters<typeof problemOn>[1]) => {
      const asked = problemOn(200, (log) => {
        log.dose(day(1), 2);
        log.ammonia(day(200) - 5 * 3_600_000, 0);
        log.nitrite(day(200) - 5 * 3_600_000, 0);
        build?.(log);
      });
      expect(asked).toMatchObject({ windowed: true, fed: false });
      return testAfterSilence(asked);
    };
    expect(silent(() => undefined)).toMatchObject({ purpose: 'challenge', inDays: 1 });
    // The size that the advice to dose gives as well.
    expect(silent(() => undefined).because).toMatch(/Dose 1 ppm/);
    // Never with an animal in.
    const snail = silent((log) =>
      log.entry(day(190), { kind: 'animals', move: 'in', group: 'invertebrate', what: 'Snail' }),
    );
    expect(snail).toMatchObject({ purpose: 'learn', parameter: 'ammonia' });
    expect(snail.because).toMatch(/every day/);
  });

  it('is no dose while what went in is missing or still rots', () => {
    const rotting = problemOn(30, (log) => {
      log.dose(day(1), 2);
      log.ammonia(day(2), 2);
      log.nitrite(day(8), 2);
      log.nitrite(day(12), 1);
      for (const at of [20, 25, 29.5]) {
        log.ammonia(day(at), 0);
        log.nitrite(day(at), 0);
      }
      log.entry(day(29), { kind: 'organics', action: { what: 'prawnIn', grams: 30 } });
    });
    expect(rotting.facts.noDose).toMatch(/prawn/);
    const ensemble = ensembleOf(rotting, spread);
    const ahead = runAhead(ensemble);
    const days = Float64Array.from(spread, (_, i) => ahead.nitriteClears[i] ?? 0);
    for (const withheld of ['dose', 'stays', null] as const) {
      const next = nextTestOf(ensemble, ahead, days, undefined, withheld);
      expect(next?.purpose).not.toBe('challenge');
    }
  });

  it('after a long silence begins anew with ammonia, now', () => {
    expect(testAfterSilence(problem)).toMatchObject({
      parameter: 'ammonia',
      at: problem.at,
      outcomes: [],
    });
  });
});

describe('what can be read', () => {
  const [ammonia] = problem.kits;
  if (!ammonia) throw new Error('no kit');

  it('is every step, with its share of the scale, the top one open', () => {
    const cells = cellsOf(ammonia);
    expect(cells[0]?.low).toBe(0);
    expect(cells.at(-1)?.high).toBe(Infinity);
    cells.slice(1).forEach((cell, i) => expect(cell.low).toBe(cells[i]?.high));
  });

  it('is said by the steps printed on the card', () => {
    const cells = cellsOf(ammonia);
    const last = cells.length - 1;
    expect(readingWordsOf(cells, 0, 0, ammonia)).toBe('0');
    expect(readingWordsOf(cells, 0, 1, ammonia)).toBe('0.25 or less');
    expect(readingWordsOf(cells, 3, last, ammonia)).toBe('1 or more');
    expect(readingWordsOf(cells, 1, 2, ammonia)).toBe('0.25 to 0.5');
    expect(readingWordsOf(cells, 0, last, ammonia)).toBe('anything');
  });

  it('is a chance in tenths', () =>
    expect([0, 0.24, 1].map(tenths)).toEqual(['0 in 10', '2 in 10', '10 in 10']));
});

describe('how the readings sit with an ensemble', () => {
  const many = problemOn(20, (log) => {
    log.dose(day(1), 1.6);
    for (const at of [3, 6, 9, 12]) {
      log.ammonia(day(at), 2);
      log.nitrite(day(at), 0);
    }
  });
  const at = (ammonia: number, nitrite: number) => {
    const ensemble = ensembleOf(many, [{}, {}]);
    const { observations } = many;
    ensemble.atObservations = Float64Array.from({ length: 2 * observations.length }, (_, i) =>
      observations[i % observations.length]?.parameter === 'ammonia' ? ammonia : nitrite,
    );
    return fitOf(ensemble);
  };

  it('is well where it would have read them so', () => {
    const fit = at((2 * 14.007) / 18.039, 0);
    expect(fit.score).toBeGreaterThan(-1);
    expect(fit.odd).toEqual([]);
  });

  it('is a misfit where it would never have, reading by reading', () => {
    const fit = at(0, 3);
    expect(fit.score).toBeLessThan(MISFIT_SCORE);
    expect(fit.odd).toHaveLength(8);
  });
});
