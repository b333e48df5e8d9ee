import { dayOf, instant } from '../time/zone';
import { countOf } from '../units/format';
import { occurrence } from './occurrence';
import type { Occurrence, TaskSource } from './types';

/** What quarantine asks for: the look of the day, and the cleaning after a batch. */
export const quarantine: TaskSource = {
  occurrences: ({ history, batches = [] }, from) => {
    const { tankId, tank, entries } = history;
    const { zone } = tank;
    const own = batches.filter(({ body }) => body.tankId === tankId);
    const tasks: Occurrence[] = [];
    for (const { id, body } of own) {
      if (body.endedAt !== null) continue;
      const looked = new Set(
        entries.look
          .filter(({ at }) => dayOf(at, zone) === dayOf(from, zone))
          .map(({ entry }) => entry.lot),
      );
      const left = body.animals.filter(({ lot }) => lot === undefined || !looked.has(lot)).length;
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
    const ended = own.flatMap(({ body }) => (body.endedAt === null ? [] : [instant(body.endedAt)]));
    const last = Math.max(...ended);
    const busy = own.some(({ body }) => body.endedAt === null);
    if (ended.length > 0 && !busy && !entries.cleaning.some(({ at }) => at >= last)) {
      tasks.push(
        occurrence(
          {
            id: `cleaning/${last}`,
            title: 'Clean the quarantine tank',
            because: 'Sponge out, tank and tools disinfected and dried, before the next batch',
            minutes: 60,
            opens: { form: 'cleaning' },
          },
          last,
          zone,
          from,
        ),
      );
    }
    return tasks;
  },
};
