import type { ParameterId } from '../parameters/registry';
import { PARAMETERS } from '../parameters/registry';
import { convertLinear, type LinearUnit, type Unit } from '../units/units';
import { NAME_LETTERS } from '../records/common';
import { derivedId } from '../math/hash';
import { kitFrom, KIT_TEMPLATES } from '../records/kitTemplates';
import type { ReadingValue } from '../records/kinds/reading';
import type { Kit } from '../records/schema/kit';
import type { CellValue } from './read/cell';

/** A kit of the log, or one that the sheet brings along. */
export interface SheetKit {
  id: string;
  kit: Kit;
  /** It is not in the log yet. */
  fresh: boolean;
}

/** What was read with one kit: the figures of one parameter, in one unit, under one name. */
export interface KitUse {
  parameter: ParameterId;
  unit: Unit;
  /** As the sheet calls it; empty where it does not. */
  name: string;
  values: readonly CellValue[];
}

/** Its place on the test sheet, after those that were set up. */
const LAST = 900;

/** Steps of a card at most, as kits have them. */
const MOST_STEPS = 16;

/**
 * Half of what an unnamed meter's figure may stand for, in the parameter's usual unit: what a colour is told
 * by, where no meter of the usual kinds is there to lend its own.
 */
const UNNAMED_ACCURACY: Partial<Record<ParameterId, readonly [figure: number, unit: LinearUnit]>> =
  {
    ammonia: [0.15, 'ammonia NH4'],
    nitrite: [0.1, 'nitrite NO2'],
    nitrate: [3, 'nitrate NO3'],
  };

const isCardValue = ({ is }: CellValue): boolean => is !== 'number' && is !== 'nothing';

/** Whether every figure is one that a card of these steps gives. */
function fits(steps: readonly number[], values: readonly CellValue[]): boolean {
  return values.every((value) => cardValue(steps, value) !== null);
}

/**
 * A cell as a card's reading: a step, between two that are neighbours, under the first above zero, or at the
 * last; null where the card has no such reading.
 */
export function cardValue(steps: readonly number[], value: CellValue): ReadingValue | null {
  const at = (figure: number) => steps.findIndex((step) => Math.abs(step - figure) < 1e-9);
  const card = (low: number, high: number): ReadingValue | null =>
    low < 0 || high >= steps.length || high < low || high > low + 1
      ? null
      : { form: 'card', steps: [...steps], low, high };
  switch (value.is) {
    case 'number':
      return card(at(value.value), at(value.value));
    case 'between':
      return card(at(value.low), at(value.high));
    case 'under':
      return at(value.value) === 1 && steps[0] === 0 ? card(0, 1) : null;
    case 'trace':
      return steps[0] === 0 ? card(0, 1) : null;
    case 'over':
      return at(value.value) === steps.length - 1 ? card(steps.length - 1, steps.length - 1) : null;
    default:
      return null;
  }
}

/** The kit that figures were read with: one of the log by its name, or one that gives such figures; else a new one. */
export function chooseKit(use: KitUse, ofLog: readonly SheetKit[]): SheetKit {
  const { parameter, unit, name, values } = use;
  const same = ofLog.filter(({ kit }) => kit.parameter === parameter);
  const counts = ({ kit }: SheetKit) => !PARAMETERS[parameter].basis || kit.unit === unit;
  const gives = ({ kit }: SheetKit) =>
    kit.scale.form === 'card'
      ? kit.unit === unit && fits(kit.scale.steps, values)
      : !values.some(isCardValue);
  const usable = same.filter((one) => counts(one) && gives(one));
  const named = usable.find(({ kit }) => kit.name.toLowerCase() === name.toLowerCase());
  if (named) return named;
  const own = name === '' ? usable.find(({ kit }) => kit.inUse) : undefined;
  return own ?? newKit(use);
}

function newKit(use: KitUse): SheetKit {
  const { parameter, unit, name, values } = use;
  const templates = KIT_TEMPLATES.filter((template) => template.parameter === parameter);
  const card = templates.find(
    ({ scale, unit: own }) => scale.form === 'card' && own === unit && fits(scale.steps, values),
  );
  const scale = (card?.scale ?? writtenCard(values) ?? meter(use)) as Kit['scale'];
  const [first] = templates as [(typeof templates)[0]];
  const kit: Kit = {
    // No kit of the test sheet until somebody says so.
    ...kitFrom(first.id, LAST, false),
    name: (name || `${PARAMETERS[parameter].name}, from a spreadsheet`).slice(0, NAME_LETTERS),
    unit,
    scale: scale.form === 'card' ? { ...scale, steps: [...scale.steps] } : { ...scale },
    waitMinutes: card?.waitMinutes ?? 0,
    // Most kits for nitrate turn it into nitrite first; whoever has another says so at the kit.
    reduction: parameter === 'nitrate',
  };
  return { id: derivedId(`sheet kit/${JSON.stringify(kit)}`), kit, fresh: true };
}

/** A card whose steps are what was written, where something stood between, under or over; null where nothing did. */
function writtenCard(values: readonly CellValue[]): Kit['scale'] | null {
  if (!values.some(isCardValue)) return null;
  const ends = values.flatMap((value) => {
    if (value.is === 'between') return [value.low, value.high];
    return 'value' in value ? [value.value] : [];
  });
  const steps = [...new Set([0, ...ends])].sort((a, b) => a - b);
  const isCard = steps.length >= 2 && steps.length <= MOST_STEPS && (steps[0] ?? -1) >= 0;
  return isCard ? { form: 'card', steps } : null;
}

/** A meter of the usual kind, or one as fine as its figures and as sure as colours are. */
function meter({ parameter, unit, values }: KitUse): Kit['scale'] {
  const usual = KIT_TEMPLATES.find(
    (template) => template.parameter === parameter && template.unit === unit,
  );
  if (usual?.scale.form === 'digital') return usual.scale;
  const decimals = Math.max(
    0,
    ...values.map((value) =>
      value.is === 'number' ? (String(value.value).split('.')[1] ?? '').length : 0,
    ),
  );
  const resolution = Number((10 ** -Math.min(decimals, 4)).toPrecision(1));
  const spread = UNNAMED_ACCURACY[parameter];
  const digital = KIT_TEMPLATES.find(
    (template) => template.parameter === parameter && template.scale.form === 'digital',
  );
  const scale = digital?.scale.form === 'digital' ? digital.scale : null;
  const accuracy = spread
    ? convertLinear(spread[0], spread[1], unit as LinearUnit)
    : scale && digital
      ? acrossUnits(scale.accuracy, digital.unit, unit)
      : resolution;
  return {
    form: 'digital',
    resolution,
    accuracy: Number(accuracy.toPrecision(2)),
    compensated: scale?.compensated ?? true,
  };
}

/** A spread in another unit: where units are not linear, by how far a thousandth of gravity is one of salt. */
const SPREAD_PER_PPT: Partial<Record<Unit, number>> = {
  sg25: 0.00076,
  sg20: 0.00076,
  sg60F: 0.00076,
  'mS/cm': 1.4,
};

function acrossUnits(spread: number, from: Unit, to: Unit): number {
  const perPpt = SPREAD_PER_PPT[to];
  if (perPpt !== undefined) return spread * perPpt;
  if (to === 'ppt') return spread;
  const unit = (value: number) => convertLinear(value, from as LinearUnit, to as LinearUnit);
  return Math.abs(unit(spread) - unit(0));
}
