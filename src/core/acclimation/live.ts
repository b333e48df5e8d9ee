import { dripCourse, type BucketPoint, type Drip } from './bucket';
import { SALINITY_NEAR, TEMPERATURE_NEAR, type WaterClass } from './waters';

/** What was measured in the bucket, min after the drip began. */
export interface Measured {
  minute: number;
  /** ppt */
  salinity: number;
  /** °C */
  temperature?: number;
}

/** Drops that were counted, min after the drip began. */
export interface Counted {
  minute: number;
  mlPerMinute: number;
}

export type Pace = 'asPlanned' | 'tooSlow' | 'tooFast';

export interface LiveDrip {
  /** What is expected in the bucket now. */
  now: BucketPoint;
  /** The course as it was planned up to the last measurement, and bent by it from there. */
  course: BucketPoint[];
  /** How fast it really runs, of what was planned; 1 until something was measured or counted. */
  factor: number;
  pace: Pace;
  /** Whether what is expected now is near enough to the tank. */
  matched: { salinity: boolean; temperature: boolean };
  /** Minutes until the salinity is near enough, from now; null beyond a day. */
  minutesLeft: number | null;
  /** Tank water drawn until now, L. */
  drawn: number;
}

/** A factor between these is as good as a drip valve is set by hand. */
const AS_PLANNED = { low: 0.6, high: 1.6 };
const DAY_MINUTES = 24 * 60;
const FACTORS = { low: 0.02, high: 12 };

const runs = (drip: Drip, factor: number): Drip => ({
  ...drip,
  mlPerMinute: drip.mlPerMinute * factor,
});

/** How much faster than set it ran from one point to a measured salinity: by halving, since it only rises. */
function factorTo(drip: Drip, from: BucketPoint, { minute, salinity }: Measured): number {
  const toTank = Math.sign(drip.tank.salinity - from.salinity);
  if (toTank === 0 || minute <= from.minute) return 1;
  const endsAt = (factor: number) =>
    dripCourse(runs(drip, factor), minute, from).points.at(-1)?.salinity ?? from.salinity;
  let { low, high } = FACTORS;
  for (let i = 0; i < 24; i += 1) {
    const middle = Math.sqrt(low * high);
    if ((endsAt(middle) - salinity) * toTank < 0) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

/** A measurement so soon after drops were counted says where the bucket stands, not how fast it runs, min. */
const TELLING_MINUTES = 5;

/**
 * Where a drip stands: the plan, bent by every measurement to the speed it really ran at, and by every
 * count of drops to the speed it runs at from then on.
 * @param elapsed minutes since it began
 */
export function liveDrip(
  drip: Drip,
  minutes: number,
  animal: WaterClass,
  measured: readonly Measured[],
  elapsed: number,
  counted: readonly Counted[] = [],
): LiveDrip {
  let from: BucketPoint = {
    minute: 0,
    salinity: drip.bag.salinity,
    temperature: drip.bag.temperature,
    litres: drip.litres,
  };
  const past: BucketPoint[] = [from];
  let factor = 1;
  let drawn = 0;
  const known = [...measured, ...counted]
    .filter(({ minute }) => minute <= elapsed)
    .sort((a, b) => a.minute - b.minute);
  for (const point of known) {
    const found = 'salinity' in point ? point : null;
    if (found && (from.minute === 0 || point.minute - from.minute >= TELLING_MINUTES)) {
      factor = factorTo(drip, from, found);
    }
    const { points } = dripCourse(runs(drip, factor), point.minute, from);
    drawn += (drip.mlPerMinute * factor * Math.max(0, point.minute - from.minute)) / 1000;
    past.push(...points.slice(1));
    const last = points.at(-1) ?? from;
    from = {
      ...last,
      minute: point.minute,
      ...(found ? { salinity: found.salinity } : {}),
      ...(found?.temperature === undefined ? {} : { temperature: found.temperature }),
    };
    past.push(from);
    if ('mlPerMinute' in point) factor = point.mlPerMinute / drip.mlPerMinute;
  }
  const speed = runs(drip, factor);
  const since = dripCourse(speed, Math.max(elapsed, from.minute), from).points;
  const now = since.at(-1) ?? from;
  drawn += (speed.mlPerMinute * Math.max(0, now.minute - from.minute)) / 1000;
  const end = Math.max(minutes, elapsed);
  const ahead = dripCourse(speed, Math.max(end, now.minute), now).points;
  const near = (point: BucketPoint) =>
    Math.abs(drip.tank.salinity - point.salinity) <= SALINITY_NEAR[animal];
  const whole = near(now) ? [now] : dripCourse(speed, now.minute + DAY_MINUTES, now).points;
  const reached = whole.find(near);
  return {
    now,
    course: [...past, ...since.slice(1), ...ahead.slice(1)],
    factor,
    pace:
      known.length === 0 || (factor >= AS_PLANNED.low && factor <= AS_PLANNED.high)
        ? 'asPlanned'
        : factor < AS_PLANNED.low
          ? 'tooSlow'
          : 'tooFast',
    matched: {
      salinity: near(now),
      temperature: Math.abs(drip.tank.temperature - now.temperature) <= TEMPERATURE_NEAR,
    },
    minutesLeft: reached ? reached.minute - now.minute : null,
    drawn,
  };
}

/**
 * The salinity of a tank that gave water to a drip and was filled up with fresh water, ppt: why salt
 * water goes back before the top-off unit is on.
 */
export function toppedWithFresh(salinity: number, litres: number, drawn: number): number {
  return (salinity * (litres - drawn)) / litres;
}
