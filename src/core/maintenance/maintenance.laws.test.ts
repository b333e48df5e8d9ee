import * as fc from 'fast-check';
import { LogBuilder } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { createRecord } from '../records/acts';
import type { ChoreRule } from '../records/schema/chore';
import { asked } from '../tasks/sources/asked';
import { settle } from '../tasks/settle';
import type { Occurrence } from '../tasks/types';
import { addDaysIn, dayOf, dayStart, HOUR_MS, isoInZone, startOfDayIn } from '../time/zone';
import { choreAsks } from './choreAsks';
import { draws } from '../../testing/draws';

/** Zones whose clocks change in the time that is gone through, both ways, and one that never does. */
const ZONES = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu'];
const STARTS = ['2026-03-20', '2026-09-25', '2026-10-20', '2026-06-01'];

const ruleArbitrary: fc.Arbitrary<ChoreRule> = fc.oneof(
  fc.record({ by: fc.constant('days' as const), every: fc.integer({ min: 1, max: 20 }) }),
  fc.record({
    by: fc.constant('calendar' as const),
    unit: fc.constantFrom('day' as const, 'week' as const),
    every: fc.integer({ min: 1, max: 3 }),
    weekdays: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { maxLength: 3 }),
    start: fc.constantFrom(...STARTS),
  }),
);

/** What a keeper does as hours go by; the same may be said twice, as by two tabs. */
const stepArbitrary = fc.record({
  hours: fc.integer({ min: 0, max: 60 }),
  how: fc.constantFrom(
    'done',
    'skipped',
    'snoozed',
    'nothing',
    'late snooze',
    'again',
    'early',
    'early skip',
    'move',
  ),
});

describe('a chore', () => {
  it('never comes due twice for one occasion, whatever is said in whatever order, across zones and clock changes', () => {
    fc.assert(
      fc.property(
        ruleArbitrary,
        fc.constantFrom(...ZONES),
        fc.constantFrom(...STARTS),
        fc.array(stepArbitrary, { minLength: 5, maxLength: 25 }),
        (rule, zone, start, steps) => {
          const builder = new LogBuilder({
            zone,
            filledOn: start,
            runningSince: start,
            fishInSince: start,
          });
          const choreId = builder.newId();
          builder.revisions.push(
            createRecord(builder.stamp(), choreId, 'chore', {
              tankId: builder.tankId,
              name: 'A chore',
              minutes: 5,
              rule,
            }),
          );
          let now = dayStart(start, zone) + 12 * HOUR_MS;
          let rev = 1;
          const begun = builder.revisions[0];
          if (begun?.type !== 'tank') throw new Error('the first revision is the tank');
          /** The keeper moves house, tank and all: its days are counted in another zone from now on. */
          const moveTo = (other: string) => {
            const stamp = builder.stamp(now);
            builder.revisions.push({
              ...begun,
              ...stamp,
              rev: rev + 1,
              parentRev: rev,
              body: { ...begun.body, zone: other },
            });
            rev += 1;
          };
          const answered = new Set<string>();
          let lastKey: string | null = null;
          let lastOpen = '';
          const tasks = () => {
            const log = builder.log();
            const history = tankHistory(log, builder.tankId, now);
            const asks = choreAsks(history, log, now)
              .filter(({ id }) => id === `chore/${choreId}`)
              // As far ahead as it lies: what is due next week may be done today.
              .map((ask) => ({ ...ask, due: Math.min(ask.due, now + 7 * 24 * HOUR_MS) }));
            const found = asked.occurrences({ history, asks, owned: new Set() } as never, now, now);
            return settle(found, history.entries.taskMark, now).filter(
              ({ standing }) => standing === 'due',
            );
          };
          const due = (): Occurrence | undefined =>
            tasks().find(({ task }) => task.inDays <= 0)?.task;
          const mark = (task: string, how: 'done' | 'skipped' | 'snoozed') =>
            builder.entry(now, {
              kind: 'taskMark',
              task,
              title: 'A chore',
              how,
              ...(how === 'snoozed'
                ? { until: isoInZone(addDaysIn(startOfDayIn(now, zone), 1, zone), zone) }
                : {}),
            });
          let moved = false;
          for (const { hours, how } of steps) {
            now += hours * HOUR_MS + 1000;
            if (how === 'move') {
              moveTo(ZONES[rev % ZONES.length] ?? zone);
              moved = true;
            }
            const task = due();
            if (task) {
              expect(answered).not.toContain(task.key);
              // Occasions go on: none that lies before one that was open comes back.
              const day = task.key.slice(-10);
              if (!moved) expect(day >= lastOpen).toBe(true);
              lastOpen = day;
            }
            if (how === 'early' || how === 'early skip') {
              const [next] = tasks();
              if (!next) continue;
              mark(next.task.key, how === 'early' ? 'done' : 'skipped');
              answered.add(next.task.key);
              lastKey = next.task.key;
              expect(tasks().map((one) => one.task.key)).not.toContain(next.task.key);
              continue;
            }
            if (how === 'late snooze' || how === 'again') {
              if (lastKey) mark(lastKey, how === 'again' ? 'done' : 'snoozed');
              continue;
            }
            if (!task || how === 'nothing' || how === 'move') continue;
            mark(task.key, how);
            lastKey = task.key;
            if (how === 'snoozed') {
              // Put off until tomorrow, whatever its clocks do tonight; zones apart tell another day.
              if (!moved) expect(due()).toBeUndefined();
            } else {
              answered.add(task.key);
              expect(due()?.key).not.toBe(task.key);
            }
          }
          // Whatever was said, it comes round again.
          now += 400 * 24 * HOUR_MS;
          expect(due()).toBeDefined();
          for (const key of answered) {
            expect(dayOf(dayStart(key.slice(-10), zone), zone)).toBe(key.slice(-10));
          }
        },
      ),
      { numRuns: draws(20) },
    );
  });
});
