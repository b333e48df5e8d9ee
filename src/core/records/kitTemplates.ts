import {
  PARAMETER_IDS,
  PARAMETERS,
  type KitTemplateId,
  type ParameterId,
} from '../parameters/registry';
import type { KitTemplate } from '../parameters/spec';
import type { Unit } from '../units/units';
import { NAME_LETTERS } from './common';
import type { Kit } from './schema/kit';

type Known = KitTemplate & { id: KitTemplateId; parameter: ParameterId };

/** Every kit to start from, parameter by parameter. */
export const KIT_TEMPLATES: readonly Known[] = PARAMETER_IDS.flatMap((parameter) =>
  PARAMETERS[parameter].kits.map((template) => ({
    ...template,
    id: template.id as KitTemplateId,
    parameter,
  })),
);

/** The tests a first tank is usually followed with, in the order they are made. */
export const FIRST_KITS: readonly KitTemplateId[] = [
  'ammoniaCard',
  'nitriteCard',
  'nitrateCard',
  'phPen',
  'refractometer',
  'thermometer',
  'alkalinityDrops',
];

/** A kit record from a template, at a place on the test sheet. */
export function kitFrom(id: KitTemplateId, order: number, inUse = true): Kit {
  const found = KIT_TEMPLATES.find((template) => template.id === id);
  if (!found) throw new RangeError(`There is no kit template ${id}.`);
  const { id: _id, scale, ...template } = found;
  return {
    ...template,
    scale: scale.form === 'card' ? { ...scale, steps: [...scale.steps] } : { ...scale },
    lot: '',
    expiresOn: null,
    inUse,
    order,
  };
}

/** A meter that somebody or something else reads: it has no row on the test sheet. */
export function meterKit(
  parameter: ParameterId,
  name: string,
  unit: Unit,
  shows: { resolution: number; accuracy: number },
  by: Pick<Kit, 'order' | 'readBy'>,
): Kit {
  return {
    name: name.slice(0, NAME_LETTERS),
    parameter,
    unit,
    scale: { form: 'digital', ...shows, compensated: true },
    waitMinutes: 0,
    lot: '',
    expiresOn: null,
    reduction: false,
    inUse: false,
    ...by,
  };
}
