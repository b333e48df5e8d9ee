import * as z from 'zod';
import { NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import { daysApart } from '@/core/maintenance/days';
import type { Absence } from '@/core/records/schema/absence';
import { isDay } from '@/core/time/calendar';
import { FormReader, type FormReading } from '@/forms/reader';

/** Days away as they are typed; what is said of each tank stands by its id. */
export const awayFields = z.object({
  from: z.string(),
  until: z.string(),
  minder: z.string(),
  call: z.string(),
  food: z.record(z.string(), z.string()),
  leave: z.record(z.string(), z.string()),
});
export type AwayFields = z.infer<typeof awayFields>;

export function formOfAbsence({ from, until, minder, call, tanks }: Absence): AwayFields {
  const told = Object.entries(tanks);
  return {
    from,
    until,
    minder,
    call,
    food: Object.fromEntries(told.map(([id, { food }]) => [id, food])),
    leave: Object.fromEntries(told.map(([id, { leave }]) => [id, leave])),
  };
}

/** Longer journeys than this are another keeper's, days. */
const LONGEST_DAYS = 120;

/** What is typed of days away, as it is kept. */
export function readAbsence(form: AwayFields): FormReading<AwayFields, Absence> {
  const read = new FormReader(form);
  if (!isDay(form.from)) read.fail('from', 'The first day away: day and month.');
  if (!isDay(form.until)) read.fail('until', 'The last day away: day and month.');
  else if (isDay(form.from)) {
    const days = daysApart(form.from, form.until);
    if (days < 0) read.fail('until', 'It ends before it begins: look at both days.');
    if (days > LONGEST_DAYS) {
      read.fail('until', `More than ${LONGEST_DAYS} days: a tank needs a keeper for that long.`);
    }
  }
  const most = (text: string) => text.trim().slice(0, NOTE_LETTERS);
  const ids = [...new Set([...Object.keys(form.food), ...Object.keys(form.leave)])];
  return read.result({
    from: form.from,
    until: form.until,
    minder: form.minder.trim().slice(0, NAME_LETTERS),
    call: most(form.call),
    tanks: Object.fromEntries(
      ids.map((id) => [id, { food: most(form.food[id] ?? ''), leave: most(form.leave[id] ?? '') }]),
    ),
  });
}
