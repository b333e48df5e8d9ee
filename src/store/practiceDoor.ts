import type { Revision } from '../core/records/schema/revision';
import { HOUR_MS, instant } from '../core/time/zone';

/** How far from the practice clock what is entered may lie: the minute of a form that stood open. */
const SLACK_MS = HOUR_MS;

/**
 * Why a practice log does not take a revision; null where it does. A log can be told of the past, a world
 * that goes on cannot be changed there.
 */
export function refusedInPractice(revision: Revision, clock: number): string | null {
  if (revision.rev !== 1) return null;
  if (revision.type === 'tank') {
    return 'Practice knows one tank. Begin another practice in its place, or leave practice.';
  }
  if (revision.type !== 'entry') return null;
  const off = instant(revision.body.at) - clock;
  if (Math.abs(off) <= SLACK_MS) return null;
  return off < 0
    ? 'In practice what is done is done at the practice clock: the tank has lived on since then. Leave the time as it stands, or go on from an earlier day another way.'
    : 'In practice what is done is done at the practice clock. Move the clock on first, and enter it then.';
}
