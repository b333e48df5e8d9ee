import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import type { Absence } from '../../records/schema/absence';
import type { Occurrence } from '../../tasks/types';
import { DAY_MS } from '../../time/zone';
import { awayPlan, daysAway, feedingWords } from './awayPlan';
import { reminderOf } from '../calendar/reminder';

/** The tank is filled on 2 March; these are its days 31 to 42. */
const ABSENCE: Absence = {
  from: '2026-04-02',
  until: '2026-04-13',
  minder: 'Ines',
  call: '',
  tanks: {},
};

function keeper() {
  const builder = new LogBuilder({ runningSince: '2026-03-02', fishInSince: '2026-03-02' });
  builder.entry(onDay(25), { kind: 'waterChange', litres: 10, newWater: {} });
  for (const day of [20, 23, 26]) builder.entry(onDay(day), { kind: 'topOff', litres: 4.5 });
  return builder;
}

const task = (changes: Partial<Occurrence>): Occurrence => ({
  id: 'test-nitrate',
  key: 'test-nitrate/2026-04-05',
  title: 'Test nitrate',
  because: '',
  dueOn: onDay(34, 0),
  inDays: 6,
  minutes: 8,
  parameters: ['nitrate'],
  opens: { form: 'reading' },
  ...changes,
});

function plan(tasks: Occurrence[] = [], absence: Partial<Absence> = {}, batches: never[] = []) {
  const builder = keeper();
  const history = tankHistory(builder.log(), builder.tankId, onDay(28));
  return awayPlan(history, { chores: [], batches }, tasks, { ...ABSENCE, ...absence }, onDay(28));
}

describe('twelve days away', () => {
  it('are twelve days, and take the fresh water that evaporates in them', () => {
    expect(daysAway(ABSENCE)).toBe(12);
    // Two top-offs of 4.5 L, three days apart: 1.5 L a day.
    expect(plan().topOffLitres).toBeCloseTo(18, 6);
  });

  it('bring the change forward, leave the round to who comes by, and let the glass wait', () => {
    const how = (id: string) => plan().lines.filter((line) => line.id === id);
    expect(how('waterChange')).toMatchObject([{ how: 'before', days: ['2026-04-01'] }]);
    expect(how('round').find((line) => line.how === 'minder')?.days).toHaveLength(12);
    expect(how('glass').map((line) => line.how)).toContain('after');
  });

  it('tell what is brought forward from what is due before then anyway', () => {
    const ids = (how: string) =>
      plan()
        .lines.filter((line) => line.how === how)
        .map(({ id }) => id);
    expect(ids('before').filter((id) => ids('anyway').includes(id))).toEqual([]);
    expect(ids('anyway')).toContain('heater');
  });

  it('leave the round to nobody where nobody comes', () => {
    const round = plan([], { minder: '' }).lines.filter(({ id }) => id === 'round');
    expect(round.map(({ how }) => how)).toEqual(['after']);
  });

  it('put tests off until the keeper is back, and ask for those that are due before', () => {
    const lines = plan([
      task({}),
      task({ id: 'test-ph', title: 'Test pH', inDays: 0, dueOn: onDay(28, 0) }),
      task({ id: 'paper', inDays: 0 }),
      task({ id: 'far', dueOn: onDay(60, 0), inDays: 32 }),
    ]).lines;
    expect(lines.find(({ id }) => id === 'test-nitrate')).toMatchObject({ how: 'after' });
    expect(lines.find(({ id }) => id === 'test-ph')).toMatchObject({ how: 'anyway' });
    expect(lines.map(({ id }) => id)).not.toContain('paper');
    expect(lines.map(({ id }) => id)).not.toContain('far');
  });

  it('name what no sheet can see to: a batch in quarantine', () => {
    const builder = keeper();
    const history = tankHistory(builder.log(), builder.tankId, onDay(28));
    const batch = { body: { tankId: builder.tankId, endedAt: null } } as never;
    const found = awayPlan(history, { chores: [], batches: [batch] }, [], ABSENCE, onDay(28));
    expect(found.cannot.join()).toMatch(/daily check/);
    expect(plan().cannot).toEqual([]);
  });
});

describe('portions on the sheet', () => {
  const fed = (build: (builder: LogBuilder) => void) => {
    const builder = keeper();
    build(builder);
    return feedingWords(tankHistory(builder.log(), builder.tankId, onDay(28)), onDay(28));
  };

  it('are as they were given lately, counted by the day or by every so many', () => {
    expect(fed(() => undefined)).toBe('');
    const words = fed((builder) => {
      for (let day = 14; day < 28; day += 1) {
        builder.entry(onDay(day, 18), {
          kind: 'feed',
          food: 'pellets',
          amount: { by: 'portions', portions: 2 },
        });
        if (day % 4 === 0) {
          builder.entry(onDay(day, 19), {
            kind: 'feed',
            food: 'frozen',
            amount: { by: 'grams', grams: 3.5 },
          });
        }
      }
    });
    expect(words).toMatch(/^Pellets: 2 pinches a day\. Frozen food: one cube every [3-5] days$/);
  });
});

describe('a reminder', () => {
  const due = [1, 2, 3, 4].map((n) => task({ id: String(n), title: `Thing ${n}`, inDays: -n }));
  const at = (hour: number, tasks = due) => reminderOf([{ tasks }], onDay(28, hour), 'UTC', 18);

  it('comes at its hour and not before, and names what is first', () => {
    expect(at(17)).toBeNull();
    expect(at(18)).toEqual({
      title: '4 things due, about 32 min',
      text: 'Thing 1, Thing 2, Thing 3 and 1 more',
    });
    expect(at(20, [])).toBeNull();
    expect(at(20, [task({ inDays: 1 })])).toBeNull();
  });

  it('goes by the hour of the zone, over the change of its clocks', () => {
    const eve = Date.parse('2026-03-28T17:30:00Z');
    const berlin = (now: number) => reminderOf([{ tasks: due }], now, 'Europe/Berlin', 18);
    expect(berlin(eve)).not.toBeNull();
    // On the next day 18:00 comes an hour earlier in the world's time.
    expect(berlin(eve - 60 * 60_000)).toBeNull();
    expect(berlin(eve + DAY_MS - 60 * 60_000)).not.toBeNull();
  });
});
