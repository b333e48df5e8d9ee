import { toCanonical, withUnit } from '../../parameters/convert';
import { doubtOf } from '../../parameters/plausible';
import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import type { ReadingValue } from '../../records/kinds/reading';
import { formatPlain } from '../../units/format';
import type { Unit } from '../../units/units';
import { cardValue, chooseKit, type SheetKit } from '../kits';
import type { CellValue } from './cell';

/** Tests of one parameter, in one unit and with one kit: all are read on one scale. */
export interface Group {
  parameter: ParameterId;
  unit: Unit;
  kitName: string;
  /** What was read, each once: a cell that reads as another did is the same value. */
  cells: Set<CellValue>;
}

type ScaleReading = { value: ReadingValue; unlikely: boolean } | { why: string };

/** The scale that a group of tests was read on, with what each figure is on it. */
export class Scale {
  readonly kit: SheetKit;
  private readonly known = new Map<CellValue, ScaleReading>();

  constructor(
    private readonly group: Group,
    kits: readonly SheetKit[],
  ) {
    const { parameter, unit, kitName: name, cells } = group;
    // What cannot be is refused, and no kit has a step for it.
    const values = [...cells].filter((cell) => beyondAll(cell, parameter, unit) === undefined);
    this.kit = chooseKit({ parameter, unit, name, values }, kits);
  }

  /** What a cell says on the scale; why it does not say it, where it does not. */
  of(cell: CellValue): ScaleReading {
    const known = this.known.get(cell);
    if (known) return known;
    const { parameter, unit } = this.group;
    const read = onScale(cell, parameter, unit, this.kit.kit);
    this.known.set(cell, read);
    return read;
  }
}

/** The figure of a cell that no water has; undefined where all can be. */
function beyondAll(cell: CellValue, parameter: ParameterId, unit: Unit): number | undefined {
  const { possible } = PARAMETERS[parameter];
  const figures =
    cell.is === 'between' ? [cell.low, cell.high] : 'value' in cell ? [cell.value] : [];
  return figures.find((figure) => {
    const canonical = toCanonical(figure, unit);
    return !(canonical >= possible.low && canonical <= possible.high);
  });
}

function onScale(
  cell: CellValue,
  parameter: ParameterId,
  unit: Unit,
  { name: kitName, scale }: SheetKit['kit'],
): ScaleReading {
  const { name } = PARAMETERS[parameter];
  const beyond = beyondAll(cell, parameter, unit);
  if (beyond !== undefined) {
    return { why: `cannot be: ${name} of ${withUnit(formatPlain(beyond, 4), unit)}.` };
  }
  const read = (value: ReadingValue): ScaleReading => ({
    value,
    unlikely: doubtOf(parameter, middleOf(value), unit) !== null,
  });
  if (scale.form === 'card') {
    const value = cardValue(scale.steps, cell);
    return value === null ? { why: `is no reading of ${kitName}.` } : read(value);
  }
  if (cell.is === 'number' && !cell.about)
    return read({ form: 'digital', value: cell.value, unit });
  return { why: 'is no figure of a meter, which shows one number.' };
}

function middleOf(value: ReadingValue): number {
  if (value.form === 'digital') return value.value;
  return ((value.steps[value.low] ?? 0) + (value.steps[value.high] ?? 0)) / 2;
}
