import { acclimationPlan } from '../src/core/acclimation/plan';
import { CLASSES, type WaterClass } from '../src/core/acclimation/waters';
import { argsOf, numberOption, textOption } from './args';
import { CliError } from './errors';
import { convertQuantity } from './quantity';

const isClass = (text: string): text is WaterClass => CLASSES.some((known) => known === text);

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** `acclimate --bag … --tank …`: how an arrival goes in, with its sums. */
export function acclimateJson(args: string[]): Record<string, unknown> {
  const { positionals, values } = argsOf(args, {
    bag: { type: 'string' },
    tank: { type: 'string' },
    'bag-temp': { type: 'string' },
    'tank-temp': { type: 'string' },
    litres: { type: 'string' },
    class: { type: 'string' },
    'bag-ph': { type: 'string' },
    'tank-ph': { type: 'string' },
    'hours-shipped': { type: 'string' },
    room: { type: 'string' },
    'one-system': { type: 'boolean' },
  });
  const [stray] = positionals;
  if (stray !== undefined) throw new CliError(`"${stray}" belongs to no option.`);
  const needed = (name: string): number => {
    const value = numberOption(values, name);
    if (value === undefined) throw new CliError(`--${name} is missing.`);
    return value;
  };
  const salinity = (name: string, temperature: number): number => {
    const text = textOption(values, name);
    if (text === undefined) throw new CliError(`--${name} is missing, such as --${name} "35 ppt".`);
    return convertQuantity(text, 'ppt', { temperature }).value;
  };
  const animal = textOption(values, 'class') ?? 'fish';
  if (!isClass(animal)) {
    throw new CliError(`--class takes ${CLASSES.join(', ')}, not "${animal}".`);
  }
  const [bagTemp, tankTemp] = [needed('bag-temp'), needed('tank-temp')];
  const ph = (name: string) => {
    const value = numberOption(values, name);
    return value === undefined ? {} : { ph: value };
  };
  const hoursShipped = numberOption(values, 'hours-shipped');
  const room = numberOption(values, 'room');
  const plan = (() => {
    try {
      return acclimationPlan({
        bag: { salinity: salinity('bag', bagTemp), temperature: bagTemp, ...ph('bag-ph') },
        tank: { salinity: salinity('tank', tankTemp), temperature: tankTemp, ...ph('tank-ph') },
        litres: needed('litres'),
        animal,
        ...(hoursShipped === undefined ? {} : { hoursShipped }),
        ...(room === undefined ? {} : { room }),
        oneSystem: values['one-system'] === true,
      });
    } catch (error) {
      if (error instanceof RangeError) throw new CliError(error.message);
      throw error;
    }
  })();
  return {
    method: plan.method,
    because: plan.because,
    alternatives: plan.alternatives,
    minutes: plan.minutes,
    mLPerMinute: round(plan.mlPerMinute, 1),
    dropsPerSecond: round(plan.dropsPerSecond, 2),
    pourOffs: plan.pourOffs.map(({ minute, litres }) => ({
      minute: round(minute, 1),
      litres: round(litres, 3),
    })),
    litresDrawn: round(plan.litresDrawn, 3),
    ...(plan.daysToMatch > 0 ? { daysToMatch: plan.daysToMatch } : {}),
    curve: plan.course.map((point) => ({
      minute: round(point.minute, 1),
      salinity: round(point.salinity, 3),
      temperature: round(point.temperature, 2),
    })),
    ...(plan.ammoniaFactor === null ? {} : { ammoniaFactor: round(plan.ammoniaFactor, 2) }),
  };
}
