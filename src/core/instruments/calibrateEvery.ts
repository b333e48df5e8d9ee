import type { ParameterId } from '../parameters/registry';
import type { Kit } from '../records/schema/kit';

/** Days after which instruments are usually checked against a standard again; none for the rest. */
const USUAL_DAYS: Partial<Record<ParameterId, number>> = {
  salinity: 30,
  ph: 30,
  temperature: 180,
};

/** Days between two calibrations of an instrument; null for cards and drops, which have none. */
export function calibrateEvery(kit: Kit): number | null {
  if (kit.scale.form !== 'digital') return null;
  return kit.calibrateDays ?? USUAL_DAYS[kit.parameter] ?? null;
}

/** The standard that a parameter is usually checked with, in words; null where a keeper's own decides. */
export const STANDARD_WORDS: Partial<Record<ParameterId, string>> = {
  salinity: 'a fluid of 35 ppt, at room temperature',
  ph: 'fresh buffers of pH 7 and 10',
  temperature: 'a thermometer that you trust',
};
