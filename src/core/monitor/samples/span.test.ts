import fc from 'fast-check';
import { minuteOf, NONE, stepsOf } from './block';
import { alarmEntryId, isNight, lastNight, nightOf, spanId, steadyHour } from './span';

const ZONES = ['UTC', 'Europe/Berlin', 'Pacific/Auckland'] as const;

it('the steadiest hour that is nearly whole speaks for a night', () => {
  const minutes = Array.from({ length: 360 }, (_, n) => {
    const hour = Math.floor(n / 60);
    // Hour 1 is the steadiest but has ten minutes missing; hour 3 is the next.
    if (hour === 1) return n % 6 === 0 ? NONE : 2500;
    return 2500 + (hour === 3 ? n % 2 : n % 20);
  });
  const span = steadyHour('temperature', '2026-03-02', 'UTC', minutes);
  expect(span).toEqual({
    channel: 'temperature',
    at: Date.parse('2026-03-02T03:00:00Z'),
    least: 25,
    middle: 25,
    most: 25.01,
  });
  expect(steadyHour('temperature', '2026-03-02', 'UTC', new Array(360).fill(NONE))).toBeNull();
  expect(steadyHour('temperature', '2026-03-02', 'UTC', [])).toBeNull();
});

it('neither a bubble at the probe nor a probe that is stuck speaks for a night', () => {
  const bubble = Array.from({ length: 360 }, (_, n) => (n < 60 ? 0 : 3450 + (n % 7)));
  expect(steadyHour('salinity', '2026-03-02', 'UTC', bubble)?.least).toBe(34.5);
  expect(steadyHour('ph', '2026-03-02', 'UTC', new Array<number>(360).fill(8100))).toBeNull();
});

it('its middle lies between its least and its most, within what was measured', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 7, max: 9, noNaN: true }), { minLength: 360, maxLength: 360 }),
      (values) => {
        const span = steadyHour(
          'ph',
          '2026-03-02',
          'UTC',
          values.map((value) => stepsOf('ph', value)),
        );
        expect(span).not.toBeNull();
        if (!span) return;
        expect(span.least).toBeLessThanOrEqual(span.middle);
        expect(span.middle).toBeLessThanOrEqual(span.most);
      },
    ),
    { numRuns: 30 },
  );
});

it('the last night is over at a moment, and the next is not', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1_700_000_000_000, max: 1_900_000_000_000 }),
      fc.constantFrom(...ZONES),
      (now, zone) => {
        const day = lastNight(now, zone);
        expect(nightOf(day, zone).to).toBeLessThanOrEqual(minuteOf(now));
        expect(minuteOf(now) - nightOf(day, zone).to).toBeLessThan(25 * 60);
      },
    ),
  );
});

it('people sleep from ten to seven where the tank stands', () => {
  const at = (time: string, zone: string) => isNight(Date.parse(`2026-03-02T${time}:00Z`), zone);
  expect(['21:59', '22:00', '06:59', '07:00'].map((time) => at(time, 'UTC'))).toEqual([
    false,
    true,
    true,
    false,
  ]);
  expect(at('20:30', 'Europe/Berlin')).toBe(false);
  expect(at('21:30', 'Europe/Berlin')).toBe(true);
});

it('ids are made of what they are of', () => {
  expect(spanId('a', 'ph', '2026-03-02')).toBe(spanId('a', 'ph', '2026-03-02'));
  expect(spanId('a', 'ph', '2026-03-02')).not.toBe(spanId('a', 'ph', '2026-03-03'));
  expect(alarmEntryId('a', 'leak', 1)).not.toBe(alarmEntryId('a', 'leak', 2));
});
