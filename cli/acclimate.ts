import { acclimationPlan } from '../src/core/acclimation/plan';
import { CLASSES, type Arrival } from '../src/core/acclimation/waters';
import { defineCommand } from './command';
import { CliError } from './errors';
import { needed, number, oneOf, said, text } from './flags';
import { convertQuantity } from './quantity';

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** A plan, or what is wrong with what it was asked of. */
function planOf(question: Arrival) {
  try {
    return acclimationPlan(question);
  } catch (error) {
    if (error instanceof RangeError) throw new CliError(error.message);
    throw error;
  }
}

/** How an arrival goes in, with its sums. */
export const acclimate = defineCommand({
  usage:
    'acclimate --bag "32.5 ppt" --tank "35 ppt" --bag-temp 22 --tank-temp 25.5 --litres 2 --class fish|coral|shrimp|star\n      [--bag-ammonia "0.5 ppm NH4" --bag-ph N --tank-ph N --hours-shipped N --room C --one-system]',
  does: 'how it goes in, and the drip’s sums',
  flags: {
    bag: text,
    tank: text,
    'bag-temp': number(-2, 45),
    'tank-temp': number(-2, 45),
    litres: number(-1e6, 1e6),
    class: oneOf(CLASSES),
    'bag-ammonia': text,
    'bag-ph': number(4, 10),
    'tank-ph': number(4, 10),
    'hours-shipped': number(0, 200),
    room: number(-20, 50),
    'one-system': said,
  },
  run: ({ values, positionals }) => {
    const [stray] = positionals;
    if (stray !== undefined) throw new CliError(`"${stray}" belongs to no option.`);
    const water = (name: 'bag' | 'tank') => {
      const temperature = needed(values[`${name}-temp`], `${name}-temp`);
      const written = needed(values[name], name, `--${name} "35 ppt"`);
      const ph = values[`${name}-ph`];
      return {
        salinity: convertQuantity(written, 'ppt', { temperature }).value,
        temperature,
        ...(ph === undefined ? {} : { ph }),
      };
    };
    const { 'hours-shipped': hoursShipped, room, 'bag-ammonia': ammonia } = values;
    const plan = planOf({
      bag: water('bag'),
      tank: water('tank'),
      litres: needed(values.litres, 'litres'),
      animal: values.class ?? 'fish',
      ...(hoursShipped === undefined ? {} : { hoursShipped }),
      ...(room === undefined ? {} : { room }),
      ...(ammonia === undefined
        ? {}
        : { bagAmmonia: convertQuantity(ammonia, 'ammonia N', {}).value }),
      oneSystem: values['one-system'] === true,
    });
    return {
      method: plan.method,
      because: plan.because,
      alternatives: plan.alternatives,
      nextBest: plan.nextBest,
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
  },
});
