import { instant } from '../time/zone';
import type { Revision } from './schema/revision';

/** Identity of a revision: two devices may both write revision 2 of a record, and both are kept. */
export function revisionKey(revision: Revision): string {
  return `${revision.id}/${revision.rev}/${revision.device}/${revision.actId}`;
}

/** Merge order: revision number, then when it was recorded, then device, so any two tabs agree. */
export function compareRevisions(a: Revision, b: Revision): number {
  return (
    a.rev - b.rev ||
    instant(a.recordedAt) - instant(b.recordedAt) ||
    compareText(a.device, b.device) ||
    compareText(a.actId, b.actId)
  );
}

export function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** Record by record, and each one's revisions in merge order: an order that rests on nothing but them. */
export function compareInFull(a: Revision, b: Revision): number {
  return compareText(a.id, b.id) || compareRevisions(a, b);
}

/** A value as text that does not depend on the order its fields were written in. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}

/** What a reading says at most, in its own steps or digits; null where a record is none. */
function highest({ type, body }: Revision): number | null {
  if (type !== 'entry' || body.kind !== 'reading') return null;
  const { value } = body;
  return value.form === 'card' ? (value.steps[value.high] ?? Infinity) : value.value;
}

/**
 * Of two revisions under one identity the one to go by, whichever came first: what was recorded later;
 * else what is not deleted, since nothing should be lost by damage; else the reading that says more, since
 * a zero too many harms; else the one whose text comes last, so that any two devices agree.
 */
export function moreCareful(a: Revision, b: Revision): Revision {
  const later = compareRevisions(a, b);
  if (later !== 0) return later > 0 ? a : b;
  if ((a.deleted === true) !== (b.deleted === true)) return a.deleted ? b : a;
  const [one, other] = [highest(a), highest(b)];
  if (one !== null && other !== null && one !== other) return one > other ? a : b;
  return canonical(a) >= canonical(b) ? a : b;
}

/** Whether two revisions say the same, whatever order their fields were written in. */
export function sameContents(a: Revision, b: Revision): boolean {
  return JSON.stringify(a) === JSON.stringify(b) || canonical(a) === canonical(b);
}

/** Whether the bodies of two revisions say the same, whatever order their fields were written in. */
export function sameBodies({ body: a }: Revision, { body: b }: Revision): boolean {
  return JSON.stringify(a) === JSON.stringify(b) || canonical(a) === canonical(b);
}
