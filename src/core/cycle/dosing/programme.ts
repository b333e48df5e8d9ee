import { countedReadings, type TankHistory } from '../../history/tankHistory';
import type { Programme } from '../../records/schema/tank';
import { addDaysIn, DAY_MS, startOfDayIn } from '../../time/zone';

export interface ProgrammeStep {
  at: number;
  day: number;
  kind: 'bacteria' | 'end';
  /** Of the bottle, for this tank. */
  mL: number | null;
}

/**
 * A bottle's programme as a dated schedule for a tank: its doses, and the test of both at its end,
 * since only that shows anything. Which test is worth doing before is the forecast's to say.
 * @throws RangeError for a label that makes no schedule
 */
export function programmeSchedule(
  label: Programme,
  netLitres: number,
  start: number,
  zone: string,
): ProgrammeStep[] {
  const { firstMl, laterMl, every, days } = label;
  if (!(days >= 1 && every >= 1 && firstMl > 0 && laterMl >= 0 && netLitres > 0)) {
    throw new RangeError('The label needs amounts above zero and whole days from 1.');
  }
  const mL = (per100: number) => (per100 * netLitres) / 100;
  const steps: ProgrammeStep[] = [];
  for (let day = 0; day < days; day += 1) {
    const at = addDaysIn(start, day, zone);
    if (day === 0) steps.push({ at, day, kind: 'bacteria', mL: mL(firstMl) });
    else if (day % every === 0 && laterMl > 0) {
      steps.push({ at, day, kind: 'bacteria', mL: mL(laterMl) });
    }
  }
  steps.push({ at: addDaysIn(start, days, zone), day: days, kind: 'end', mL: null });
  return steps;
}

/** The bottle a programme is counted from: the first bacteria that went in; null before it. */
export function programmeStart(history: TankHistory): number | null {
  return history.entries.dose.find((dose) => dose.entry.substance === 'bacteria')?.at ?? null;
}

/** Days after its end in which a programme's last test is still asked for. */
const OVER_DAYS = 7;

/**
 * What of a tank's programme is still to do: the newest dose that was due and is not logged, or else
 * the next one, and its end until both were tested. Empty without a programme that has begun.
 */
export function programmeStanding(history: TankHistory, at: number): ProgrammeStep[] {
  const { programme, zone } = history.tank;
  const start = programmeStart(history);
  if (!programme || start === null) return [];
  const steps = programmeSchedule(programme, history.netLitres, start, zone);
  const end = steps.at(-1);
  if (!end || at > end.at + OVER_DAYS * DAY_MS) return [];
  const doses = steps.filter((step) => step.kind === 'bacteria');
  const dosedSince = (day: number) =>
    history.entries.dose.some((d) => d.entry.substance === 'bacteria' && d.at >= day);
  const today = startOfDayIn(at, zone);
  const lastDue = doses.filter((step) => startOfDayIn(step.at, zone) <= today).at(-1);
  const missed = lastDue && !dosedSince(startOfDayIn(lastDue.at, zone)) ? lastDue : undefined;
  const next = missed ?? doses.find((step) => startOfDayIn(step.at, zone) > today);
  const endDay = startOfDayIn(end.at, zone);
  const tested = (['ammonia', 'nitrite'] as const).every((parameter) =>
    countedReadings(history, parameter).some((reading) => reading.at >= endDay),
  );
  return [...(next ? [next] : []), ...(tested ? [] : [end])];
}
