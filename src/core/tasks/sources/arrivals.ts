import { topOffLeftOff } from '../../runs/procedures/topOff';
import { addDaysIn, DAY_MS, instant, startOfDayIn } from '../../time/zone';
import { occurrence } from '../occurrence';
import type { Occurrence, TaskSource } from '../types';

/** Days after an arrival on which ammonia is tested. */
export const FOLLOW_UP_DAYS = [1, 3, 7] as const;
/** A unit that was left off this long ago was noticed, days. */
const NOTICED_DAYS = 4;

/** What an arrival leaves to be done: ammonia on days 1, 3 and 7, and the top-off unit on again. */
export const arrivals: TaskSource = {
  occurrences: ({ history, owned, runs = [] }, from, until) => {
    const { zone } = history.tank;
    const tasks: Occurrence[] = [];
    const came = history.entries.animals.findLast(
      ({ entry }) => entry.move === 'in' && entry.group !== 'coral',
    );
    if (came && owned.has('ammonia') && from - came.at < 9 * DAY_MS) {
      const tested = history.readings.ammonia.at(-1)?.at ?? -Infinity;
      for (const day of FOLLOW_UP_DAYS) {
        const due = addDaysIn(startOfDayIn(came.at, zone), day, zone);
        // A test on that day or after it has answered it.
        if (due > until || tested >= due) continue;
        tasks.push(
          occurrence(
            {
              id: `followUp/${came.id}/${day}`,
              title: 'Test ammonia',
              because: `Day ${day} after ${came.entry.what.toLowerCase()} came in`,
              minutes: 8,
              parameters: ['ammonia'],
              opens: { form: 'reading' },
            },
            due,
            zone,
            from,
          ),
        );
      }
    }
    for (const { id, body } of runs) {
      if (body.tankId !== history.tankId || body.ended === null || !topOffLeftOff(body)) continue;
      const ended = instant(body.ended.at);
      if (from - ended > NOTICED_DAYS * DAY_MS) continue;
      tasks.push(
        occurrence(
          {
            id: `topOff/${id}`,
            title: 'Top-off unit on again?',
            because: `It was switched off for a ${body.procedure === 'acclimate' ? 'drip' : 'water change'}, and nobody said that it is on`,
            minutes: 2,
            opens: { form: 'topOff' },
          },
          ended,
          zone,
          from,
        ),
      );
    }
    return tasks;
  },
};
