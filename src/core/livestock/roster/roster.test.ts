import fc from 'fast-check';
import { LogBuilder, onDay, type EntryInput } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import type { AnimalsEntry } from '../../records/kinds/animals';
import {
  feedingNitrogen,
  nitrogenLater,
  nitrogenOf,
  PROTEIN_TO_N,
  rationShare,
} from '../food/bioload';
import { bodyGrams, daysToLength, lengthAfter } from '../body';
import { animalOf, CATALOGUE } from '../catalogue';
import { demandOf } from '../food/demand';
import { feedAdds } from '../food/feeding';
import { finderWith, lengthNow, residentsOf } from './lodgers';
import { atLeastByChance, atLeastOfShare, lossesIn } from './losses';
import { isHere, rosterOf } from './roster';

const find = finderWith([]);
type Animals = Partial<Omit<AnimalsEntry, 'kind' | 'tankId' | 'at'>>;

function tank(entries: [day: number, entry: Animals][], more: [number, EntryInput][] = []) {
  const builder = new LogBuilder();
  const ids = entries.map(([day, entry]) =>
    builder.entry(onDay(day), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Fish',
      ...entry,
    }),
  );
  for (const [day, entry] of more) builder.entry(onDay(day), entry);
  const at = onDay(200);
  return { ids, at, builder, history: tankHistory(builder.log(), builder.tankId, at) };
}

const clown = animalOf('ocellaris-clownfish');
if (!clown) throw new Error('no clownfish');

describe('the roster', () => {
  it('follows those of a group: lent, back, dead, moved', () => {
    const { history } = tank([
      [1, { what: 'Chromis', species: 'green-chromis', count: 6 }],
      [10, { what: 'Chromis', move: 'died', count: 1 }],
      [20, { what: 'Chromis', move: 'lent', count: 2, until: '2026-06-01' }],
    ]);
    const [cohort] = rosterOf(history);
    expect([cohort?.here, cohort?.lost, cohort?.lent, cohort?.came]).toEqual([3, 1, 2, 6]);
    expect(cohort?.lentUntil).toBe(Date.parse('2026-06-01T00:00:00Z'));
    const back = tank([
      [1, { what: 'Chromis', count: 6 }],
      [20, { what: 'Chromis', move: 'lent', count: 2 }],
      [40, { what: 'Chromis', move: 'back', count: 2 }],
      [50, { what: 'Chromis', move: 'moved' }],
    ]);
    const [gone] = rosterOf(back.history);
    expect([gone?.here, gone?.lent, gone && isHere(gone)]).toEqual([0, 0, false]);
  });

  it('an entry that names its group is of that one, else of the newest of its name', () => {
    const builder = new LogBuilder();
    const first = builder.entry(onDay(1), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Goby',
      count: 1,
    });
    builder.entry(onDay(5), { kind: 'animals', move: 'in', group: 'fish', what: 'Goby', count: 1 });
    builder.entry(onDay(9), {
      kind: 'animals',
      move: 'died',
      group: 'fish',
      what: 'Goby',
      count: 1,
      cohort: first,
    });
    const cohorts = rosterOf(tankHistory(builder.log(), builder.tankId, onDay(20)));
    expect(cohorts.map(({ here }) => here)).toEqual([0, 1]);
    const unnamed = tank([
      [1, { what: 'Goby' }],
      [5, { what: 'goby ' }],
      [9, { what: 'GOBY', move: 'missing', count: 1 }],
    ]);
    expect(rosterOf(unnamed.history).map(({ here }) => here)).toEqual([null, null]);
    expect(rosterOf(unnamed.history).map(({ lost }) => lost)).toEqual([0, 1]);
  });

  it('counts no animal twice and none away, whatever is logged', () => {
    const moves = fc.array(
      fc.tuple(
        fc.constantFrom('in', 'died', 'lent', 'back', 'missing', 'out', 'moved' as const),
        fc.constantFrom('Goby', 'Tang'),
        fc.integer({ min: 1, max: 4 }),
      ),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(moves, (list) => {
        const { history } = tank(
          list.map(([move, what, count], i) => [
            i,
            { move: move as AnimalsEntry['move'], what, count },
          ]),
        );
        for (const cohort of rosterOf(history)) {
          const { here, lent, came } = cohort;
          if (here === null || came === null) continue;
          expect(here >= 0 && lent >= 0).toBe(true);
          // A loan that came back in part may bring others of the name: never more than ever came.
          const joined = cohort.events.reduce(
            (sum, { entry }) => sum + (entry.move === 'back' ? (entry.count ?? 0) : 0),
            came,
          );
          expect(here).toBeLessThanOrEqual(joined);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('grows them since they came', () => {
    const { history, at } = tank([
      [0, { what: 'Clownfish', species: 'ocellaris-clownfish', sizeCm: 3, count: 2 }],
    ]);
    const [cohort] = rosterOf(history);
    if (!cohort) throw new Error('no group');
    expect(lengthNow(cohort, at, find)).toBeGreaterThan(4);
    expect(lengthNow(cohort, at, find)).toBeLessThan(9);
    expect(residentsOf([cohort], at, find)[0]).toMatchObject({ count: 2 });
  });
});

describe('bodies and growth', () => {
  it('mass goes with the cube of length, length towards the adult one and never beyond', () => {
    expect(bodyGrams(clown, 8) / bodyGrams(clown, 4)).toBeCloseTo(8);
    expect(lengthAfter(9, 4, 0)).toBe(4);
    expect(lengthAfter(9, 4, 20_000)).toBeCloseTo(9);
    expect(lengthAfter(9, 10, 100)).toBe(10);
    const days = daysToLength(20, 6, 12);
    expect(lengthAfter(20, 6, days ?? 0)).toBeCloseTo(12);
    expect(daysToLength(20, 6, 25)).toBeNull();
  });

  it('a ration falls with size and stays within what fish eat', () => {
    expect(rationShare(5)).toBeCloseTo(0.03);
    expect(rationShare(80)).toBeCloseTo(0.015);
    expect([rationShare(0.001), rationShare(1e6)]).toEqual([0.06, 0.005]);
  });

  it('every animal makes something from nothing to 1 g N a day, more as it grows; corals none', () => {
    for (const animal of CATALOGUE) {
      const now = nitrogenOf(animal);
      expect([animal.id, now >= 0 && now < 1000]).toEqual([animal.id, true]);
      if (animal.group === 'coral') expect(now).toBe(0);
      else expect(nitrogenLater(animal, animal.boughtCm, 700)).toBeGreaterThanOrEqual(now);
    }
  });

  it('0.2 g of pellets is 10.8 mg N in a display, 8.3 to 14.4 at its ends', () => {
    const feed = {
      kind: 'feed',
      tankId: '',
      at: '',
      food: 'pellets',
      amount: { by: 'grams', grams: 0.2 },
    } as const;
    expect(feedingNitrogen(feed)).toBeCloseTo(10.8);
    expect(feedingNitrogen(feed, PROTEIN_TO_N.low)).toBeCloseTo(8.28);
    expect(feedingNitrogen(feed, PROTEIN_TO_N.high)).toBeCloseTo(14.4);
  });
});

describe('demand', () => {
  const animals: [number, Animals][] = [
    [0, { what: 'Clownfish', species: 'ocellaris-clownfish', count: 2 }],
    [0, { what: 'Snails', group: 'invertebrate', species: 'trochus-snail', count: 4 }],
    [0, { what: 'Zoanthids', group: 'coral', species: 'zoanthids' }],
  ];

  it('goes by the food where it was logged, else by bodies; shares make up the whole', () => {
    const bare = tank(animals);
    const bodies = demandOf(bare.history, rosterOf(bare.history), bare.at, find);
    expect(bodies.by).toBe('bodies');
    const feeds = Array.from({ length: 10 }, (_, i): [number, EntryInput] => [
      190 + i,
      { kind: 'feed', food: 'pellets', amount: { by: 'grams', grams: 0.3 } },
    ]);
    const fed = tank(animals, feeds);
    const food = demandOf(fed.history, rosterOf(fed.history), fed.at, find);
    expect([food.by, food.nitrogen.usual]).toEqual(['food', expect.closeTo(16.2, 1)]);
    for (const { shares, nitrogen } of [bodies, food]) {
      expect(shares.reduce((sum, one) => sum + one.nitrogen, 0)).toBeCloseTo(nitrogen.usual);
      expect(shares[0]?.what).toBe('Clownfish');
    }
    expect(bodies.grown).toBeGreaterThanOrEqual(bodies.nitrogen.usual);
  });

  it('goes by the keeper’s own pinch once some were weighed', () => {
    const feeds = Array.from({ length: 6 }, (_, i): [number, EntryInput] => [
      194 + i,
      { kind: 'feed', food: 'pellets', amount: { by: 'portions', portions: 1 } },
    ]);
    const usual = tank(animals, feeds);
    const own = tank(animals, [
      ...feeds,
      [180, { kind: 'weighing', what: 'pellets', count: 10, amount: 4 }],
    ]);
    const made = ({ history, at }: ReturnType<typeof tank>) =>
      demandOf(history, rosterOf(history), at, find).nitrogen.usual;
    // A pinch is taken as 0.2 g; this keeper's weigh 0.4.
    expect(made(own)).toBeCloseTo(2 * made(usual));
    expect(feedAdds(own.history, own.at)[0]?.grams).toBeCloseTo(1.2);
  });

  it('is nothing without animals', () => {
    const { history, at } = tank([]);
    expect(demandOf(history, [], at, find)).toMatchObject({
      by: 'nothing',
      nitrogen: { usual: 0 },
    });
  });
});

describe('what feeding adds', () => {
  it('pellets carry far more than frozen food, and half the water makes it double', () => {
    const feeds = (food: 'pellets' | 'frozen') =>
      Array.from({ length: 14 }, (_, i): [number, EntryInput] => [
        187 + i,
        { kind: 'feed', food, amount: { by: 'grams', grams: 1 } },
      ]);
    const { history, at } = tank([], [...feeds('pellets'), ...feeds('frozen')]);
    const [pellets, frozen] = feedAdds(history, at);
    // 7 g a week in 100 L: 70 mg/L, of which 0.45 · 0.16 is nitrogen and 0.012 phosphorus.
    expect(pellets).toMatchObject({ food: 'pellets', grams: 7 });
    expect(pellets?.nitrate).toBeCloseTo(70 * 0.45 * 0.16 * 4.4266, 2);
    expect(pellets?.phosphate).toBeCloseTo(70 * 0.012 * 3.066, 3);
    expect((pellets?.phosphate ?? 0) / (frozen?.phosphate ?? 1)).toBeCloseTo(8);
    const half = feedAdds({ ...history, netLitres: history.netLitres / 2 }, at);
    expect(half[0]?.nitrate).toBeCloseTo(2 * (pellets?.nitrate ?? 0));
  });
});

describe('losses', () => {
  it('odds are those of the exact test and of the binomial', () => {
    // Of 8 cups 4 marked, all 4 drawn: 1 in 70.
    expect(atLeastByChance(4, 4, 4, 8)).toBeCloseTo(1 / 70);
    expect(atLeastByChance(0, 4, 4, 8)).toBeCloseTo(1);
    expect(atLeastOfShare(3, 3, 0.5)).toBeCloseTo(0.125);
    expect(atLeastOfShare(0, 5, 0.2)).toBeCloseTo(1);
    expect(atLeastOfShare(2, 2, 1)).toBeCloseTo(1);
  });

  it('one source behind most losses is named, with its odds; evenly spread ones are not', () => {
    const from = (source: string, die: number, all: number): [number, Animals][] =>
      Array.from({ length: all }, (_, i): [number, Animals][] => {
        const what = `${source} ${i}`;
        const came: [number, Animals] = [i, { what, source, count: 1 }];
        return i < die ? [came, [i + 90, { what, move: 'died', count: 1 }]] : [came];
      }).flat();
    const bad = tank([...from('north', 5, 6), ...from('south', 0, 9)]);
    const { losses, patterns } = lossesIn(rosterOf(bad.history), bad.at);
    expect(losses).toHaveLength(5);
    expect(patterns.find(({ kind }) => kind === 'source')?.text).toMatch(
      /5 of the 5 lost came from north.*1 time in \d+/,
    );
    const even = tank([...from('north', 2, 8), ...from('south', 2, 8)]);
    expect(lossesIn(rosterOf(even.history), even.at).patterns).toEqual([]);
  });

  it('a log that lost more than ever came shows nothing by it', () => {
    expect(atLeastByChance(8, 30, 8, 20)).toBe(1);
  });

  it('deaths soon after arrival are a pattern where animals live long otherwise', () => {
    const list = Array.from({ length: 8 }, (_, i): [number, Animals][] => {
      const what = `fish ${i}`;
      const came: [number, Animals] = [i, { what, count: 1 }];
      return i < 4 ? [came, [i + 6, { what, move: 'died', count: 1 }]] : [came];
    }).flat();
    const { history, at } = tank(list);
    expect(lossesIn(rosterOf(history), at).patterns.map(({ kind }) => kind)).toEqual([
      'firstWeeks',
    ]);
  });
});
