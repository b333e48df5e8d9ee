import { fromCanonical } from '../parameters/convert';
import type { ParameterId } from '../parameters/registry';
import { formatFixed, formatPlain } from '../units/format';
import { unitDecimals, unitSymbol, type Unit } from '../units/units';
import { correctedFigure, type Reading } from './reading';

/** A reading as it is shown: the figure, and the unit that belongs to it. */
export interface Shown {
  value: string;
  unit: string;
}

const AS_READ: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];

/**
 * A reading for a screen. What was read on a card, or on the basis of a kit, is shown as it was
 * read, so that it can be found on the card again; the rest is turned into the keeper's unit.
 */
export function shownReading(reading: Reading, unit: Unit): Shown {
  const { value } = reading.entry;
  if (value.form === 'card') {
    const low = formatPlain(value.steps[value.low] ?? 0);
    const text =
      value.low === value.high ? low : `${low}\u2013${formatPlain(value.steps[value.high] ?? 0)}`;
    return { value: text, unit: unitSymbol(reading.unit) };
  }
  if (reading.unit === unit || AS_READ.includes(reading.parameter)) {
    const figure = reading.asRead === null ? reading.typed : correctedFigure(reading);
    return { value: figure, unit: unitSymbol(reading.unit) };
  }
  return {
    value: formatFixed(fromCanonical(reading.best, unit), unitDecimals(unit)),
    unit: unitSymbol(unit),
  };
}
