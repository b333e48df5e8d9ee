import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import { nameOf, type ColumnUse, type How, type Mapping } from '../mapping';
import { cellValue } from '../read/cell';
import type { Mark } from '../read/number';
import { guessMeasure, measureKey } from './measure';

// What a keeper says of a sheet, apart from the guess: the page needs this and none of the rest.

/** The plain numbers among cells. */
export const numbersOf = (cells: readonly string[], mark: Mark): number[] =>
  cells.flatMap((cell) => {
    const value = cellValue(cell, mark);
    return value.is === 'number' ? [value.value] : [];
  });

/** Where 0 cannot be a value, it is a way of leaving the cell empty. */
export const usualZero = (parameter: ParameterId): How['zero'] =>
  PARAMETERS[parameter].likely.low > 0 ? 'untested' : 'zero';

/** The mapping with a question answered. @param value of one of its options */
export function answered(mapping: Mapping, key: string, value: string): Mapping {
  if (key === 'order') return { ...mapping, order: value as Mapping['order'] };
  if (key === 'mark') return { ...mapping, mark: value as Mark };
  const [what, name] = [key.slice(0, key.indexOf('/')), key.slice(key.indexOf('/') + 1)];
  const change: Partial<How> =
    what === 'zero' ? { zero: value as How['zero'] } : (measureOf(value) satisfies Partial<How>);
  return {
    ...mapping,
    columns: mapping.columns.map((column) =>
      column.use.is === 'reading' && nameOf(column) === name
        ? { ...column, use: { ...column.use, ...change } }
        : column,
    ),
    parameters: Object.fromEntries(
      Object.entries(mapping.parameters).map(([id, how]) => [
        id,
        PARAMETERS[id as ParameterId].name === name ? { ...how, ...change } : how,
      ]),
    ),
  };
}

function measureOf(key: string): Pick<How, 'unit' | 'scaling'> {
  const [unit, scaling] = key.split('|') as [How['unit'], How['scaling']];
  return { unit, scaling };
}

/** The answer that a mapping gives to a question. */
export function answerIn(mapping: Mapping, key: string): string {
  if (key === 'order') return mapping.order;
  if (key === 'mark') return mapping.mark;
  const name = key.slice(key.indexOf('/') + 1);
  const column = mapping.columns.find((one) => nameOf(one) === name)?.use;
  const row = Object.entries(mapping.parameters).find(
    ([id]) => PARAMETERS[id as ParameterId].name === name,
  )?.[1];
  const how = column?.is === 'reading' ? column : row;
  if (!how) return '';
  return key.startsWith('zero/') ? how.zero : measureKey(how);
}

/** The mapping with another use of a column. */
export function withUse(mapping: Mapping, heading: string, nth: number, use: ColumnUse): Mapping {
  const rest = mapping.columns.filter((one) => one.heading !== heading || one.nth !== nth);
  return { ...mapping, columns: [...rest, { heading, nth, use }] };
}

/** A column as tests of a parameter, its unit as the heading and the samples say. */
export function asReading(
  parameter: ParameterId,
  heading: string,
  samples: readonly string[],
  mark: Mark,
): ColumnUse {
  const { measure } = guessMeasure(parameter, heading, numbersOf(samples, mark));
  return { is: 'reading', parameter, ...measure, zero: usualZero(parameter) };
}
