import fc from 'fast-check';
import { bandsOf, tankHistory, verdictOf, type DoneRuleChoice } from '..';
import type { AnimalGroup } from '../records/kinds/animals';
import { cycle } from '../tasks/sources/cycleTasks';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { redoseAdvice } from './dosing/redose';
import { NO_AMMONIA } from './doseAdvice';
import { forecastOf } from './forecast';
import { cycleProblem } from './problem/problem';
import { ASSURED } from '../../testing/assured';
import { draws } from '../../testing/draws';

const bands = bandsOf('mixedReef', {});
const SMALL = { seed: 1, particles: 40, otherParticles: 16, members: 60 };
/** What would have someone add ammonia, as any of our sentences puts it. */
const ADDS = /\b[Dd]ose (ammonia|\d|until|and|half)|[Aa]dd ammonia|after the next dose/;
const DONE_RULES: DoneRuleChoice[] = [
  { rule: 'bothZeroHeld', daysAtZero: 7 },
  { rule: 'challenge', windowHours: 24 },
];

/** A day, and what ammonia and nitrite read on it. */
const reading = fc.tuple(
  fc.integer({ min: 2, max: 19 }),
  fc.constantFrom(0, 0.25, 1, 4),
  fc.constantFrom(0, 0.25, 2, 5),
);

/** A weakly dosed tank with an animal in, or without. */
function tank(
  choice: DoneRuleChoice,
  animal: AnimalGroup | null,
  readings: number[][],
): LogBuilder {
  const builder = new LogBuilder({ doneRule: choice });
  builder.dose(onDay(1), 0.4);
  for (const [day = 0, ammonia = 0, nitrite = 0] of readings) {
    builder.ammonia(onDay(day), ammonia);
    builder.nitrite(onDay(day), nitrite);
  }
  if (animal) {
    builder.entry(onDay(3), { kind: 'animals', move: 'in', group: animal, what: 'One' });
  }
  return builder;
}

/** Everything that is advised for a tank on day 20. */
function advised(builder: LogBuilder): string[] {
  const at = onDay(20);
  const history = tankHistory(builder.log(), builder.tankId, at);
  const verdict = verdictOf(history, at, bands, ASSURED);
  const forecast = forecastOf(cycleProblem(history, at), SMALL);
  const world = { history, forecast, verdict, owned: new Set<never>() };
  return [
    ...verdict.criteria.flatMap((c) => c.settle ?? []),
    ...forecast.stall.map((cause) => cause.remedy),
    ...forecast.whatIfs.map(({ id }) => (id === 'doseAgain' ? 'Dose and see' : id)),
    redoseAdvice(history, forecast, at).because,
    ...cycle.occurrences(world, at, at).flatMap(({ title, because }) => [title, because]),
  ];
}

describe('advice', () => {
  it.each<AnimalGroup>(['fish', 'invertebrate', 'coral'])(
    'never adds ammonia with one %s in the tank',
    (group) => {
      fc.assert(
        fc.property(
          fc.constantFrom(...DONE_RULES),
          fc.array(reading, { maxLength: 6 }),
          (choice, readings) => {
            const words = advised(tank(choice, group, readings));
            expect(words.filter((text) => ADDS.test(text))).toEqual([]);
          },
        ),
        { numRuns: draws(3) },
      );
    },
  );

  it('never adds ammonia while a prawn rots, whatever was read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DONE_RULES),
        fc.array(reading, { maxLength: 6 }),
        (choice, readings) => {
          const builder = tank(choice, null, readings);
          builder.entry(onDay(19.5), {
            kind: 'organics',
            action: { what: 'prawnIn', grams: 30 },
          });
          expect(advised(builder).filter((text) => ADDS.test(text))).toEqual([]);
        },
      ),
      { numRuns: draws(3) },
    );
  });

  it('adds it where nothing lives, and says why not where something does', () => {
    const weak = [[5, 0, 0]];
    const [choice = DONE_RULES[0] as DoneRuleChoice] = DONE_RULES;
    expect(
      advised(tank(choice, null, weak)).filter((text) => ADDS.test(text)).length,
    ).toBeGreaterThan(2);
    expect(advised(tank(choice, 'fish', weak))).toContain(NO_AMMONIA);
  });
});
