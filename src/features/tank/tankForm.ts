import * as z from 'zod';
import { daySchema, NAME_LETTERS } from '@/core/records/common';
import {
  DEFAULT_DONE_RULE,
  LIGHT_PLANS,
  ROCKS,
  TANK_KINDS,
  type Tank,
} from '@/core/records/schema/tank';
import type { Settings } from '@/core/records/schema/settings';
import { formatExact, formatPlain } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical, type LinearUnit } from '@/core/units/units';
import { DEFAULT_ROCK_DENSITY } from '@/core/water/volume';
import { FormReader, type FormReading } from '@/forms/reader';
import type { TankFacts } from '@/core/tank/tankFacts';

/** A tank half described: every field as text, in the keeper's own units. */
export const tankFormSchema = z.object({
  name: z.string(),
  kind: z.enum(TANK_KINDS),
  stage: z.enum(['empty', 'filled', 'running']),
  filledOn: z.string(),
  runningSince: z.string(),
  shellBy: z.enum(['dimensions', 'label']),
  length: z.string(),
  width: z.string(),
  height: z.string(),
  glass: z.string(),
  fillGap: z.string(),
  labelVolume: z.string(),
  rockMass: z.string(),
  rockDensity: z.string(),
  sandDepth: z.string(),
  sumpBy: z.enum(['none', 'litres', 'box']),
  sumpVolume: z.string(),
  sumpLength: z.string(),
  sumpWidth: z.string(),
  sumpDepth: z.string(),
  fillBy: z.enum(['none', 'litres', 'rate']),
  fillVolume: z.string(),
  fillMinutes: z.string(),
  fillRate: z.string(),
  rock: z.enum(ROCKS),
  light: z.enum(LIGHT_PLANS),
  lid: z.boolean(),
  heaterVerifiedOn: z.string(),
});
export type TankForm = z.infer<typeof tankFormSchema>;

/** An empty form, for a tank filled today. */
export function emptyTankForm(today: string): TankForm {
  return {
    name: '',
    kind: 'display',
    stage: 'filled',
    filledOn: today,
    runningSince: '',
    shellBy: 'dimensions',
    length: '',
    width: '',
    height: '',
    glass: '',
    fillGap: '',
    labelVolume: '',
    rockMass: '0',
    rockDensity: formatPlain(DEFAULT_ROCK_DENSITY),
    sandDepth: '0',
    sumpBy: 'none',
    sumpVolume: '',
    sumpLength: '',
    sumpWidth: '',
    sumpDepth: '',
    fillBy: 'none',
    fillVolume: '',
    fillMinutes: '',
    fillRate: '',
    rock: 'dryRock',
    light: 'off',
    lid: false,
    heaterVerifiedOn: '',
  };
}

/** The form of a tank that exists, in the keeper's units. */
export function formOfTank(tank: Tank, facts: TankFacts, settings: Settings): TankForm {
  const text = (value: number, unit: LinearUnit) => formatExact(linearFromCanonical(value, unit));
  const cm = (value: number) => text(value, settings.lengthUnit);
  const litres = (value: number) => text(value, settings.volumeUnit);
  const { shell, sump, measuredAtFill: fill } = tank.volume;
  const form: TankForm = {
    ...emptyTankForm(facts.filledOn ?? ''),
    name: tank.name,
    kind: tank.kind,
    stage: facts.runningSince ? 'running' : facts.filledOn ? 'filled' : 'empty',
    filledOn: facts.filledOn ?? '',
    runningSince: facts.runningSince ?? '',
    shellBy: shell.by,
    rockMass: text(tank.volume.rockKg * 1000, settings.massUnit),
    rockDensity: formatExact(tank.volume.rockDensity),
    sandDepth: cm(tank.volume.sandDepth),
    sumpBy: sump?.by ?? 'none',
    fillBy: fill?.by ?? 'none',
    rock: tank.rock,
    light: tank.lightPlan,
    lid: facts.lid,
    heaterVerifiedOn: facts.heaterVerifiedOn ?? '',
  };
  if (shell.by === 'label') form.labelVolume = litres(shell.litres);
  else {
    form.length = cm(shell.box.length);
    form.width = cm(shell.box.width);
    form.height = cm(shell.box.height);
    form.glass = formatExact(shell.box.glass);
    form.fillGap = cm(shell.box.fillGap);
  }
  if (sump?.by === 'litres') form.sumpVolume = litres(sump.litres);
  if (sump?.by === 'box') {
    form.sumpLength = cm(sump.length);
    form.sumpWidth = cm(sump.width);
    form.sumpDepth = cm(sump.waterDepth);
  }
  if (fill?.by === 'litres') form.fillVolume = litres(fill.litres);
  if (fill?.by === 'rate') {
    form.fillMinutes = formatExact(fill.minutes);
    form.fillRate = formatExact(linearFromCanonical(fill.litresPerMinute, settings.volumeUnit));
  }
  return form;
}

/** What a tank form stands for: the tank itself, and what it says of what happened to it. */
export interface TankAndFacts {
  tank: Tank;
  facts: TankFacts;
}

function dayField(
  read: FormReader<TankForm>,
  form: TankForm,
  field: 'filledOn' | 'runningSince' | 'heaterVerifiedOn',
  today: string,
): string | null {
  const text = form[field].trim();
  if (!daySchema.safeParse(text).success) {
    read.fail(field, 'Write the day as 2026-11-04.');
    return null;
  }
  if (text > today) read.fail(field, 'That day lies ahead.');
  return text;
}

/** Sizes in whichever unit: none is nothing, and none is a lake. */
const POSITIVE = { aboveZero: true, max: 2000 };
/** Volumes in whichever unit: so many gallons are still within what a record holds in litres. */
const MOST_VOLUME = 250_000;

/** The volume a form stands for; what is wrong with it is noted in `read`. */
function readVolume(
  form: TankForm,
  settings: Settings,
  read: FormReader<TankForm>,
): Tank['volume'] {
  const cm = (field: keyof TankForm, limits: Parameters<typeof read.number>[1] = POSITIVE) =>
    linearToCanonical(read.number(field, limits), settings.lengthUnit);
  const litres = (field: keyof TankForm) =>
    linearToCanonical(
      read.number(field, { aboveZero: true, max: MOST_VOLUME }),
      settings.volumeUnit,
    );
  const zeroOk = { min: 0, max: 2000 };
  return {
    shell:
      form.shellBy === 'label'
        ? { by: 'label', litres: litres('labelVolume') }
        : {
            by: 'dimensions',
            box: {
              length: cm('length'),
              width: cm('width'),
              height: cm('height'),
              glass: read.number('glass', { min: 0, max: 60 }),
              fillGap: cm('fillGap', zeroOk),
            },
          },
    rockKg:
      linearToCanonical(read.number('rockMass', { min: 0, max: 20_000 }), settings.massUnit) / 1000,
    rockDensity: read.number('rockDensity', { min: 1, max: 4 }),
    sandDepth: cm('sandDepth', zeroOk),
    sump:
      form.sumpBy === 'none'
        ? null
        : form.sumpBy === 'litres'
          ? { by: 'litres', litres: litres('sumpVolume') }
          : {
              by: 'box',
              length: cm('sumpLength'),
              width: cm('sumpWidth'),
              waterDepth: cm('sumpDepth'),
            },
    measuredAtFill:
      form.fillBy === 'none'
        ? null
        : form.fillBy === 'litres'
          ? { by: 'litres', litres: litres('fillVolume') }
          : {
              by: 'rate',
              minutes: read.number('fillMinutes', { aboveZero: true, max: 100_000 }),
              litresPerMinute: litres('fillRate'),
            },
  };
}

/** The volume alone may be readable before the rest is, so that its working can be shown. */
export function volumeOfForm(form: TankForm, settings: Settings): Tank['volume'] | null {
  const read = new FormReader(form);
  const volume = readVolume(form, settings, read);
  return read.ok ? volume : null;
}

/** The tank a form stands for, or what is missing from it field by field. */
export function readTank(
  form: TankForm,
  settings: Settings,
  context: { today: string; zone: string; kept?: Tank },
): FormReading<TankForm, TankAndFacts> {
  const read = new FormReader(form);
  const volume = readVolume(form, settings, read);
  const name = read.text('name', NAME_LETTERS, 'Give it a name.');
  const filledOn = form.stage === 'empty' ? null : dayField(read, form, 'filledOn', context.today);
  const runningSince =
    form.stage === 'running' ? dayField(read, form, 'runningSince', context.today) : null;
  if (filledOn && runningSince && runningSince < filledOn) {
    read.fail('runningSince', 'That is before it was filled.');
  }
  const heaterVerifiedOn =
    form.heaterVerifiedOn.trim() === ''
      ? null
      : dayField(read, form, 'heaterVerifiedOn', context.today);
  return read.result({
    tank: {
      // What other screens decide of a tank, its method among it, is none of this form's business.
      doneRule: DEFAULT_DONE_RULE,
      ...context.kept,
      name,
      kind: form.kind,
      zone: context.zone,
      volume,
      rock: form.rock,
      lightPlan: form.light,
    },
    facts: { filledOn, runningSince, lid: form.lid, heaterVerifiedOn },
  });
}
