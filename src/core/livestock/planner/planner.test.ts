import type { CapacityCurve } from '../../cycle/forecast/capacity';
import { daysBetween } from '../../time/zone';
import { dayOf, facts, FACTS, NOW, WIDE } from '../../../testing/planFacts';
import type { StockFacts } from './facts';
import { planBy } from './search/by';
import { keptPlan, planMoves } from './search/moves';
import { planFrom } from './plan';
import type { Plan } from './types';

const DAY = 86_400_000;

const days = (plan: Plan) =>
  Object.fromEntries(plan.items.map((item) => [item.species, dayOf(item.addOn.p50)]));
const reasons = (plan: Plan) =>
  Object.fromEntries(plan.items.map((item) => [item.species, item.rule]));
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
      facts(list, { stocking: { pace: { rule: 'doubling' }, protocol: 'none' } }),
      WIDE,
    );
    expect(Object.values(reasons(doubling))).toContain('doubling');
    const [first = 0, second = 0] = Object.values(days(doubling));
    expect(second - first).toBe(30);

    const interval = planFrom(
      facts(list, { stocking: { pace: { rule: 'interval', days: 21 }, protocol: 'none' } }),
      WIDE,
    );
    expect(Object.values(reasons(interval))).toContain('interval');
    const slow: CapacityCurve = { days: [0, 90, 91, 540], most: [0.001, 0.001, 1, 1] };
    const model = planFrom(
      facts(['firefish'], { stocking: { pace: { rule: 'measured' }, protocol: 'none' } }),
      slow,
    );
    expect(reasons(model)).toEqual({ firefish: 'capacity' });
    expect(days(model).firefish).toBeGreaterThanOrEqual(90);
  });

  it('residents count as what stood a month before', () => {
    const cohorts: StockFacts['cohorts'] = [
      {
        id: 'a',
        what: 'Clownfish',
        group: 'fish',
        species: 'ocellaris-clownfish',
        arrivedAt: NOW - 90 * DAY,
        here: 2,
      },
    ];
    const plan = planFrom(facts(['firefish'], { cohorts }), WIDE);
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
        stocking: { pace: { rule: 'measured' }, protocol: 'none' },
      }),
      WIDE,
    );
    expect(reasons(pods)).toEqual({ 'mandarin-dragonet': 'pods' });
  });

  it('a quarantine that is taken, and a second batch after the first has left', () => {
    const busy = [
      {
        id: 'q',
        name: 'Quarantine',
        litres: 40,
        clears: { p10: NOW + 10 * DAY, p50: NOW + 10 * DAY, p90: NOW + 40 * DAY },
      },
    ];
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
        stocking: { pace: { rule: 'interval', days: 14 }, protocol: 'none' },
      }),
      WIDE,
    );
    expect(Object.keys(days(plan))).toEqual(['firefish', 'six-line-wrasse']);
  });
});

describe('the first day with fish', () => {
  it.each(['interval', 'measured'] as const)('has no large fish beside a small one: %s', (rule) => {
    const pace = rule === 'interval' ? { rule, days: 14 } : { rule };
    const plan = planFrom(
      facts(['ocellaris-clownfish', 'engineer-goby'], {
        // Old enough for either.
        start: NOW - 400 * DAY,
        stocking: { pace, protocol: 'none' },
      }),
      WIDE,
    );
    const { 'ocellaris-clownfish': small = NaN, 'engineer-goby': large = NaN } = days(plan);
    expect(large - small).toBe(rule === 'interval' ? 14 : 7);
  });
});

describe('a goby and its shrimp', () => {
  const GOBY = { species: 'yellow-watchman-goby', partner: 'tiger-pistol-shrimp' };
  const resident = (species: string): StockFacts['cohorts'][number] => ({
    id: species,
    what: species,
    group: 'fish',
    species,
    arrivedAt: NOW - 90 * DAY,
    here: 1,
  });

  it('are one wish with one day, after the fish has been quarantined, whichever was wished for', () => {
    const plan = planFrom(facts([GOBY]), WIDE);
    const other = planFrom(facts([{ species: GOBY.partner, partner: GOBY.species }]), WIDE);
    for (const { items } of [plan, other]) {
      expect(items).toHaveLength(1);
      expect(items[0]).toMatchObject({
        name: 'Yellow watchman goby with Tiger pistol shrimp',
        group: 'fish',
        batch: 1,
      });
      // The shrimp is spoken of as well.
      expect(items[0]?.cares.join(' ')).toMatch(/76 days/);
    }
    const alone = planFrom(facts([GOBY.species]), WIDE);
    expect(plan.items[0]?.nitrogen).toBeGreaterThan(alone.items[0]?.nitrogen ?? Infinity);
  });

  it('are refused together by what stands against either', () => {
    const cohorts = [resident('valentini-puffer')];
    const plan = planFrom(facts([GOBY], { cohorts }), WIDE);
    expect(plan.refused[0]).toMatchObject({ rule: 'crushes' });
    const shrimps = planFrom(facts(['valentini-puffer', GOBY]), WIDE);
    expect(shrimps.refused.map(({ species }) => species)).toContain(GOBY.species);
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

  it('never a wish for a later one, nor for several, and says how to have those instead', () => {
    const refused = (wishes: string[]) =>
      planFrom(
        facts(wishes, {
          home: { ...FACTS.home, litres: 900, lengthCm: 220 },
          netLitres: 900,
          cohorts: [
            {
              ...{ id: 'tang', what: 'Tang', group: 'fish', species: 'yellow-tang' },
              ...{ sizeCm: 18, arrivedAt: NOW - 200 * DAY, here: 1 },
            },
          ],
        }),
        WIDE,
      ).refused;
    const small = ['firefish', 'neon-goby', 'tailspot-blenny'];
    const after = refused(['volitans-lionfish', ...small]);
    expect(after.map(({ species }) => species)).toEqual(small);
    expect(after[0]?.mend).toMatch(/Or wish for it above Red lionfish\.$/);
    expect(refused([...small, 'volitans-lionfish']).map(({ species }) => species)).toEqual([
      'volitans-lionfish',
    ]);
  });

  it('nobody who hunts pods before those that live on them', () => {
    const plan = planFrom(
      facts(['six-line-wrasse', 'mandarin-dragonet', { species: 'ocellaris-clownfish', count: 2 }]),
      WIDE,
    );
    const order = plan.items.map(({ species }) => species);
    expect(order).toEqual(['ocellaris-clownfish', 'mandarin-dragonet', 'six-line-wrasse']);
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
        stocking: { pace: { rule: 'doubling' }, protocol: 'none' },
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
    const moves = planMoves(keptPlan(before), after);
    expect(moves.find(({ name }) => name === 'Firefish')).toMatchObject({
      because: 'The day you pinned it to',
    });
    expect(planMoves(keptPlan(before), before)).toEqual([]);
  });

  it('a day to be ready by is answered by what is in, may be in, and would be rushed', () => {
    const plan = planFrom(facts(['firefish', 'royal-gramma', 'neon-goby']), WIDE);
    const { sure, maybe, rushed } = planBy(plan, NOW + 45 * DAY);
    expect([sure.length + maybe.length, rushed.length]).toEqual([1, 2]);
  });
});

/** Animals a reef keeper may wish for, of all groups. */

describe('what a plan leaves open', () => {
  const remarks = (changes: Partial<StockFacts>) =>
    planFrom(facts(['firefish'], changes), WIDE).remarks.join(' ');

  it('is said: no lid, a heater nobody checked against a thermometer, and who was never named', () => {
    expect(remarks({})).toBe('');
    expect(remarks({ home: { ...FACTS.home, lid: false } })).toMatch(/lid before the first fish/);
    expect(remarks({ heater: false })).toMatch(/heater against a thermometer/);
    const stranger = {
      id: 's',
      what: 'Brown fish',
      group: 'fish' as const,
      arrivedAt: NOW - 90 * DAY,
      here: 1,
    };
    expect(remarks({ cohorts: [stranger] })).toMatch(/Not asked about: Brown fish/);
  });

  it('quarantine that was chosen away or is nowhere is never silent', () => {
    expect(remarks({ quarantine: [] })).toMatch(/No quarantine tank is on record/);
    const stocking = { pace: { rule: 'doubling' as const }, protocol: 'none' };
    expect(remarks({ stocking })).toMatch(/can cost the whole tank/);
  });
});

describe('days of a plan', () => {
  it('are calendar days, over the change of the clocks', () => {
    const zone = 'Europe/Berlin';
    const at = Date.parse('2026-03-20T09:00:00+01:00');
    const plan = planFrom(
      facts(['firefish'], {
        zone,
        at,
        ready: { p10: at, p50: at, p90: at },
        stocking: { pace: { rule: 'doubling' }, protocol: 'observe' },
      }),
      WIDE,
    );
    const [item] = plan.items;
    if (!item || item.quarantineFrom === null) throw new Error('nothing was planned');
    const midnight = (ms: number) => new Date(ms).toISOString().slice(11, 16);
    expect([midnight(item.quarantineFrom), midnight(item.addOn.p50)]).toEqual(['23:00', '22:00']);
    expect(daysBetween(item.quarantineFrom, item.addOn.p50, zone)).toBe(28);
  });
});
