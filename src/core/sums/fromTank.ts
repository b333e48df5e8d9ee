import { hasAnimals } from '../cycle/doseAdvice';
import { latestReading, type TankHistory } from '../history/tankHistory';
import { fromCanonical } from '../parameters/convert';
import type { ParameterId } from '../parameters/registry';
import { shortDay } from '../time/words';
import type { Unit } from '../units/units';
import type { TankFigure } from './sum';

/** A figure of a tank and where it is from. */
export interface KnownFigure {
  value: number;
  from: string;
}

const READ: readonly [TankFigure, ParameterId, Unit][] = [
  ['salinity', 'salinity', 'ppt'],
  ['temperature', 'temperature', '°C'],
  ['ph', 'ph', 'pH'],
  ['alkalinity', 'alkalinity', 'dKH'],
  ['calcium', 'calcium', 'ppm Ca'],
  ['magnesium', 'magnesium', 'ppm Mg'],
  ['nitrate', 'nitrate', 'nitrate NO3'],
];

/** To three figures: a sum says no more. */
const plain = (value: number) => Number(value.toPrecision(3));

/** What the log of a tank chooses in sums: with any animal in it, the slowest that any of them bears. */
export function tankChoices(history: TankHistory): Record<'living', string> {
  return { living: hasAnimals(history) ? 'invertebrates' : 'nothing' };
}

/** What the log of a tank knows of the inputs of sums. */
export function tankFigures(history: TankHistory): Partial<Record<TankFigure, KnownFigure>> {
  const { tank, netLitres } = history;
  const figures: Partial<Record<TankFigure, KnownFigure>> = {
    litres: { value: plain(netLitres), from: `of ${tank.name}` },
  };
  const { shell, rockKg } = tank.volume;
  if (shell.by === 'dimensions') {
    for (const side of ['length', 'width', 'height'] as const) {
      figures[side] = { value: shell.box[side], from: `of ${tank.name}` };
    }
  }
  if (rockKg > 0) figures.rock = { value: rockKg, from: `of ${tank.name}` };
  for (const [figure, parameter, unit] of READ) {
    const reading = latestReading(history, parameter);
    if (!reading) continue;
    const value = plain(fromCanonical(reading.best, unit));
    figures[figure] = { value, from: `read on ${shortDay(reading.at, tank.zone)}` };
  }
  return figures;
}
