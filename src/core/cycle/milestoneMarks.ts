import type { Milestone } from './milestone';
import { daySpanWords } from './forecast/dates/rangeWords';
import { shortDay } from '../time/words';

/** Milestones as the course draws them, each with its date or range in words. */
export function milestoneMarks(milestones: readonly Milestone[], zone: string) {
  return milestones.map((m) => ({
    ...m,
    date: m.passed
      ? shortDay(m.at, zone)
      : m.range
        ? daySpanWords(m.range.low, m.range.high, zone)
        : `from ${shortDay(m.at, zone)}`,
  }));
}
