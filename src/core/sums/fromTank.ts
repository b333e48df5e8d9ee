import { hasAnimals } from '../cycle/doseAdvice';
import { latestReading, type TankHistory } from '../history/tankHistory';
import { fromCanonical } from '../parameters/convert';
import type { ParameterId } from '../parameters/registry';
import { shortDay } from '../time/words';
import type { Unit } from '../units/units';
import { countOf } from '../units/format';
import {
  evaporationPerDay,
  minutesPerLitre,
  saltYield,
  wasteRatio,
  weighed,
  type Learned,
} from '../water/learned';
import type { LearnedFigure, TankFigure } from './sum';

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
  ['phosphate', 'phosphate', 'ppm PO4'],
];

/** What the log has taught, and what each lesson is called. */
const LEARNED: Record<
  LearnedFigure,
  { of: (history: TankHistory) => Learned | null; lesson: string }
> = {
  saltYield: { of: saltYield, lesson: 'mixing' },
  saltCup: { of: (history) => weighed(history, 'saltCup'), lesson: 'weighing' },
  drop: { of: (history) => weighed(history, 'drop'), lesson: 'weighing' },
  minutesPerLitre: { of: minutesPerLitre, lesson: 'timed run' },
  waste: { of: wasteRatio, lesson: 'run' },
  evaporation: { of: evaporationPerDay, lesson: 'top-off' },
};
const LESSONS = Object.entries(LEARNED) as [LearnedFigure, (typeof LEARNED)[LearnedFigure]][];

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
  for (const [figure, { of, lesson }] of LESSONS) {
    const found = of(history);
    if (!found) continue;
    figures[figure] = {
      value: plain(found.value),
      from: `learned from ${countOf(found.count, lesson)}`,
    };
  }
  return figures;
}
