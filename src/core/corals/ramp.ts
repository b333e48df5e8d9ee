import type { Ramp } from '../records/schema/tank';
import { addDaysIn, dayStart } from '../time/zone';

/** A dated step of a light that is raised. */
export interface RampStep {
  at: number;
  percent: number;
}

/** The steps of a ramp: one a week, even in percent, the last at its end. */
export function rampSteps({ from, to, weeks, start }: Ramp, zone: string): RampStep[] {
  const first = dayStart(start, zone);
  return Array.from({ length: weeks + 1 }, (_, week) => ({
    at: addDaysIn(first, week * 7, zone),
    percent: Math.round(from + ((to - from) * week) / weeks),
  }));
}
