import { animalsCalled } from '../records/kinds/animals';
import { rampSteps } from '../corals/ramp';
import { DAY_MS } from '../time/zone';
import { listWords } from '../units/format';
import type { Occurrence, TaskSource } from './types';
import { occurrence } from './occurrence';

/** Days before a date of the plan at which it is listed. */
const LISTED_DAYS = 7;

/** The dates of the plan: a batch to begin, animals to add; and loans that end, homes to be found. */
export const stocking: TaskSource = {
  occurrences: ({ history, plan }, from, until) => {
    const { zone } = history.tank;
    const tasks: Occurrence[] = [];
    const items = plan?.items ?? [];
    for (const batch of new Set(items.flatMap((item) => item.batch ?? []))) {
      const together = items.filter((item) => item.batch === batch);
      const [first] = together;
      const begins = first?.quarantineFrom ?? null;
      if (!first || begins === null || begins > until) continue;
      tasks.push(
        occurrence(
          {
            id: `quarantine/${first.wishId}`,
            title: `Buy and quarantine: ${listWords(together.map(({ name, count }) => animalsCalled(name, count)))}`,
            because: `Batch ${batch} begins, so that it is clear when the tank is`,
            minutes: 60,
            opens: { stock: 'wishes' },
          },
          begins,
          zone,
          from,
        ),
      );
    }
    for (const item of items) {
      const called = animalsCalled(item.name, item.count);
      if (item.addOn.p50 <= until) {
        tasks.push(
          occurrence(
            {
              id: `add/${item.wishId}`,
              title: `Add ${called}`,
              because: item.because,
              minutes: 60,
              opens: { stock: 'add', given: { species: item.species, count: String(item.count) } },
            },
            item.addOn.p50,
            zone,
            from,
          ),
        );
      }
    }
    for (const { at, percent } of history.tank.ramp ? rampSteps(history.tank.ramp, zone) : []) {
      // A step whose week is over was taken, or is overtaken by the next.
      if (at > until || from - at > 6 * DAY_MS) continue;
      tasks.push(
        occurrence(
          {
            id: `ramp/${percent}`,
            title: `Light to ${percent} %`,
            because: 'A step of the weeks in which it is raised',
            minutes: 2,
            opens: { stock: 'corals' },
          },
          at,
          zone,
          from,
        ),
      );
    }
    return tasks.filter(({ inDays }) => inDays <= LISTED_DAYS);
  },
};
