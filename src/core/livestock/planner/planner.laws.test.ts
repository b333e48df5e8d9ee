import fc from 'fast-check';
import { brokenRules } from '../../../testing/planChecker';
import { datedOf, dayOf, facts, FACTS, NOW, WIDE } from '../../../testing/planFacts';
import { bestByTrying } from '../../../testing/planOracle';
import { capacityOn, type CapacityCurve } from '../../cycle/forecast/capacity';
import { CATALOGUE } from '../catalogue';
import type { StockFacts } from './facts';
import { planFrom } from './plan';
import { draws } from '../../../testing/draws';

const DAY = 86_400_000;

const wishable = CATALOGUE.filter(
  (animal) => animal.group !== 'fish' || animal.leastLitres <= 475,
).map(({ id }) => id);
const anyFacts = (most: number) =>
  fc
    .record({
      species: fc.uniqueArray(fc.constantFrom(...wishable), { minLength: 1, maxLength: most }),
      counts: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: most, maxLength: most }),
      pace: fc.constantFrom<StockFacts['stocking']['pace']>(
        { rule: 'doubling' },
        { rule: 'interval', days: 14 },
        { rule: 'measured' },
      ),
      protocol: fc.constantFrom('observe', 'trusted', 'none'),
      litres: fc.constantFrom(120, 250, 400, 900),
      ready: fc.integer({ min: 0, max: 60 }),
      tanks: fc.constantFrom([75], [40, 75], [60, 60]),
      most: fc.constantFrom(0.05, 0.2, 2),
      resident: fc.boolean(),
      pin: fc.option(fc.integer({ min: 20, max: 120 }), { nil: undefined }),
    })
    .map(({ species, counts, pace, protocol, litres, ready, tanks, most, resident, pin }) => ({
      curve: { days: [0, 60, 540], most: [most / 4, most / 2, most] },
      facts: facts(
        species.map((id, i) => ({
          species: id,
          count: counts[i] ?? 1,
          ...(i === 0 && pin !== undefined
            ? { pinned: new Date(NOW + pin * DAY).toISOString().slice(0, 10) }
            : {}),
        })),
        {
          netLitres: litres,
          home: { litres, lengthCm: 60 + litres / 6, sandCm: 5, lid: true, temperature: 25.5 },
          stocking: { pace, protocol },
          isReady: ready === 0,
          ready: { p10: NOW + ready * DAY, p50: NOW + ready * DAY, p90: NOW + (ready + 9) * DAY },
          quarantine: tanks.map((size, n) => ({
            id: `q${n}`,
            name: `Quarantine ${n}`,
            litres: size,
            clears: null,
          })),
          cohorts: resident
            ? [
                {
                  id: 'r',
                  what: 'Clownfish',
                  group: 'fish',
                  species: 'ocellaris-clownfish',
                  sizeCm: 5,
                  arrivedAt: NOW - 50 * DAY,
                  here: 2,
                },
              ]
            : [],
        },
      ),
    }));

describe('up to seven wishes', () => {
  const asGood = (given: StockFacts, curve: CapacityCurve) => {
    const plan = planFrom(given, curve);
    const sum = plan.items.reduce((total, { addOn }) => total + dayOf(addOn.p50), 0);
    const best = bestByTrying(given, (day) => capacityOn(curve, day) * given.netLitres);
    expect({ count: plan.items.length, sum }).toEqual(best);
  };

  it('come to a plan as early as trying everything does', () => {
    fc.assert(
      fc.property(anyFacts(5), ({ facts: given, curve }) =>
        asGood({ ...given, cohorts: [] }, curve),
      ),
      { numRuns: draws(15) },
    );
  });

  it('seven of them, in every order', () => {
    const seven = [
      'firefish',
      'royal-gramma',
      'neon-goby',
      { species: 'ocellaris-clownfish', count: 2 },
      'tailspot-blenny',
      'six-line-wrasse',
      'coral-beauty',
    ];
    const stocking = { pace: { rule: 'doubling' as const }, protocol: 'none' };
    asGood(facts(seven, { stocking }), WIDE);
  });
});

describe('thirty wishes', () => {
  it('are planned, each once', () => {
    const many = wishable.filter((_, i) => i % 5 === 0).slice(0, 30);
    const plan = planFrom(
      facts(many, { netLitres: 900, home: { ...FACTS.home, litres: 900, lengthCm: 250 } }),
      WIDE,
    );
    expect(plan.items.length + plan.refused.length).toBe(30);
    expect(plan.items.length).toBeGreaterThan(15);
  });
});

describe('any wishes', () => {
  it('come to a plan that breaks no rule of a checker written apart, twice the same', () => {
    fc.assert(
      fc.property(anyFacts(14), ({ facts: given, curve }) => {
        const plan = planFrom(given, curve);
        const capacity = (day: number) => capacityOn(curve, day) * given.netLitres;
        expect(brokenRules(given, datedOf(plan), capacity)).toEqual([]);
        expect(plan.items.length + plan.refused.length).toBe(given.wishes.length);
        for (const { because, mend } of plan.refused)
          expect(because === '' || mend === '').toBe(false);
        expect(planFrom(given, curve)).toEqual(plan);
      }),
      { numRuns: draws(20) },
    );
  });
});
