import fc from 'fast-check';
import { brokenRules, type Dated } from '../../../testing/planChecker';
import { bestByTrying } from '../../../testing/planOracle';
import { capacityOn, type CapacityCurve } from '../../cycle/forecast/capacity';
import { CATALOGUE } from '../catalogue';
import type { StockFacts } from './facts';
import { planBy } from './by';
import { planMoves } from './moves';
import { planFrom } from './plan';
import type { Plan } from './types';

const DAY = 86_400_000;
const NOW = Date.parse('2026-03-02T00:00:00Z');

const FACTS: StockFacts = {
  tankId: 'tank',
  tank: 'Tank',
  zone: 'UTC',
  at: NOW,
  netLitres: 400,
  home: { litres: 400, lengthCm: 150, sandCm: 5, lid: true, temperature: 25.5 },
  heater: true,
  start: NOW - 60 * DAY,
  ready: { p10: NOW, p50: NOW, p90: NOW },
  isReady: true,
  alkalinitySteady: true,
  algae: true,
  stocking: { pace: { school: 'doubling' }, protocol: 'observe' },
  lots: [],
  wishes: [],
  quarantine: [{ id: 'q', name: 'Quarantine', litres: 75, busyUntil: null }],
  fed: null,
  own: [],
};

type Wished = string | (Partial<StockFacts['wishes'][number]> & { species: string });

function facts(wished: Wished[], changes: Partial<StockFacts> = {}): StockFacts {
  return {
    ...FACTS,
    ...changes,
    wishes: wished.map((wish, i) => ({
      id: `w${i}`,
      tankId: 'tank',
      count: 1,
      order: i,
      ...(typeof wish === 'string' ? { species: wish } : wish),
    })),
  };
}

const dayOf = (ms: number) => Math.round((ms - NOW) / DAY);

function datedOf(plan: Plan): Dated[] {
  return plan.items.map((item) => ({
    wishId: item.wishId,
    day: dayOf(item.addOn.p50),
    batch: item.batch,
    tank: item.quarantineTank,
    from: item.quarantineFrom === null ? null : dayOf(item.quarantineFrom),
  }));
}

const days = (plan: Plan) =>
  Object.fromEntries(plan.items.map((item) => [item.species, dayOf(item.addOn.p50)]));
const reasons = (plan: Plan) =>
  Object.fromEntries(plan.items.map((item) => [item.species, item.rule]));
const WIDE: CapacityCurve = { days: [0, 540], most: [5, 5] };

describe('pace', () => {
  it('the first addition is a pair of small fish, never more', () => {
    const plan = planFrom(
      facts([
        { species: 'green-chromis', count: 6 },
        { species: 'ocellaris-clownfish', count: 2 },
      ]),
      WIDE,
    );
    expect(plan.items[0]?.species).toBe('ocellaris-clownfish');
    const alone = planFrom(facts([{ species: 'green-chromis', count: 4 }]), WIDE);
    expect(alone.refused[0]).toMatchObject({ rule: 'first' });
  });

  it('doubling, the interval and the model each bind', () => {
    const list = ['firefish', 'royal-gramma', 'tailspot-blenny', 'neon-goby'];
    const doubling = planFrom(
      facts(list, { stocking: { pace: { school: 'doubling' }, protocol: 'none' } }),
      WIDE,
    );
    expect(Object.values(reasons(doubling))).toContain('doubling');
    const [first = 0, second = 0] = Object.values(days(doubling));
    expect(second - first).toBe(30);

    const interval = planFrom(
      facts(list, { stocking: { pace: { school: 'interval', days: 21 }, protocol: 'none' } }),
      WIDE,
    );
    expect(Object.values(reasons(interval))).toContain('interval');
    const slow: CapacityCurve = { days: [0, 90, 91, 540], most: [0.001, 0.001, 1, 1] };
    const model = planFrom(
      facts(['firefish'], { stocking: { pace: { school: 'measured' }, protocol: 'none' } }),
      slow,
    );
    expect(reasons(model)).toEqual({ firefish: 'capacity' });
    expect(days(model).firefish).toBeGreaterThanOrEqual(90);
  });

  it('residents count as what stood a month before', () => {
    const lots: StockFacts['lots'] = [
      {
        id: 'a',
        what: 'Clownfish',
        group: 'fish',
        species: 'ocellaris-clownfish',
        arrivedAt: NOW - 90 * DAY,
        here: 2,
      },
    ];
    const plan = planFrom(facts(['firefish'], { lots }), WIDE);
    expect([reasons(plan).firefish, days(plan).firefish]).toEqual(['quarantine', 28]);
  });
});

describe('what a plan waits for', () => {
  it('the cycle, in the range of its forecast', () => {
    const ready = { p10: NOW + 40 * DAY, p50: NOW + 50 * DAY, p90: NOW + 70 * DAY };
    const plan = planFrom(
      facts(['firefish', 'green-star-polyps'], { isReady: false, ready }),
      WIDE,
    );
    const fish = plan.items.find(({ species }) => species === 'firefish');
    expect(
      fish && [dayOf(fish.addOn.p10 ?? 0), dayOf(fish.addOn.p50), dayOf(fish.addOn.p90 ?? 0)],
    ).toEqual([40, 50, 70]);
    expect(reasons(plan)).toEqual({ firefish: 'ready', 'green-star-polyps': 'ready' });
  });

  it('a cycle without a date gives no date', () => {
    const ready = { p10: null, p50: null, p90: null };
    const plan = planFrom(facts(['firefish'], { isReady: false, ready }), WIDE);
    expect(plan.refused[0]).toMatchObject({
      rule: 'ready',
      because: expect.stringMatching(/nothing says yet/),
    });
  });

  it('months of running, pods, algae, alkalinity, each by name', () => {
    const plan = planFrom(
      facts(['mandarin-dragonet', 'trochus-snail', 'hammer-coral', 'tailspot-blenny'], {
        algae: false,
        alkalinitySteady: false,
        home: { ...FACTS.home, litres: 400 },
      }),
      WIDE,
    );
    expect(reasons(plan)).toMatchObject({
      'trochus-snail': 'algae',
      'tailspot-blenny': 'maturity',
      'hammer-coral': 'maturity',
    });
    const pods = planFrom(
      facts(['mandarin-dragonet'], {
        stocking: { pace: { school: 'measured' }, protocol: 'none' },
      }),
      WIDE,
    );
    expect(reasons(pods)).toEqual({ 'mandarin-dragonet': 'pods' });
  });

  it('a quarantine that is taken, and a second batch after the first has left', () => {
    const busy = [{ id: 'q', name: 'Quarantine', litres: 40, busyUntil: NOW + 10 * DAY }];
    const plan = planFrom(
      facts(['firefish', 'royal-gramma', 'neon-goby'], { quarantine: busy }),
      WIDE,
    );
    const firstFrom = Math.min(
      ...plan.items.map(({ quarantineFrom }) => quarantineFrom ?? Infinity),
    );
    expect(dayOf(firstFrom)).toBeGreaterThanOrEqual(13);
    expect(new Set(plan.items.map(({ batch }) => batch)).size).toBeGreaterThan(1);
  });

  it('those that claim ground come last, and say so', () => {
    const plan = planFrom(
      facts(['six-line-wrasse', 'firefish'], {
        stocking: { pace: { school: 'interval', days: 14 }, protocol: 'none' },
      }),
      WIDE,
    );
    expect(Object.keys(days(plan))).toEqual(['firefish', 'six-line-wrasse']);
  });
});

describe('what a plan refuses', () => {
  it('what cannot live here, and of two that cannot live together the later wish', () => {
    const small = { netLitres: 200, home: { ...FACTS.home, litres: 200, lengthCm: 80 } };
    const plan = planFrom(
      facts(['orchid-dottyback', 'springeri-dottyback', 'naso-tang'], small),
      WIDE,
    );
    expect(plan.items.map(({ species }) => species)).toEqual(['orchid-dottyback']);
    expect(plan.refused.map(({ species, rule }) => [species, rule])).toEqual([
      ['springeri-dottyback', 'lookAlike'],
      ['naso-tang', 'roomToLive'],
    ]);
  });

  it('keeps the largest set that bears itself', () => {
    const plan = planFrom(
      facts(['volitans-lionfish', 'firefish', 'neon-goby', 'royal-gramma'], {
        home: { ...FACTS.home, litres: 900, lengthCm: 220 },
        netLitres: 900,
      }),
      WIDE,
    );
    expect(plan.refused.map(({ species }) => species)).toEqual(['volitans-lionfish']);
  });

  it('ten fish in a young tank of 60 L, and takes them against a reason', () => {
    const young = { netLitres: 60, home: { ...FACTS.home, litres: 60, lengthCm: 60 } };
    const ten = { species: 'firefish', count: 10, sizeCm: 5 };
    const refused = planFrom(facts([ten], young), WIDE);
    expect(refused.items).toEqual([]);
    expect(refused.refused[0]?.because).not.toBe('');
    const override = { reason: 'A friend closes his tank', at: '2026-03-02T00:00:00Z' };
    const taken = planFrom(
      facts([{ ...ten, override }], {
        ...young,
        stocking: { pace: { school: 'doubling' }, protocol: 'none' },
      }),
      WIDE,
    );
    expect(taken.items[0]).toMatchObject({
      rule: 'override',
      override: expect.stringMatching(/A friend closes/),
    });
  });
});

describe('pins', () => {
  it('hold where they can, and say what binds where they cannot', () => {
    const plan = planFrom(facts([{ species: 'firefish', pinned: '2026-05-01' }]), WIDE);
    expect([days(plan).firefish, reasons(plan).firefish]).toEqual([60, 'pin']);
    const early = planFrom(facts([{ species: 'firefish', pinned: '2026-03-05' }]), WIDE);
    expect(early.refused[0]).toMatchObject({
      rule: 'pin',
      because: expect.stringMatching(/not before Mon 30 Mar|not before 30 Mar/),
    });
  });

  it('a change tells what moved, and why', () => {
    const before = planFrom(facts(['firefish', 'royal-gramma']), WIDE);
    const after = planFrom(
      facts([{ species: 'firefish', pinned: '2026-05-01' }, 'royal-gramma']),
      WIDE,
    );
    const moves = planMoves(before, after);
    expect(moves.find(({ name }) => name === 'Firefish')).toMatchObject({
      because: 'The day you pinned it to',
    });
    expect(planMoves(before, before)).toEqual([]);
  });

  it('a day to be ready by is answered by what is in, may be in, and would be rushed', () => {
    const plan = planFrom(facts(['firefish', 'royal-gramma', 'neon-goby']), WIDE);
    const { sure, maybe, rushed } = planBy(plan, NOW + 45 * DAY);
    expect([sure.length + maybe.length, rushed.length]).toEqual([1, 2]);
  });
});

/** Animals a reef keeper may wish for, of all groups. */
const wishable = CATALOGUE.filter(
  (animal) => animal.group !== 'fish' || animal.leastLitres <= 475,
).map(({ id }) => id);
const anyFacts = (most: number) =>
  fc
    .record({
      species: fc.uniqueArray(fc.constantFrom(...wishable), { minLength: 1, maxLength: most }),
      counts: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: most, maxLength: most }),
      school: fc.constantFrom<StockFacts['stocking']['pace']>(
        { school: 'doubling' },
        { school: 'interval', days: 14 },
        { school: 'measured' },
      ),
      protocol: fc.constantFrom('observe', 'trusted', 'none'),
      litres: fc.constantFrom(120, 250, 400, 900),
      ready: fc.integer({ min: 0, max: 60 }),
      tanks: fc.constantFrom([75], [40, 75], [60, 60]),
      most: fc.constantFrom(0.05, 0.2, 2),
      resident: fc.boolean(),
      pin: fc.option(fc.integer({ min: 20, max: 120 }), { nil: undefined }),
    })
    .map(({ species, counts, school, protocol, litres, ready, tanks, most, resident, pin }) => ({
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
          stocking: { pace: school, protocol },
          isReady: ready === 0,
          ready: { p10: NOW + ready * DAY, p50: NOW + ready * DAY, p90: NOW + (ready + 9) * DAY },
          quarantine: tanks.map((size, n) => ({
            id: `q${n}`,
            name: `Quarantine ${n}`,
            litres: size,
            busyUntil: null,
          })),
          lots: resident
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
      fc.property(anyFacts(5), ({ facts: given, curve }) => asGood({ ...given, lots: [] }, curve)),
      { numRuns: 40 },
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
    const stocking = { pace: { school: 'doubling' as const }, protocol: 'none' };
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
      { numRuns: 60 },
    );
  });
});
