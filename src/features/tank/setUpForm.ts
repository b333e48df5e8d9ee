import * as z from 'zod';
import { daySchema, NAME_LETTERS } from '@/core/records/common';
import { DEFAULT_DONE_RULE, TANK_PARTS, type Tank } from '@/core/records/schema/tank';
import type { Settings } from '@/core/records/schema/settings';
import { linearToCanonical } from '@/core/units/units';
import { DEFAULT_ROCK_DENSITY, usualGlass, USUAL_GAP } from '@/core/water/volume';
import { FormReader, type FormReading } from '@/forms/reader';
import { NO_FACTS, type TankFacts } from '@/core/tank/tankFacts';

/** The three questions of a first minute. */
export const setUpSchema = z.object({
  name: z.string(),
  sizeBy: z.enum(['label', 'dimensions']),
  label: z.string(),
  length: z.string(),
  width: z.string(),
  height: z.string(),
  stage: z.enum(['empty', 'cycling', 'running', 'moving']),
  since: z.string(),
});
export type SetUpForm = z.infer<typeof setUpSchema>;

/** The questions as they begin, with today for the day it stands since. */
export function emptySetUp(today: string): SetUpForm {
  return {
    name: '',
    sizeBy: 'label',
    label: '',
    length: '',
    width: '',
    height: '',
    stage: 'cycling',
    since: today,
  };
}

/** What three answers stand for: a tank of which the rest is not entered, and the day it stands since. */
export function readSetUp(
  form: SetUpForm,
  settings: Settings,
  { today, zone }: { today: string; zone: string },
): FormReading<SetUpForm, { tank: Tank; facts: TankFacts }> {
  const read = new FormReader(form);
  const name = read.text('name', NAME_LETTERS, 'Give it a name.');
  const cm = (field: 'length' | 'width' | 'height') =>
    linearToCanonical(read.number(field, { aboveZero: true, max: 2000 }), settings.lengthUnit);
  const shell = (): Tank['volume']['shell'] => {
    if (form.sizeBy === 'label') {
      const litres = read.number('label', { aboveZero: true, max: 100_000 });
      return { by: 'label', litres: linearToCanonical(litres, settings.volumeUnit) };
    }
    const box = { length: cm('length'), width: cm('width'), height: cm('height') };
    return {
      by: 'dimensions',
      box: { ...box, glass: usualGlass(box.height), fillGap: Math.min(USUAL_GAP, box.height / 4) },
    };
  };
  const since = form.since.trim();
  if (form.stage !== 'empty') {
    if (!daySchema.safeParse(since).success) read.fail('since', 'Write the day as 2026-11-04.');
    else if (since > today) read.fail('since', 'That day lies ahead.');
  }
  return read.result({
    tank: {
      name,
      kind: 'display',
      zone,
      volume: {
        shell: shell(),
        rockKg: 0,
        rockDensity: DEFAULT_ROCK_DENSITY,
        sandDepth: 0,
        sump: null,
        measuredAtFill: null,
      },
      rock: 'dryRock',
      lightPlan: 'off',
      doneRule: DEFAULT_DONE_RULE,
      notEntered: [...TANK_PARTS],
    },
    facts: {
      ...NO_FACTS,
      filledOn: form.stage === 'empty' ? null : since,
      runningSince: form.stage === 'running' || form.stage === 'moving' ? since : null,
    },
  });
}
