import { fromCanonical, toCanonical } from '../../parameters/convert';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import { readingUnit } from '../../records/kinds/reading';
import type { Log } from '../../records/log';
import { instant, isoInZone } from '../../time/zone';
import { unitDecimals, type Unit } from '../../units/units';
import { csvOf, type Written } from './csv';
import { unitCells } from './readings';
import { deriveReadings, type TankReading } from './tankReadings';

/** A parameter with the unit that its column is in, over which it stands. */
interface Column {
  parameter: ParameterId;
  unit: Unit;
  heading: string;
}

/** The unit in which most tests of a parameter were made, so that few have to be converted. */
function usualUnit(parameter: ParameterId, readings: readonly TankReading[]): Unit {
  const counts = new Map<Unit, number>();
  for (const { head, kit } of readings) {
    const unit = readingUnit(head.body, kit);
    counts.set(unit, (counts.get(unit) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1]);
  return most?.[0] ?? PARAMETERS[parameter].shownUnit;
}

function columnsOf(readings: readonly TankReading[]): Column[] {
  return PARAMETER_IDS.flatMap((parameter) => {
    const own = readings.filter(({ head }) => head.body.parameter === parameter);
    if (own.length === 0) return [];
    const unit = usualUnit(parameter, own);
    const words = unitCells(unit).join(' ').trim();
    const { name } = PARAMETERS[parameter];
    const bare = unit === 'pH';
    return [{ parameter, unit, heading: bare ? name : `${name} (${words})` }];
  });
}

/** A figure in the unit of its column: as it was typed where it was typed in that, else to the decimals of the unit. */
function figure(value: number, from: Unit, { unit }: Column): number {
  if (from === unit) return value;
  const converted = fromCanonical(toCanonical(value, from), unit);
  return Number(converted.toFixed(unitDecimals(unit) + 1));
}

function cellOf({ head, kit }: TankReading, column: Column): Written {
  const { value } = head.body;
  const unit = readingUnit(head.body, kit);
  if (value.form === 'digital') return figure(value.value, unit, column);
  const at = (index: number) => figure(value.steps[index] ?? 0, unit, column);
  return value.low === value.high ? at(value.low) : `${at(value.low)}-${at(value.high)}`;
}

/**
 * Test sessions, one a row with a column for each parameter: what people paste into a sheet of their own. Of
 * diluted samples the figure is that of the kit, which the sheet of one test a row tells with its dilution.
 */
export function sessionsCsv(log: Log): string {
  const readings = deriveReadings(log).filter(({ head }) => head.body.dilution === 1);
  const columns = columnsOf(readings);
  const place = new Map(columns.map(({ parameter }, i) => [parameter, i]));
  const zones = new Map(log.tanks.map(({ id, body }) => [id, body.zone]));
  const rows: { tank: string; at: string; cells: Written[] }[] = [];
  const open = new Map<string, { cells: Written[] }>();
  for (const one of readings) {
    const { tankId, at, parameter } = one.head.body;
    const i = place.get(parameter) ?? 0;
    const key = `${tankId}/${instant(at)}`;
    let row = open.get(key);
    // Two tests of one parameter at one moment are two rows.
    if (!row || row.cells[i] !== null) {
      const local = isoInZone(instant(at), zones.get(tankId) ?? 'UTC');
      row = { cells: columns.map(() => null) };
      rows.push({ tank: one.tank, at: local, ...row });
      open.set(key, row);
    }
    row.cells[i] = cellOf(one, columns[i] as Column);
  }
  return csvOf(
    ['Tank', 'Date', 'Time', ...columns.map(({ heading }) => heading)],
    rows.map(({ tank, at, cells }) => [tank, at.slice(0, 10), at.slice(11, 16), ...cells]),
  );
}
