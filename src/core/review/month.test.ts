import { shiftedMonth } from '../time/month';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { bandsOf } from '../parameters/bands';
import { monthReview, monthSentence } from './month';

const bands = bandsOf('mixedReef', {});

function review(build: (builder: LogBuilder) => void, month = '2026-04', now = onDay(80)) {
  const builder = new LogBuilder({ runningSince: '2026-03-02', fishInSince: '2026-03-02' });
  build(builder);
  return monthReview(tankHistory(builder.log(), builder.tankId, now), bands, month, now);
}

/** Days of April 2026 by the days of the tank's life. */
const april = (date: number) => onDay(29 + date);

describe('a month', () => {
  it('holds what lies in it and nothing of its neighbours', () => {
    const found = review((builder) => {
      builder.entry(april(0), { kind: 'waterChange', litres: 99, newWater: {} });
      builder.entry(april(1), { kind: 'waterChange', litres: 10, newWater: {} });
      builder.entry(april(30), { kind: 'waterChange', litres: 12, newWater: {} });
      builder.entry(april(31), { kind: 'waterChange', litres: 99, newWater: {} });
      builder.entry(april(5), { kind: 'cost', of: 'tests', amount: 20 });
      builder.entry(april(6), { kind: 'cost', of: 'food', amount: 5 });
      builder.entry(april(7), {
        kind: 'taskMark',
        task: 'chore/glass/2026-04-08',
        title: 'Clean the glass',
        how: 'done',
      });
      builder.entry(april(8), {
        kind: 'taskMark',
        task: 'chore/socks/2026-04-09',
        title: 'Change the socks',
        how: 'skipped',
      });
    });
    expect(found).toMatchObject({
      changes: 2,
      changedLitres: 22,
      paid: 25,
      paidForTests: 20,
      done: 1,
      skipped: 1,
      over: true,
    });
  });

  it('says what its tests told: how often a reading lay outside its band, and what drifted', () => {
    const found = review((builder) => {
      for (let date = 2; date <= 28; date += 2) {
        builder.digital('alkalinityDrops', april(date), 9.5 - date * 0.12);
        builder.digital('refractometer', april(date), 35 + (date % 4 === 0 ? 0.1 : -0.1));
      }
    });
    const alkalinity = found.parameters.find(({ parameter }) => parameter === 'alkalinity');
    expect(alkalinity).toMatchObject({ tests: 14, drift: 'down' });
    expect(alkalinity?.outside).toBeGreaterThan(0);
    expect(found.parameters.find(({ parameter }) => parameter === 'salinity')?.drift).toBeNull();
    expect(found.tests).toBe(28);
    expect(monthSentence(found).title).toBe('Alkalinity drifted.');
  });

  it('begins with a loss, whatever else happened', () => {
    const found = review((builder) => {
      builder.entry(april(3), {
        kind: 'animals',
        move: 'in',
        group: 'fish',
        what: 'Firefish',
        count: 1,
      });
      builder.entry(april(9), {
        kind: 'animals',
        move: 'died',
        group: 'fish',
        what: 'Firefish',
        count: 1,
      });
      builder.digital('alkalinityDrops', april(9), 6);
    });
    expect(monthSentence(found)).toMatchObject({ title: '1 loss this month.' });
    expect(monthSentence(found).detail).toMatch(
      /^Firefish\. Firefish came in\. 1 test, no water change/,
    );
  });

  it('is steady, or empty, where nothing else can be said', () => {
    const steady = review((builder) => void builder.digital('alkalinityDrops', april(9), 8.5));
    expect(monthSentence(steady).title).toBe('A steady month.');
    expect(monthSentence(review(() => undefined)).title).toBe('Nothing is on record.');
    expect(review(() => undefined, '2026-05').over).toBe(false);
  });

  it('goes on over the turn of the year', () => {
    expect([
      shiftedMonth('2025-12', 1),
      shiftedMonth('2026-01', -1),
      shiftedMonth('2026-06', 14),
    ]).toEqual(['2026-01', '2025-12', '2027-08']);
  });
});
