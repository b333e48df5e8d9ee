import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import fc from 'fast-check';
import {
  addDaysIn,
  agoWords,
  atTimeOn,
  countdownWords,
  dayOf,
  daysBetween,
  daysUntilDay,
  HOUR_MS,
  instant,
  isKnownZone,
  isoInZone,
  momentInSentence,
  momentWords,
  startOfDayIn,
  timeWords,
  untilWords,
} from '..';

const BERLIN = 'Europe/Berlin';
const AUCKLAND = 'Pacific/Auckland';

describe('days in a tank’s zone', () => {
  it('are not those of UTC', () => {
    const ms = instant('2026-11-23T12:30:00Z');
    expect(dayOf(ms, AUCKLAND)).toBe('2026-11-24');
    expect(dayOf(ms, BERLIN)).toBe('2026-11-23');
  });

  it('keep the wall clock across the change to summer time', () => {
    const before = atTimeOn('2026-03-28', 18, 40, BERLIN);
    const after = addDaysIn(before, 1, BERLIN);
    expect(timeWords(after, BERLIN)).toBe('18:40');
    expect(after - before).toBe(23 * HOUR_MS);
    expect(daysBetween(before, after, BERLIN)).toBe(1);
  });

  it('count midnight to midnight, not in 24 h steps', () => {
    const late = atTimeOn('2026-05-04', 23, 59, BERLIN);
    expect(daysBetween(late, late + 2 * 60_000, BERLIN)).toBe(1);
    expect(startOfDayIn(late, BERLIN)).toBe(atTimeOn('2026-05-04', 0, 0, BERLIN));
  });

  it('add and count back to the same number, in any zone', () => {
    const zones = fc.constantFrom('UTC', BERLIN, AUCKLAND, 'America/St_Johns', 'Asia/Kathmandu');
    const from = Date.UTC(2024, 0, 1);
    fc.assert(
      fc.property(
        fc.integer({ min: from, max: from + 4e10 }),
        fc.integer({ min: -400, max: 400 }),
        zones,
        (ms, days, zone) => {
          expect(daysBetween(ms, addDaysIn(ms, days, zone), zone)).toBe(days);
        },
      ),
    );
  });

  it('are counted to the first that begins at or after a moment', () => {
    const from = atTimeOn('2026-03-28', 9, 0, BERLIN);
    expect(daysUntilDay(from, atTimeOn('2026-03-29', 0, 0, BERLIN), BERLIN)).toBe(1);
    expect(daysUntilDay(from, atTimeOn('2026-03-29', 0, 1, BERLIN), BERLIN)).toBe(2);
    expect(daysUntilDay(from, atTimeOn('2026-03-30', 0, 0, BERLIN), BERLIN)).toBe(2);
    expect(daysUntilDay(from, atTimeOn('2026-03-28', 0, 0, BERLIN), BERLIN)).toBe(0);
  });

  it('write an instant with the offset its zone had', () => {
    const ms = instant('2026-07-01T10:00:00Z');
    expect(isoInZone(ms, BERLIN)).toBe('2026-07-01T12:00:00+02:00');
    expect(instant(isoInZone(ms, AUCKLAND))).toBe(ms);
    expect(isoInZone(ms, 'UTC')).toBe('2026-07-01T10:00:00+00:00');
  });

  it('are written as a calendar of the zone has them, through every change of its clocks', () => {
    const zones = [
      'UTC',
      BERLIN,
      AUCKLAND,
      'America/St_Johns',
      'Asia/Kathmandu',
      'Africa/Monrovia',
    ];
    const moments = fc.date({
      min: new Date('1960-01-01T00:00:00Z'),
      max: new Date('2060-01-01T00:00:00Z'),
      noInvalidDate: true,
    });
    fc.assert(
      fc.property(fc.constantFrom(...zones), moments, (zone, moment) => {
        const ms = moment.getTime();
        const asDrawn = format(new TZDate(ms, zone), "yyyy-MM-dd'T'HH:mm:ssxxx");
        expect(isoInZone(ms, zone)).toBe(asDrawn);
      }),
    );
  });

  it('know a zone from a slip', () => {
    expect(isKnownZone(BERLIN)).toBe(true);
    expect(isKnownZone('Europe/Nowhere')).toBe(false);
  });
});

describe('moments in words', () => {
  const now = atTimeOn('2026-11-23', 18, 40, BERLIN);

  it('are near or dated', () => {
    expect(momentWords(now, BERLIN, now)).toBe('Today 18:40');
    expect(momentWords(now - 24 * HOUR_MS, BERLIN, now)).toBe('Yesterday 18:40');
    expect(momentWords(atTimeOn('2026-11-01', 7, 5, BERLIN), BERLIN, now)).toBe('Sun 1 Nov 07:05');
    expect(momentWords(atTimeOn('2025-11-01', 7, 5, BERLIN), BERLIN, now)).toBe(
      'Sat 1 Nov 2025 07:05',
    );
  });

  it('are as far off as they are', () => {
    expect(agoWords(now - 1000, BERLIN, now)).toBe('just now');
    expect(agoWords(now - 3 * HOUR_MS, BERLIN, now)).toBe('3 h ago');
    expect(agoWords(now - 20 * HOUR_MS, BERLIN, now)).toBe('yesterday');
    expect(agoWords(addDaysIn(now, -9, BERLIN), BERLIN, now)).toBe('9 days ago');
    expect(untilWords(addDaysIn(now, 6, BERLIN), BERLIN, now)).toBe('in 6 days');
  });

  it('count a timer down to nothing and no further', () => {
    expect(countdownWords(222_000)).toBe('3:42');
    expect(countdownWords(-5)).toBe('0:00');
    expect(countdownWords(23 * HOUR_MS + 65_000)).toBe('23:01:05');
    expect(
      momentInSentence(instant('2026-11-23T18:40:00Z'), 'UTC', instant('2026-11-24T09:00:00Z')),
    ).toBe('yesterday 18:40');
    expect(
      momentInSentence(instant('2026-11-03T18:40:00Z'), 'UTC', instant('2026-11-24T09:00:00Z')),
    ).toBe('Tue 3 Nov 18:40');
  });
});
