import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { cycleProblem, infer, type Posterior } from '../../cycle/forecast';
import { capacityCurve, capacityOn, FREE_LIMIT } from '../../cycle/forecast/capacity';
import { carry } from '../../cycle/forecast/course/carry';
import { tankHistory } from '../../history/derive';
import { canAdd, type AddAnswer } from './add';
import { factsOf, type StockFacts } from '../planner/facts';
import { stockSource } from '../planner/source';

const FEW = { seed: 1, particles: 60, otherParticles: 10, members: 60 };

/** A tank that cleared two doses of ammonia and was found ready. */
function cycled(litres: number): { facts: StockFacts; posterior: Posterior } {
  const builder = new LogBuilder({
    volume: {
      shell: {
        by: 'dimensions',
        box: { length: 100, width: litres / 4, height: 50, glass: 10, fillGap: 3 },
      },
      rockKg: 0,
      rockDensity: 2,
      sandDepth: 4,
      sump: null,
      measuredAtFill: { by: 'litres', litres },
    },
  });
  builder.dose(onDay(0), 2);
  for (const [day, ammonia, nitrite] of [
    [4, 2, 0],
    [10, 1, 1],
    [14, 0, 2],
    [20, 0, 2],
    [26, 0, 0],
  ] as const) {
    builder.ammonia(onDay(day), ammonia);
    builder.nitrite(onDay(day), nitrite);
  }
  builder.dose(onDay(27), 2);
  for (const day of [28, 29, 34]) {
    builder.ammonia(onDay(day), 0);
    builder.nitrite(onDay(day), 0);
  }
  builder.conditions(onDay(34));
  const at = onDay(35);
  const log = builder.log();
  const history = tankHistory(log, builder.tankId, at);
  return {
    facts: factsOf(stockSource(log, history, at, { ready: true, forecast: null })),
    posterior: infer(cycleProblem(history, at), FEW),
  };
}

const large = cycled(200);
const ask = (species: string, count = 1, changes: Partial<StockFacts> = {}): AddAnswer =>
  canAdd({ ...large.facts, ...changes }, large.posterior, { species, count });

describe('can I add this today?', () => {
  it('a pair of small fish in a tank that has just cycled: yes, with its peak', () => {
    const answer = ask('ocellaris-clownfish', 2);
    expect([answer.answer, answer.rule, answer.until]).toEqual(['yes', 'fits', null]);
    expect(answer.peak && answer.peak.p50 <= answer.peak.p90 && answer.peak.p90 <= FREE_LIMIT).toBe(
      true,
    );
    expect(answer.passesAt).toBeGreaterThanOrEqual(large.facts.at);
    expect([answer.most, answer.quarantineDays]).toEqual([2, 28]);
  });

  it('ten in a young tank of 60 L: no, by the rule of the first fish, and how many instead', () => {
    const small = cycled(60);
    const answer = canAdd(small.facts, small.posterior, { species: 'neon-goby', count: 10 });
    expect([answer.answer, answer.rule]).toEqual(['no', 'ownKind']);
    const tangs = canAdd(small.facts, small.posterior, { species: 'yellow-tang', count: 10 });
    expect([tangs.answer, tangs.most]).toEqual(['no', 0]);
    const group = ask('chalk-bass', 10);
    expect([group.answer, group.rule, group.most]).toEqual(['no', 'first', 2]);
  });

  it('a lid and a heater that was never checked are gates', () => {
    const open = ask('firefish', 1, { home: { ...large.facts.home, lid: false } });
    expect([open.answer, open.rule]).toEqual(['no', 'lid']);
    const unchecked = ask('firefish', 1, { heater: false });
    expect(unchecked.barriers.map(({ rule }) => rule)).toContain('heater');
    // A coral neither jumps nor waits for the heater.
    expect(
      ask('green-star-polyps', 1, { home: { ...large.facts.home, lid: false } }).barriers.map(
        ({ rule }) => rule,
      ),
    ).not.toContain('lid');
  });

  it('waits for the cycle, with its day, and names the lid beside it', () => {
    const p50 = large.facts.at + 12 * 86_400_000;
    const answer = ask('ocellaris-clownfish', 2, {
      isReady: false,
      ready: { p10: p50, p50, p90: p50 },
      home: { ...large.facts.home, lid: false },
    });
    expect([answer.answer, answer.rule]).toEqual(['wait', 'ready']);
    expect(answer.until).toBeGreaterThanOrEqual(p50 - 86_400_000);
    expect(answer.barriers.map(({ rule }) => rule)).toContain('lid');
    // Of several things to wait for the last one to lift is the reason.
    const both = ask('mandarin-dragonet', 1, {
      isReady: false,
      ready: { p10: p50, p50, p90: p50 },
    });
    expect([both.answer, both.rule]).toEqual(['wait', 'pods']);
    const never = ask('ocellaris-clownfish', 2, {
      isReady: false,
      ready: { p10: null, p50: null, p90: null },
    });
    expect([never.answer, never.until]).toEqual(['no', null]);
  });

  it('waits a month after the first fish, and months for those that need them', () => {
    const cohorts: StockFacts['cohorts'] = [
      {
        id: 'a',
        what: 'Goby',
        group: 'fish',
        species: 'neon-goby',
        arrivedAt: large.facts.at - 5 * 86_400_000,
        here: 1,
      },
    ];
    const soon = ask('royal-gramma', 1, { cohorts });
    expect([soon.answer, soon.rule]).toEqual(['wait', 'doubling']);
    const mandarin = ask('mandarin-dragonet');
    expect([mandarin.answer, mandarin.rule]).toEqual(['wait', 'pods']);
    expect(mandarin.until).toBeGreaterThan(large.facts.at + 200 * 86_400_000);
  });

  it('says no for good to what would eat or fight those that live there', () => {
    const cohorts: StockFacts['cohorts'] = [
      {
        id: 'a',
        what: 'Shrimp',
        group: 'invertebrate',
        species: 'skunk-cleaner-shrimp',
        arrivedAt: large.facts.at - 90 * 86_400_000,
        here: 2,
      },
    ];
    const puffer = ask('valentini-puffer', 1, { cohorts });
    expect([puffer.answer, puffer.rule, puffer.most]).toEqual(['no', 'crushes', 0]);
  });

  it('knows no animal of another world', () => {
    expect(() => ask('unicorn')).toThrow(/no animal called "unicorn"/);
  });
});

describe('capacity by date', () => {
  const { posterior } = large;
  const curve = capacityCurve(posterior, 0.05, [0, 14, 60]);

  it('never falls, and is what a simulation bears', () => {
    expect(curve.most.every((most, i) => most >= (curve.most[i - 1] ?? 0))).toBe(true);
    const now = curve.most[0] ?? 0;
    expect(now).toBeGreaterThan(0.02);
    const within = carry(posterior, [{ fromDay: 0, nitrogen: now * 0.8 }], 21).peakFree.p90;
    const beyond = carry(posterior, [{ fromDay: 0, nitrogen: now * 3 }], 21).peakFree.p90;
    expect([within <= FREE_LIMIT * 1.1, beyond > FREE_LIMIT]).toEqual([true, true]);
  });

  it('lies straight between its points and level beyond them', () => {
    const line = { days: [0, 10, 20], most: [1, 2, 4] };
    expect([0, 5, 10, 15, 99].map((day) => capacityOn(line, day))).toEqual([1, 1.5, 2, 3, 4]);
  });

  it('a stricter limit leaves less', () => {
    const strict = capacityCurve(posterior, 0.05, [0], FREE_LIMIT / 4);
    expect(strict.most[0]).toBeLessThan(curve.most[0] ?? 0);
  });
});
