import fc from 'fast-check';
import { day, ensembleOf, problemOn } from '../../../../testing/ensembles';
import { clearStep, rowsAhead, runAhead, standingEvents } from './ahead';
import { asAsked } from './asAsked';
import { raising, whatIfsOf } from './whatIf';

const dosed = (at = 10) => problemOn(at, (log) => log.dose(day(1), 1.6));

describe('the place from which a series stays clear', () => {
  it('is at its last crossing, between two places', () => {
    expect(clearStep([1, 0.3, 0.05, 0], 4)).toBeCloseTo(1.8, 9);
    expect(clearStep([0.05, 0.3, 0.05, 0], 4)).toBeCloseTo(1.8, 9);
    expect(clearStep([0, 0.05], 2)).toBe(0);
    expect(clearStep([0, 0.5], 2)).toBe(Infinity);
  });

  it('has nothing above the limit after it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2 }),
        (list) => {
          const place = clearStep(list, list.length);
          list.forEach((value, i) => {
            if (i >= place) expect(value).toBeLessThan(0.1 + 1e-12);
          });
        },
      ),
    );
  });
});

describe('the way ahead', () => {
  it('is run for every tank, and picks rows as they are', () => {
    const ensemble = ensembleOf(dosed(), [
      { now: { ammonia: 1, capacityA: 2 } },
      { now: { ammonia: 1, capacityA: 0.1 } },
    ]);
    const ahead = runAhead(ensemble);
    expect(ahead.ammoniaClears[0]).toBeLessThan(ahead.ammoniaClears[1] ?? 0);
    expect(ahead.ammonia[0]).toBeCloseTo(1, 6);
    const twice = rowsAhead(ahead, [1, 1]);
    expect(twice.ammoniaClears[0]).toBe(ahead.ammoniaClears[1]);
    expect(twice.ammonia.slice(0, 5)).toEqual(ahead.ammonia.slice(ahead.points, ahead.points + 5));
  });

  it('is fed by fish that stay, and by nothing else', () => {
    const problem = dosed();
    const ensemble = ensembleOf(problem, [{}]);
    const [member] = ensemble.members;
    if (!member) throw new Error('no tank');
    expect(standingEvents(problem, member, 10)).toEqual([]);
    const events = standingEvents({ ...problem, fish: 0.1 }, { ...member, fish: 2 }, 10);
    expect(events.reduce((sum, e) => sum + (e.ammonia ?? 0), 0)).toBeCloseTo(2, 9);
    expect(events.reduce((sum, e) => sum + (e.alkalinity ?? 0), 0)).toBeCloseTo(0.4, 9);
  });
});

describe('the ensemble as it is asked', () => {
  const spread = (at: number) =>
    ensembleOf(
      dosed(at),
      [0.3, 0.5, 0.8, 1.2, 2, 3].map((capacityB) => ({ now: { nitrite: 1.5, capacityB } })),
    );
  const mean = (list: Float64Array) => list.reduce((a, b) => a + b, 0) / list.length;

  it('leans to tanks that are soon clear, the more the further it is on its way', () => {
    const lean = (at: number) => {
      const ensemble = spread(at);
      const ahead = runAhead(ensemble);
      const asked = asAsked(ensemble, ahead);
      return {
        way: asked.ensemble.way,
        by: mean(ahead.nitriteClears) - mean(asked.ahead.nitriteClears),
        size: asked.ensemble.members.length,
      };
    };
    const [early, late] = [lean(1.2), lean(9)];
    expect(early.way).toBeLessThan(late.way);
    expect(late.way).toBeLessThanOrEqual(1);
    expect(early.by).toBeGreaterThanOrEqual(0);
    expect(late.by).toBeGreaterThan(0);
    expect([early.size, late.size]).toEqual([6, 6]);
  });

  it('leaves tanks that are all alike as they are', () => {
    const ensemble = ensembleOf(dosed(), [NITRITE, NITRITE, NITRITE]);
    const ahead = runAhead(ensemble);
    expect(asAsked(ensemble, ahead).ahead.nitriteClears).toEqual(ahead.nitriteClears);
  });
});

const NITRITE = { now: { nitrite: 1 } };

describe('what a change would do', () => {
  it('raises alkalinity to its goal in steps that animals bear', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 12, noNaN: true }), (alkalinity) => {
        const events = raising(alkalinity);
        const total = events.reduce((sum, e) => sum + (e.alkalinity ?? 0), 0);
        expect(total).toBeCloseTo(Math.max(0, alkalinity > 8.45 ? 0 : 8.5 - alkalinity), 0);
        for (const event of events) expect(event.alkalinity).toBeLessThanOrEqual(1.4 + 1e-9);
        expect(new Set(events.map((e) => e.step)).size).toBe(events.length);
      }),
    );
  });

  const savedBy = (told: Parameters<typeof ensembleOf>[1][number], tank = {}) => {
    const problem = problemOn(
      10,
      (log) => {
        log.dose(day(1), 1.6);
        if ('cold' in tank) log.digital('thermometer', day(2), 20);
      },
      { doneRule: { rule: 'bothZero' } },
    );
    const whatIfs = whatIfsOf(ensembleOf(problem, [told, told, told]));
    return (id: string) => whatIfs.find((w) => w.id === id);
  };

  it('is worth days where it is what is wanting', () => {
    const low = savedBy({ now: { ammonia: 1.2, alkalinity: 0.8, capacityA: 0.5 } });
    expect(low('raiseAlkalinity')?.daysSaved).toBeGreaterThan(3);
    // Acid has stopped it for good: without alkalinity there is no date at all.
    const stuck = savedBy({ now: { ammonia: 3, alkalinity: 0.5, capacityA: 0.5 } });
    expect(stuck('doNothing')?.ready.p50).toBeNull();
    expect(stuck('raiseAlkalinity')?.ready.p50).not.toBeNull();
    expect(low('warmTo26')).toBeUndefined();
    const cold = savedBy(
      { now: { ammonia: 1.5, capacityA: 0.05, capacityB: 0.02 } },
      { cold: true },
    );
    expect(cold('warmTo26')?.daysSaved).toBeGreaterThan(1);
    expect(cold('raiseAlkalinity')).toBeUndefined();
    expect(cold('addBottle')?.daysSaved).toBeGreaterThan(0);
  });

  it('costs days where more ammonia has to be cleared', () => {
    const tank = savedBy({ now: { nitrite: 0.5, capacityA: 1, capacityB: 0.3 } });
    expect(tank('doseAgain')?.daysSaved).toBeLessThan(0);
    expect(tank('doNothing')?.daysSaved).toBe(0);
  });
});
