import { draws } from '@/testing/draws';
import fc from 'fast-check';
import { verdictOf } from './verdict';
import { DONE_RULES } from '../doneRules';
import { tankHistory } from '../../history/derive';
import type { Tank } from '../../records/schema/tank';
import { DAY_MS, HOUR_MS } from '../../time/zone';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { ASSURED } from '../../../testing/assured';

const CHOICES: Tank['doneRule'][] = [
  { rule: 'bothZero' },
  { rule: 'bothZeroHeld', daysAtZero: 7 },
  { rule: 'challenge', windowHours: 24 },
  { rule: 'nitrateLevel' },
  { rule: 'bottleProgramme', programmeDays: 15 },
  { rule: 'algaeSuccession' },
];

const logged = fc.record({
  what: fc.constantFrom(
    'ammonia',
    'nitrite',
    'nitrate',
    'dose',
    'change',
    'light',
    'alkalinity',
    'probe',
  ),
  hours: fc.integer({ min: 0, max: 30 * 24 }),
  step: fc.integer({ min: 0, max: 3 }),
});

type Logged = typeof logged extends fc.Arbitrary<infer T> ? T : never;

/** A tank with a random log of its cycle. */
function tankWith(doneRule: Tank['doneRule'], zone: string, entries: Logged[]) {
  const builder = new LogBuilder({ doneRule, zone });
  for (const { what, hours, step } of entries) {
    const at = onDay(0) + hours * HOUR_MS;
    if (what === 'ammonia') builder.ammonia(at, [0, 0.25, 1, 2][step] ?? 0);
    else if (what === 'nitrite') builder.nitrite(at, [0, 0, 1, 5][step] ?? 0);
    else if (what === 'nitrate') builder.card('nitrateCard', at, [0, 5, 10, 20][step] ?? 0);
    else if (what === 'alkalinity') builder.digital('alkalinityDrops', at, 6 + step);
    else if (what === 'dose') builder.dose(at, 2);
    else if (what === 'probe') {
      // Zeros, traces that say neither, and ammonia, at a pH at which a zero can be told.
      const shows = [0.001, 0.001, 0.012, 0.06][step] ?? 0;
      builder.digital('freeAmmoniaProbe', at, shows, { readBy: 'instrument' });
      builder.digital('phPen', at, 8.3);
    } else if (what === 'light')
      builder.entry(at, { kind: 'light', state: step > 0 ? 'on' : 'off' });
    else builder.entry(at, { kind: 'waterChange', litres: 20, newWater: {} });
  }
  return builder;
}

it('a verdict holds, in state and in words, until the moment that it says, and no longer is claimed', () => {
  let changes = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...CHOICES),
      fc.constantFrom('UTC', 'America/St_Johns', 'Pacific/Auckland'),
      fc.array(logged, { maxLength: 14 }),
      fc.integer({ min: 0, max: 45 * 24 * 60 }),
      fc.array(fc.double({ min: 0, max: 0.9999, noNaN: true }), { minLength: 6, maxLength: 6 }),
      (doneRule, zone, entries, minutes, shares) => {
        const builder = tankWith(doneRule, zone, entries);
        const history = tankHistory(builder.log(), builder.tankId);
        const at = onDay(0) + minutes * 60_000;
        const bands = { alkalinity: { low: 7, high: 9.5 } };
        const now = verdictOf(history, at, bands, ASSURED);
        expect(now.until).toBeGreaterThan(at);
        expect(now.until - at).toBeLessThanOrEqual(DAY_MS + HOUR_MS);
        for (const share of [...shares, 0.999_999_99]) {
          const moment = Math.min(now.until - 1, at + Math.floor(share * (now.until - at)));
          expect(verdictOf(history, moment, bands, ASSURED).criteria).toEqual(now.criteria);
        }
        const then = verdictOf(history, now.until, bands, ASSURED);
        if (JSON.stringify(then.criteria) !== JSON.stringify(now.criteria)) changes += 1;
      },
    ),
    { numRuns: draws(150) },
  );
  // A verdict that never changed would hold for ever, and prove nothing here.
  expect(changes).toBeGreaterThan(draws(8));
});

it('every rule for done is asked', () => {
  expect(CHOICES.map((choice) => choice.rule).sort()).toEqual(DONE_RULES.map((s) => s.id).sort());
});
