import { readingUnit } from '../../records/kinds/reading';
import { deriveReadings, type TankReading } from './tankReadings';
import { fromCanonical } from '../../parameters/convert';
import type { Log } from '../../records/log';
import { unitDecimals, type Unit } from '../../units/units';
import { csvOf, type Written } from './csv';

/** Each unit as two columns: what it is counted in, and as what. */
const UNIT_CELLS: Partial<Record<Unit, readonly [unit: string, basis: string]>> = {
  'ammonia N': ['ppm', 'N'],
  'ammonia NH3': ['ppm', 'NH3'],
  'ammonia NH4': ['ppm', 'NH4'],
  'nitrite N': ['ppm', 'N'],
  'nitrite NO2': ['ppm', 'NO2'],
  'nitrite ppb N': ['ppb', 'N'],
  'nitrate N': ['ppm', 'N'],
  'nitrate NO3': ['ppm', 'NO3'],
  'ppm CaCO3': ['ppm', 'CaCO3'],
  'ppm PO4': ['ppm', 'PO4'],
  'ppm P': ['ppm', 'P'],
  'ppb P': ['ppb', 'P'],
  'ppb PO4': ['ppb', 'PO4'],
  'ppm Ca': ['ppm', 'Ca'],
  'ppm Mg': ['ppm', 'Mg'],
  sg25: ['SG 25/25', ''],
  sg20: ['SG 20/20', ''],
  sg60F: ['SG 60/60 °F', ''],
};

/** A unit as it stands in the columns *unit* and *basis*. */
export function unitCells(unit: Unit): readonly [unit: string, basis: string] {
  return UNIT_CELLS[unit] ?? [unit, ''];
}

/** The columns of a sheet of one test a row, in their order. */
export const READING_COLUMNS = [
  'tank',
  'time',
  'parameter',
  'value',
  'low',
  'high',
  'unit',
  'basis',
  'kit',
  'dilution',
  'corrected',
  'note',
] as const;

/** Every test of the log, one a row, by tank and time; as it was read, and beside it as its calibrations correct it. */
export function readingsCsv(log: Log): string {
  return csvOf([...READING_COLUMNS], deriveReadings(log).map(rowOf));
}

function rowOf({ tank, head, kit, reading }: TankReading): Written[] {
  const { at, parameter, value, dilution, note } = head.body;
  const unit = readingUnit(head.body, kit);
  const between = value.form === 'card' && value.high !== value.low;
  const step = (index: number) => (value.form === 'card' ? (value.steps[index] ?? 0) : 0);
  const typed = value.form === 'digital' ? value.value : between ? null : step(value.low);
  const [unitCell, basis] = unitCells(unit);
  return [
    tank,
    at,
    parameter,
    typed,
    between ? step(value.low) : null,
    between ? step(value.high) : null,
    unitCell,
    basis,
    kit?.name ?? '',
    dilution === 1 ? null : dilution,
    reading && reading.asRead !== null
      ? Number(fromCanonical(reading.best, unit).toFixed(unitDecimals(unit) + 1))
      : null,
    note ?? '',
  ];
}
