import { cleaningOwed, cohortsToCheck } from '../../quarantine/who';
import { countOf } from '../../units/format';
import { occurrence } from '../occurrence';
import type { Occurrence, TaskSource } from '../types';

/** What quarantine asks for: the look of the day, and the cleaning after a batch. */
export const quarantine: TaskSource = {
  occurrences: ({ history, batches = [] }, from) => {
    const { tankId, tank, entries } = history;
    const { zone } = tank;
    const own = batches.filter(({ body }) => body.tankId === tankId);
    const tasks: Occurrence[] = [];
    for (const { id, body } of own) {
      if (body.endedAt !== null) continue;
      const left = cohortsToCheck(body, history, from).length;
      if (left === 0) continue;
      tasks.push(
        occurrence(
          {
            id: `look/${id}`,
            title: `Look at ${countOf(left, 'animal')} in quarantine`,
            because: 'Once a day: a sign that is missed costs the whole batch its days',
            minutes: 3,
            opens: { batch: id },
          },
          from,
          zone,
          from,
        ),
      );
    }
    const since = cleaningOwed(
      own.map(({ body }) => body),
      tankId,
      entries.cleaning,
    );
    if (since !== null) {
      tasks.push(
        occurrence(
          {
            id: `cleaning/${since}`,
            title: 'Clean the quarantine tank',
            because: 'Sponge out, tank and tools disinfected and dried, before the next batch',
            minutes: 60,
            opens: { form: 'cleaning' },
          },
          since,
          zone,
          from,
        ),
      );
    }
    return tasks;
  },
};
