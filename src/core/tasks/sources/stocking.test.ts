import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import type { Plan, PlanItem } from '../../livestock/planner/types';
import { planMarks } from '../../livestock/planner/dates/marks';
import type { Verdict } from '../../cycle/verdict/types';
import { stocking } from './stocking';

const NOW = onDay(40);
const DAY = 86_400_000;

const item = (changes: Partial<PlanItem>): PlanItem => ({
  wishId: 'w1',
  species: 'firefish',
  name: 'Firefish',
  count: 1,
  nitrogen: 2,
  group: 'fish',
  quarantineFrom: null,
  batch: null,
  quarantineTank: null,
  addOn: { p10: NOW, p50: NOW, p90: NOW + 5 * DAY },
  rule: 'today',
  because: 'Nothing holds it',
  pinned: false,
  override: null,
  rehomeBy: null,
  cares: [],
  ...changes,
});

const planOf = (items: PlanItem[]): Plan => ({
  tankId: 't',
  at: NOW,
  items,
  refused: [],
  load: { now: 0, feedingLimit: null, carries: null, smallFish: 3 },
  remarks: [],
  verified: null,
  peak: null,
});

function due(plan: Plan | null, builder = new LogBuilder()) {
  const history = tankHistory(builder.log(), builder.tankId, NOW);
  const world = { history, verdict: {} as Verdict, forecast: null, owned: new Set<never>(), plan };
  return stocking.occurrences(world, NOW, NOW + 45 * DAY);
}

describe('what stocking asks for', () => {
  it('one purchase for a batch, each addition by itself, nothing weeks ahead', () => {
    const tasks = due(
      planOf([
        item({
          batch: 1,
          quarantineFrom: NOW + DAY,
          addOn: { p10: null, p50: NOW + 30 * DAY, p90: null },
        }),
        item({
          wishId: 'w2',
          name: 'Neon goby',
          count: 2,
          batch: 1,
          quarantineFrom: NOW + DAY,
          addOn: { p10: null, p50: NOW + 30 * DAY, p90: null },
        }),
        item({ wishId: 'w3', name: 'Trochus snail', count: 4, group: 'invertebrate' }),
      ]),
    );
    expect(tasks.map(({ title }) => title)).toEqual([
      'Buy and quarantine: Firefish and Neon goby × 2',
      'Add Trochus snail × 4',
    ]);
    expect(new Set(tasks.map(({ key }) => key)).size).toBe(tasks.length);
  });

  it('a loan that ends, a home to be found, a step of the light', () => {
    const builder = new LogBuilder({
      ramp: {
        from: 20,
        to: 60,
        weeks: 4,
        start: new Date(NOW - 6 * DAY).toISOString().slice(0, 10),
      },
    });
    const day = (days: number) => new Date(NOW + days * DAY).toISOString().slice(0, 10);
    const animals = { kind: 'animals', group: 'fish', count: 1 } as const;
    builder.entry(onDay(2), { ...animals, move: 'in', what: 'Tang', until: day(3) });
    builder.entry(onDay(2), { ...animals, move: 'in', what: 'Foxface' });
    builder.entry(onDay(9), { ...animals, move: 'lent', what: 'Foxface', until: day(2) });
    expect(due(null, builder).map(({ title }) => title)).toEqual([
      'Another home for Tang',
      'Foxface back from a loan',
      'Light to 30 %',
    ]);
  });
});

describe('the plan on the course', () => {
  it('is its clean-up crew, its first and last fish and corals, each in its range', () => {
    const marks = planMarks(
      planOf([
        item({ wishId: 'a', group: 'invertebrate' }),
        item({ wishId: 'b' }),
        item({ wishId: 'c', addOn: { p10: NOW, p50: NOW + 9 * DAY, p90: null } }),
        item({ wishId: 'd', group: 'coral' }),
      ]),
    );
    expect(marks.map(({ id }) => id)).toEqual([
      'cleanUpCrew',
      'firstFish',
      'lastFish',
      'firstCoral',
    ]);
    for (const { range, at } of marks) {
      expect(range && range.low <= at && at <= range.high).toBe(true);
    }
  });
});
