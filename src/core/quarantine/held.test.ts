import fc from 'fast-check';
import { DAY_MS } from '../time/zone';
import { heldDays } from './held';
import { protocolOf } from './protocols';

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
