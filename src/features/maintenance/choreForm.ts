import * as z from 'zod';
import { NAME_LETTERS } from '@/core/records/common';
import type { Chore, ChoreRule } from '@/core/records/schema/chore';
import { linearFromCanonical, linearToCanonical } from '@/core/units/units';
import { formatExact } from '@/core/units/format';
import { isDay } from '@/core/time/calendar';
import { FormReader, type FormReading } from '@/forms/reader';

/** A chore as it is typed. */
export const choreFields = z.object({
  name: z.string(),
  minutes: z.string(),
  water: z.string(),
  waterUnit: z.enum(['L', 'gal']),
  by: z.enum(['days', 'calendar']),
  every: z.string(),
  unit: z.enum(['day', 'week', 'month']),
  weekdays: z.array(z.number()),
  start: z.string(),
  asked: z.enum(['yes', 'no']),
});
export type ChoreFields = z.infer<typeof choreFields>;

/** What a chore of a tank says beside whose it is. */
export type ChoreBody = Omit<Chore, 'tankId' | 'of'>;

type WaterUnit = ChoreFields['waterUnit'];

export function emptyChore(today: string, waterUnit: WaterUnit): ChoreFields {
  return {
    name: '',
    minutes: '5',
    water: '',
    waterUnit,
    by: 'calendar',
    every: '1',
    unit: 'week',
    weekdays: [],
    start: today,
    asked: 'yes',
  };
}

/** @param today the day a calendar would begin on, YYYY-MM-DD */
export function formOfChore(
  { name, minutes, litres, rule, off }: ChoreBody,
  today: string,
  waterUnit: WaterUnit,
): ChoreFields {
  return {
    name,
    minutes: String(minutes),
    water:
      litres === undefined
        ? ''
        : formatExact(Number(linearFromCanonical(litres, waterUnit).toPrecision(4))),
    waterUnit,
    by: rule.by,
    every: String(rule.every),
    unit: rule.by === 'calendar' ? rule.unit : 'week',
    weekdays: rule.by === 'calendar' ? [...rule.weekdays].sort((a, b) => a - b) : [],
    start: rule.by === 'calendar' ? rule.start : today,
    asked: off ? 'no' : 'yes',
  };
}

function wholeNumber(
  read: FormReader<ChoreFields>,
  field: 'minutes' | 'every',
  max: number,
): number {
  const value = read.number(field, { min: 1, max });
  if (Number.isFinite(value) && !Number.isInteger(value))
    return read.fail(field, 'A whole number.');
  return value;
}

/** What is typed of a chore, as it is kept. */
export function readChore(form: ChoreFields): FormReading<ChoreFields, ChoreBody> {
  const read = new FormReader(form);
  const name = read.text('name', NAME_LETTERS, 'What is it called?');
  const minutes = wholeNumber(read, 'minutes', 600);
  const water = read.optional('water', { aboveZero: true, max: 20_000 });
  const every = wholeNumber(read, 'every', form.by === 'days' ? 1000 : 60);
  if (form.by === 'calendar' && !isDay(form.start)) read.fail('start', 'From which day on?');
  const rule: ChoreRule =
    form.by === 'days'
      ? { by: 'days', every }
      : {
          by: 'calendar',
          unit: form.unit,
          every,
          weekdays: form.unit === 'week' ? form.weekdays : [],
          start: form.start,
        };
  return read.result({
    name,
    minutes,
    ...(water === null ? {} : { litres: linearToCanonical(water, form.waterUnit) }),
    rule,
    ...(form.asked === 'no' ? { off: true as const } : {}),
  });
}
