import { addDaysIn } from '../../time/zone';

/** A bottle's own programme, as its label has it. */
export interface ProgrammeLabel {
  /** mL for each 100 L on the first day, and on the later ones. */
  firstMl: number;
  laterMl: number;
  /** Days between the later doses. */
  every: number;
  /** Length of the programme, days. */
  days: number;
}

export interface ProgrammeStep {
  at: number;
  day: number;
  kind: 'bacteria' | 'test' | 'end';
  /** Of the bottle, for this tank. */
  mL: number | null;
}

/** The days on which a programme is checked by test, whatever it promises. */
const TEST_EVERY = 4;

/**
 * A bottle's programme as a dated schedule for a tank: its doses, tests between, and the test of both
 * at its end, since only that shows anything.
 * @throws RangeError for a label that makes no schedule
 */
export function programmeSchedule(
  label: ProgrammeLabel,
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
    if (day > 0 && day % TEST_EVERY === 0) steps.push({ at, day, kind: 'test', mL: null });
  }
  steps.push({ at: addDaysIn(start, days, zone), day: days, kind: 'end', mL: null });
  return steps;
}
