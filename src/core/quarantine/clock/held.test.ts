import fc from 'fast-check';
import { LogBuilder } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import type { Batch } from '../../records/schema/batch';
import { DAY_MS } from '../../time/zone';
import { quarantineAsks } from '../asks';
import { clockOf } from '../batch';
import { heldDays } from './held';
import { protocolOf, stagesNow } from '../protocols';
import { batchSentence } from '../words';

const { holds } = protocolOf('lowSalinity');
const { holds: warm } = protocolOf('isolateWarm');
if (!holds || !warm) throw new Error('Neither holds anything.');
const daily = (...values: number[]) => values.map((best, day) => ({ at: day * DAY_MS, best }));

describe('a salinity that is held low', () => {
  it('counts days while every reading lies within, and none before it is down', () => {
    expect(heldDays(holds, daily(35, 24, 12, 12, 12), 5 * DAY_MS)).toMatchObject({
      days: 3,
      done: null,
      reads: 'within',
    });
  });

  it('begins anew with one above, and does not count what lies below', () => {
    expect(heldDays(holds, daily(12, 12, 12, 14, 12), 5 * DAY_MS).days).toBe(1);
    expect(heldDays(holds, daily(12, 12, 10, 10, 12), 5 * DAY_MS).days).toBe(3);
    expect(heldDays(warm, daily(27.5, 27.5, 26, 27.5), 4 * DAY_MS).days).toBe(1);
  });

  it('is done after thirty days, and raising it afterwards takes nothing back', () => {
    const readings = [...daily(...Array<number>(31).fill(12)), { at: 32 * DAY_MS, best: 20 }];
    expect(heldDays(holds, readings, 33 * DAY_MS)).toEqual({
      days: 30,
      done: 30 * DAY_MS,
      reads: 'above',
    });
  });

  it('never counts more than the time that was read, nor without a reading', () => {
    const one = fc.record({
      at: fc.integer({ min: 0, max: 60 }).map((day) => day * DAY_MS),
      best: fc.double({ min: 5, max: 36, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 40 }), (some) => {
        const readings = some.toSorted((a, b) => a.at - b.at);
        const { days, done } = heldDays(holds, readings, 61 * DAY_MS);
        const within = readings.filter(({ best }) => best >= 11 && best <= 13).length;
        expect(days).toBeLessThanOrEqual(2 * within);
        expect(done === null).toBe(days < 30);
      }),
    );
  });
});

describe('a batch at low salinity', () => {
  const BEGUN = Date.parse('2026-05-04T10:00:00Z');
  const at = (day: number) => BEGUN + day * DAY_MS;
  const protocol = protocolOf('lowSalinity');

  /** A batch of one fish with a salinity read every day. */
  function kept(salinity: (day: number) => number) {
    const log = new LogBuilder({ kind: 'quarantine', filledOn: '2026-05-01', rock: 'none' });
    const what = 'Tang';
    const cohort = log.entry(BEGUN, { kind: 'animals', move: 'in', group: 'fish', what, count: 1 });
    for (let day = 0; day < 90; day += 1) {
      log.digital('refractometer', at(day) + 3_600_000, salinity(day));
    }
    const batch: Batch = {
      tankId: log.tankId,
      forTankId: log.tankId,
      protocol: protocol.id,
      begunAt: new Date(BEGUN).toISOString(),
      restartedAt: null,
      animals: [{ what, count: 1, cohort }],
      endedAt: null,
    };
    return (day: number) => {
      const history = tankHistory(log.log(), log.tankId, at(day));
      const clock = clockOf(batch, history, protocol, at(day));
      const plan = { everyDays: 1, litres: 20, nitrogen: 9, carried: 0 };
      const asks = quarantineAsks(
        history,
        [{ id: 'b', batch, protocol, clock, plan }],
        [],
        at(day),
      );
      const title = batchSentence(
        { clock, animals: [], toCheck: 0 },
        protocol,
        'UTC',
        at(day),
      ).title;
      return { clock, titles: asks.map((ask) => ask.title), title };
    };
  }

  it('is raised only once it was held, however many days passed', () => {
    // On day 20 it stood at 15: the thirty days begin anew with day 21.
    const on = kept((day) => (day < 2 ? 24 : day === 20 ? 15 : day < 52 ? 12 : 20));
    expect(on(40).titles).not.toContain('Up and watch');
    expect(on(40).title).toBe('12 days at 11 to 13 ppt to go.');
    expect(stagesNow(protocol, on(40).clock).map(({ name }) => name)).toEqual(['Hold']);
    expect(on(53).titles).toContain('Up and watch');
    expect(on(53).title).toBe('Held long enough.');
    expect(stagesNow(protocol, on(53).clock).map(({ name }) => name)).toEqual(['Up and watch']);
    expect(on(70).clock.isClear).toBe(false);
    const { p10, p50, p90 } = on(70).clock.release;
    expect(p10).toBe(Date.parse('2026-07-31T00:00:00Z'));
    expect(p50 >= p10 && p90 >= p50).toBe(true);
    expect(on(89).clock.isClear).toBe(true);
  });
});
