import { animalsCalled } from '../../records/kinds/animals';
import { rampSteps } from '../../corals/ramp';
import { DAY_MS } from '../../time/zone';
import { isHere, rosterOf } from '../../livestock/roster/roster';
import { listWords } from '../../units/format';
import type { Occurrence, TaskSource } from '../types';
import { occurrence } from '../occurrence';

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
    for (const cohort of rosterOf(history)) {
      const loan = cohort.lent > 0 ? cohort.lentUntil : null;
      const home = isHere(cohort) ? (cohort.rehomeBy ?? null) : null;
      if (loan !== null && loan <= until) {
        tasks.push(
          occurrence(
            {
              id: `loan/${cohort.id}`,
              title: `${animalsCalled(cohort.what, cohort.lent)} back from a loan`,
              because: 'The day that was agreed when it was lent',
              minutes: 30,
              opens: {
                form: 'animals',
                given: { move: 'back', group: cohort.group, what: cohort.what, cohort: cohort.id },
              },
            },
            loan,
            zone,
            from,
          ),
        );
      }
      if (home !== null && home <= until) {
        tasks.push(
          occurrence(
            {
              id: `rehome/${cohort.id}`,
              title: `Another home for ${animalsCalled(cohort.what, cohort.here ?? undefined)}`,
              because: 'It outgrows this tank: the day that was noted when it came',
              minutes: 60,
              opens: {
                form: 'animals',
                given: { move: 'out', group: cohort.group, what: cohort.what, cohort: cohort.id },
              },
            },
            home,
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
