import { tankHistory } from '@/core/history/derive';
import { DAY_MS } from '@/core/time/zone';
import { FILLED, LogBuilder, onDay } from '../logBuilder';
import { contradictions, voicesOf } from './oneStory';
import { METHODS } from './study';
import { TROUBLES } from './troubles';
import { liveUntidily, DONE_RULE_CHOICES } from './untidy';

const SMALL = { seed: 1, particles: 40, otherParticles: 12, members: 60 };

describe('all that is said of a tank', () => {
  // One look into a life of every kind, late, where verdict and forecast meet; more in `npm run study -- stories`.
  it.each(TROUBLES.map((trouble, n) => [trouble, n] as const))(
    'is one story in a life that goes like this: %s',
    (trouble, n) => {
      const doneRule = DONE_RULE_CHOICES[n % DONE_RULE_CHOICES.length];
      const method = METHODS[n % METHODS.length];
      if (!doneRule || !method) throw new Error(trouble);
      const life = liveUntidily(trouble, doneRule, method, 31_337 + 17 * n);
      const last = life.testSessions.at(-2 - (n % 3));
      const at = FILLED + Math.round(((last?.day ?? 20) + 0.02) * DAY_MS);
      const history = tankHistory(life.builder.log(), life.builder.tankId, at);
      expect(contradictions(voicesOf(history, at, SMALL))).toEqual([]);
    },
  );

  it('is found out where it is not', () => {
    const builder = new LogBuilder({ doneRule: { rule: 'bothZero' } });
    builder.dose(onDay(1), 2);
    builder.ammonia(onDay(3), 2);
    builder.nitrite(onDay(5), 2);
    builder.entry(onDay(5), { kind: 'animals', move: 'in', group: 'fish', what: 'Goby' });
    const told = voicesOf(tankHistory(builder.log(), builder.tankId, onDay(6)), onDay(6), SMALL);
    expect(contradictions(told)).toEqual([]);
    const { advice, verdict, forecast } = told;
    expect(contradictions({ ...told, advice: { ...advice, rise: 1 } })).toEqual([
      'a dose with an animal in',
    ]);
    const late = forecast.nextTest && { ...forecast.nextTest, inDays: 8 };
    expect(contradictions({ ...told, forecast: { ...forecast, nextTest: late } })).toEqual([
      'an animal in ammonia or nitrite, and no test within a day',
    ]);
    const done = { ...verdict, cycled: true, word: 'ready' as const };
    expect(contradictions({ ...told, verdict: done })).toContain('done while it reads above zero');
    const past = { ...forecast.milestones, ready: { ...forecast.milestones.ready, p10: onDay(4) } };
    expect(contradictions({ ...told, forecast: { ...forecast, milestones: past } })).toContain(
      'ready at a date gone by',
    );
  });
});
