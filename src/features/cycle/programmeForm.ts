import * as z from 'zod';
import type { Programme, Tank } from '@/core/records/schema/tank';
import { formatPlain } from '@/core/units/format';
import { FormReader, type FormErrors } from '@/forms/reader';

export const programmeFormSchema = z.object({
  firstMl: z.string(),
  laterMl: z.string(),
  every: z.string(),
  days: z.string(),
});
export type ProgrammeForm = z.infer<typeof programmeFormSchema>;

/** What is known of a tank's programme: the one that is kept, or the length its rule for done names. */
export function formOfProgramme(tank: Tank | undefined): ProgrammeForm {
  const { programme, doneRule } = tank ?? {};
  if (programme) {
    return {
      firstMl: formatPlain(programme.firstMl),
      laterMl: formatPlain(programme.laterMl),
      every: String(programme.every),
      days: String(programme.days),
    };
  }
  const days = doneRule?.rule === 'bottleProgramme' ? doneRule.programmeDays : 14;
  return { firstMl: '', laterMl: '', every: '1', days: String(days) };
}

export type ProgrammeResult =
  | { ok: true; programme: Programme }
  | { ok: false; errors: FormErrors<ProgrammeForm> };

/** The programme a form stands for, or what is wrong with it field by field. */
export function readProgramme(form: ProgrammeForm): ProgrammeResult {
  const read = new FormReader(form);
  const programme = {
    firstMl: read.number('firstMl', { aboveZero: true }),
    laterMl: read.number('laterMl', { min: 0 }),
    every: read.number('every', { min: 1, max: 30 }),
    days: read.number('days', { min: 1, max: 90 }),
  };
  for (const name of ['every', 'days'] as const) {
    if (!read.errors[name] && !Number.isInteger(programme[name])) read.fail(name, 'Whole days.');
  }
  return read.ok ? { ok: true, programme } : { ok: false, errors: read.errors };
}
