import type { Revision } from '../../records/schema/revision';
import { instant } from '../../time/zone';
import { deedsOf, type Deed } from '../deeds/deeds';
import { courseOf, live, type Course, type Lived, type Start } from '../world/live';
import { begin, type Begun } from './begin';
import type { RunHeader } from './header';
import type { PracticeRun } from './runFile';

/** A run with all that follows from it but its hours. */
export interface Played extends Begun {
  header: RunHeader;
  deeds: readonly Deed[];
}

export function played({ header, records }: PracticeRun): Played {
  const begun = begin(header);
  const revisions = [...begun.revisions, ...records];
  return { ...begun, revisions, header, deeds: deedsOf(revisions) };
}

/** The same of a log that holds everything, what it began with included. */
export function playedLog(header: RunHeader, revisions: readonly Revision[]): Played {
  return { ...begin(header), revisions: [...revisions], header, deeds: deedsOf(revisions) };
}

/** The world at a moment, its own clock by default. */
export function worldAt({ start, deeds, header }: Played, at = instant(header.clock)): Lived {
  return live(start, deeds, at);
}

export function courseUntil({ start, deeds, header }: Played, at = instant(header.clock)): Course {
  return courseOf(start, deeds, at);
}

/** The same tank drawn anew by another seed: one like it. */
export const likeIt = (start: Start, n: number): Start => ({
  ...start,
  seed: (start.seed + Math.imul(n, 0x9e3779b1)) >>> 0,
});
