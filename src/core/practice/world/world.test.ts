import { draws } from '@/testing/draws';
import fc from 'fast-check';
import { DAY_MS, HOUR_MS, isoInZone } from '../../time/zone';
import type { Entry, EntryBody } from '../../records/kinds';
import type { Deed } from '../deeds/deeds';
import { begin } from '../run/begin';
import { FREE, SITUATION_IDS, PRACTICE_LABEL } from '../situations/situations';
import { courseOf, live, TRUTHS, type Start } from './live';
import { oxygenAtBalance } from './oxygen';
import type { WorldState } from './state';
import { LAWS_NOW, natureOf, RESTS_AT, type Laws } from './nature';
import { chanceOf } from './chance';
import { FIRST_LOAD, SAFE } from '../../cycle/verdict/safe';

const STARTED = '2026-05-04T09:00:00Z';
const header = (seed: number, situation: (typeof SITUATION_IDS)[number]) => ({
  seed,
  situation,
  startedAt: STARTED,
  zone: 'UTC',
  laws: LAWS_NOW,
});
const tank = (seed: number, situation: (typeof SITUATION_IDS)[number] = 'dryRock') =>
  begin(header(seed, situation));

const bodies: fc.Arbitrary<EntryBody> = fc.oneof(
  fc.record({
    kind: fc.constant('dose' as const),
    substance: fc.constantFrom('ammoniumChloride' as const, 'householdAmmonia' as const),
    amount: fc.record({
      by: fc.constant('drops' as const),
      drops: fc.integer({ min: 1, max: 900 }),
      dropMl: fc.constant(0.05),
    }),
    strength: fc.constant(PRACTICE_LABEL),
    about: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('waterChange' as const),
    litres: fc.double({ min: 1, max: 160, noNaN: true }),
    source: fc.constantFrom(
      'purified' as const,
      'conditionedTap' as const,
      'untreatedTap' as const,
    ),
    newWater: fc.constant({}),
  }),
  fc.record({
    kind: fc.constant('topOff' as const),
    litres: fc.double({ min: 0.1, max: 10, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('feed' as const),
    food: fc.constantFrom('pellets' as const, 'frozen' as const),
    amount: fc.record({
      by: fc.constant('grams' as const),
      grams: fc.double({ min: 0.1, max: 20, noNaN: true }),
    }),
  }),
  fc.record({
    kind: fc.constant('animals' as const),
    move: fc.constantFrom('in' as const, 'out' as const, 'died' as const),
    group: fc.constantFrom('fish' as const, 'invertebrate' as const),
    what: fc.constant('One'),
    count: fc.integer({ min: 1, max: 6 }),
  }),
  fc.record({
    kind: fc.constant('organics' as const),
    action: fc.constantFrom(
      { what: 'prawnIn' as const, grams: 20 },
      { what: 'prawnOut' as const },
      { what: 'siphoned' as const, amount: 'some' as const },
    ),
  }),
  fc.record({
    kind: fc.constant('media' as const),
    move: fc.constantFrom(
      { to: 'in' as const, media: 'liveRock' as const, amount: 5, unit: 'kg' as const },
      { to: 'out' as const, share: 0.5 },
    ),
  }),
  fc.constantFrom<EntryBody>(
    { kind: 'light', state: 'on', hoursADay: 9 },
    { kind: 'treatment', agent: 'antibiotic' },
    { kind: 'standstill', hours: 12, kept: 'still' },
  ),
);

const deedsFor = (start: Start, tankId: string) =>
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: 24 * 30 }), bodies), { maxLength: 12 })
    .map((list): Deed[] =>
      list
        .map(([hour, body], n) => {
          const at = start.filledAt + hour * HOUR_MS;
          return {
            id: `deed-${n}`,
            at,
            entry: { ...body, tankId, at: isoInZone(at, 'UTC') } as Entry,
          };
        })
        .sort((a, b) => a.at - b.at),
    );

const life = fc
  .tuple(fc.integer({ min: 0, max: 4294967295 }), fc.constantFrom(...SITUATION_IDS))
  .map(([seed, situation]) => tank(seed, situation))
  .chain((begun) => fc.tuple(fc.constant(begun), deedsFor(begun.start, begun.tankId)));

const NUMBERS = [
  ...['ammonia', 'nitrite', 'nitrate', 'labile', 'stubborn', 'alkalinity', 'quick', 'slow'],
  ...['nitriteGuild', 'awake', 'level', 'salt', 'oxygen', 'phosphate', 'cloud', 'silicate'],
  ...['diatoms', 'film', 'hair'],
] as (keyof WorldState)[];

const nitrogenOf = (s: WorldState) => s.ammonia + s.nitrite + s.nitrate + s.labile + s.stubborn;

describe('the world of a practice tank', () => {
  it('loses no nitrogen and no salt, and has nothing negative', () => {
    fc.assert(
      fc.property(life, ([{ start }, deeds]) => {
        live(start, deeds, start.filledAt + 32 * DAY_MS, (state, hour) => {
          if (hour % 24 !== 0) return;
          const balance = state.broughtIn - state.takenOut;
          expect(Math.abs(nitrogenOf(state) - balance)).toBeLessThan(1e-7 * (1 + state.broughtIn));
          expect(Math.abs(state.salt - (state.saltIn - state.saltOut))).toBeLessThan(1e-8);
          for (const name of NUMBERS) expect(state[name]).toBeGreaterThanOrEqual(0);
          for (const cover of ['diatoms', 'film', 'hair', 'cloud', 'awake'] as const) {
            expect(state[cover]).toBeLessThanOrEqual(1.000001);
          }
        });
      }),
      { numRuns: draws(10) },
    );
  });

  it('changes by a deed left out only what comes after it', () => {
    fc.assert(
      fc.property(life, fc.nat(), ([{ start }, deeds], pick) => {
        if (deeds.length === 0) return;
        const out = deeds[pick % deeds.length] as Deed;
        const until = start.filledAt + 31 * DAY_MS;
        const withIt = courseOf(start, deeds, until).series;
        const without = courseOf(
          start,
          deeds.filter((deed) => deed !== out),
          until,
        ).series;
        const hour = Math.floor((out.at - start.filledAt) / HOUR_MS);
        for (const truth of TRUTHS) {
          expect([...without[truth].subarray(0, hour)]).toEqual([
            ...withIt[truth].subarray(0, hour),
          ]);
        }
      }),
      { numRuns: 15 },
    );
  });

  it('comes to the same whether it is asked hour by hour or at once', () => {
    const { start, tankId } = tank(11, 'bottle');
    const [deeds = []] = fc.sample(deedsFor(start, tankId), { numRuns: 1, seed: 4 });
    const whole = courseOf(start, deeds, start.filledAt + 20 * DAY_MS).series;
    for (const hour of [0, 1, 30, 199, 333]) {
      const { state } = live(start, deeds, start.filledAt + hour * HOUR_MS + 1800_000);
      // Of the hour that has begun all deeds up to the half count, and those of the course all of them.
      const later = deeds.some(({ at }) => Math.floor((at - start.filledAt) / HOUR_MS) === hour);
      if (!later) expect(state.alkalinity).toBe(whole.alkalinity[hour]);
    }
  });

  it('keeps an empty tank empty: with no nitrogen there is none', () => {
    const { start } = tank(3);
    const bare = { ...start, beginning: { ...start.beginning, rock: 'none' as const } };
    const { state } = live(bare, [], start.filledAt + 90 * DAY_MS);
    expect(nitrogenOf(state)).toBeLessThan(0.3);
    expect(state.dwellers).toEqual([]);
    expect(state.deaths).toEqual([]);
    expect(state.diatoms + state.film + state.hair).toBe(0);
  });

  it('holds less oxygen the warmer and the saltier it is, as the reference has it', () => {
    expect(oxygenAtBalance(25, 35) / 0.0319988 / 1.0233).toBeCloseTo(206.3, 0);
    expect(oxygenAtBalance(10, 35) / 0.0319988 / 1.0233).toBeCloseTo(274.6, 0);
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 34, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (t, s) => {
          expect(oxygenAtBalance(t + 1, s)).toBeLessThan(oxygenAtBalance(t, s));
          expect(oxygenAtBalance(t, s + 1)).toBeLessThan(oxygenAtBalance(t, s));
        },
      ),
    );
  });

  it('cycles a free tank that is fed with ammonia, and no faster for clean dry rock than with a bottle', () => {
    const cleared = (situation: (typeof FREE)[number], seed: number) => {
      const { start, tankId } = tank(seed, situation);
      const deed = (day: number, body: EntryBody, n: number): Deed => {
        const at = start.filledAt + day * DAY_MS;
        return { id: `d${n}`, at, entry: { ...body, tankId, at: isoInZone(at, 'UTC') } as Entry };
      };
      const dose: EntryBody = {
        kind: 'dose',
        substance: 'ammoniumChloride',
        amount: { by: 'drops', drops: 320, dropMl: 0.05 },
        strength: PRACTICE_LABEL,
        about: false,
      };
      const bottle: EntryBody = {
        kind: 'dose',
        substance: 'bacteria',
        amount: { by: 'mL', mL: 160 },
        strength: null,
        about: false,
      };
      const deeds = [deed(1, dose, 0), ...(situation === 'bottle' ? [deed(1, bottle, 1)] : [])];
      const { series } = courseOf(start, deeds, start.filledAt + 120 * DAY_MS);
      const last = series.nitrite.findLastIndex(
        (value, hour) => value > 0.1 || (series.ammonia[hour] ?? 0) > 0.1,
      );
      return last / 24;
    };
    const seeds = Array.from({ length: 15 }, (_, n) => n + 1);
    const middle = (days: number[]) => days.toSorted((a, b) => a - b)[7] as number;
    const dry = middle(seeds.map((seed) => cleared('dryRock', seed)));
    const bottled = middle(seeds.map((seed) => cleared('bottle', seed)));
    expect(dry).toBeGreaterThan(20);
    expect(dry).toBeLessThan(60);
    expect(bottled).toBeLessThan(dry - 7);
  });

  it('kills fish in a tank that is not ready, and none in one that is', () => {
    const { start, tankId } = tank(5);
    const fish = (day: number): Deed => {
      const at = start.filledAt + day * DAY_MS;
      const entry: Entry = {
        kind: 'animals',
        tankId,
        at: isoInZone(at, 'UTC'),
        move: 'in',
        group: 'fish',
        what: 'Clownfish',
        count: 6,
        grams: 60,
      };
      return { id: 'fish', at, entry };
    };
    const { state } = live(start, [fish(1)], start.filledAt + 40 * DAY_MS);
    expect(state.deaths.length).toBeGreaterThan(0);
    expect(state.deaths[0]?.of).toBe('ammonia');
    const alive = tank(5, 'liveRock');
    const later = { ...fish(40), entry: { ...fish(40).entry, count: 1, grams: 4 } as Entry };
    expect(live(alive.start, [later], alive.start.filledAt + 90 * DAY_MS).state.deaths).toEqual([]);
  });
});

describe('a tank that is drawn', () => {
  const drawn = (seed: number, laws: Laws) =>
    natureOf({ rock: 'dryRock', computedLitres: 100, hidden: {}, laws }, chanceOf(seed));
  const restsAt = (growth: number, half: number, decay: number) =>
    growth > decay ? (half * decay) / (growth - decay) : Infinity;

  it('comes to rest at little nitrite and little ammonia, by the laws of now, and else as by the first', () => {
    fc.assert(
      fc.property(fc.nat(4_000_000), (seed) => {
        const now = drawn(seed, 2);
        const before = drawn(seed, 1);
        const low = RESTS_AT * (1 + 1e-9);
        expect(restsAt(now.nitriteGrowth, now.nitriteHalf, now.decay)).toBeLessThanOrEqual(low);
        expect(
          Math.min(
            restsAt(now.quickGrowth, now.quickHalf, now.decay),
            restsAt(now.slowGrowth, now.slowHalf, now.decay / 2),
          ),
        ).toBeLessThanOrEqual(low);
        expect(now.decay).toBeLessThanOrEqual(before.decay);
        expect(now.decay).toBeGreaterThan(0);
        expect({ ...now, decay: 0 }).toEqual({ ...before, decay: 0 });
      }),
      { numRuns: draws(400) },
    );
  });

  it.each([10, 18])('fed as by a first fish, comes to rest at less: seed %d', (seed) => {
    const rests = (laws: Laws) => {
      const { start } = begin({ ...header(seed, 'dryRock'), laws });
      const fed = Array.from({ length: 200 }, (_, n): Deed => {
        const at = start.filledAt + (n + 1) * DAY_MS;
        return {
          id: `dose ${n}`,
          at,
          entry: {
            ...{ kind: 'dose', substance: 'ammoniumChloride', tankId: 'tank', about: false },
            amount: { by: 'target', rise: { value: FIRST_LOAD.nitrogen, unit: 'ammonia N' } },
            strength: PRACTICE_LABEL,
            at: isoInZone(at, 'UTC'),
          },
        };
      });
      const { nitrite } = courseOf(start, fed, start.filledAt + 200 * DAY_MS).series;
      return nitrite.at(-1);
    };
    expect(rests(1)).toBeGreaterThan(SAFE);
    expect(rests(2)).toBeLessThan(SAFE);
  });
});
