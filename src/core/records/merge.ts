import { bodySchemaOf, type RecordType, type Revision } from './schema/revision';

/** A field on which two corrections disagree: the one that counts, and the other. */
export interface Conflict {
  field: string;
  kept: unknown;
  other: unknown;
  /** Who wrote the other, and when. */
  by: Pick<Revision, 'device' | 'recordedAt'>;
}

/** A record: its revisions in merge order, what they come to, and what they disagree about. */
export interface RecordState {
  readonly revisions: readonly Revision[];
  readonly head: Revision;
  readonly conflicts: readonly Conflict[];
  /** Fields of the head that its last revision does not hold, because another wrote them. */
  readonly merged: readonly string[];
}

type Fields = Record<string, unknown>;

function isChild(revision: Revision, parent: Revision): boolean {
  return (
    revision.parentRev === parent.rev &&
    (revision.parentAct === undefined || revision.parentAct === parent.actId)
  );
}

/**
 * A record that only goes on: each revision made from the one before it, and nothing to settle. It comes
 * to what folding all of it would, without walking through what a keeper corrected a thousand times.
 * @returns null where it does not
 */
export function continued(present: RecordState, more: readonly Revision[]): RecordState | null {
  let last = present.revisions.at(-1);
  if (!last || present.head !== last || present.conflicts.length + present.merged.length > 0) {
    return null;
  }
  for (const revision of more) {
    if (revision.rev <= last.rev || !isChild(revision, last) || revision.settles) return null;
    last = revision;
  }
  return { revisions: [...present.revisions, ...more], head: last, conflicts: [], merged: [] };
}

function same(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

function changedFields(from: Fields, to: Fields): string[] {
  return [...new Set([...Object.keys(from), ...Object.keys(to)])].filter(
    (field) => !same(from[field], to[field]),
  );
}

/** Fields that hold things of their own, each of which merges by itself: two tabs may start two clocks. */
const NESTED: Partial<Record<RecordType, readonly string[]>> = {
  run: ['given', 'steps', 'clocks'],
};
const INSIDE = '\u0000';

function flat(type: RecordType, body: Fields): Fields {
  const nested = NESTED[type];
  if (!nested) return body;
  const out: Fields = {};
  for (const [field, value] of Object.entries(body)) {
    if (!nested.includes(field)) out[field] = value;
    else
      for (const [name, own] of Object.entries(value as Fields)) out[field + INSIDE + name] = own;
  }
  return out;
}

function deep(type: RecordType, body: Fields): Fields {
  const nested = NESTED[type];
  if (!nested) return body;
  const out: Fields = {};
  for (const field of nested) out[field] = {};
  for (const [field, value] of Object.entries(body)) {
    const [outer = field, inner] = field.split(INSIDE);
    if (inner === undefined) out[field] = value;
    else (out[outer] as Fields)[inner] = value;
  }
  return out;
}

/**
 * What a record's revisions come to. Corrections made one after the other are simply the last;
 * corrections of the same revision, by two tabs or devices, merge field by field, and where both
 * changed one field the later in merge order counts and the other is kept as a conflict until a
 * revision settles it. A deletion does not take what was changed at the same time.
 * @param revisions in merge order, at least one
 */
export function foldRevisions(revisions: readonly Revision[]): RecordState {
  const last = revisions.at(-1);
  if (!last) throw new RangeError('A record has at least one revision.');
  const chain = revisions.every((revision, i) => {
    const before = revisions[i - 1];
    return before === undefined || isChild(revision, before);
  });
  if (chain && !revisions.some((revision) => revision.settles)) {
    return { revisions, head: last, conflicts: [], merged: [] };
  }
  return foldBranches(revisions, last);
}

function foldBranches(revisions: readonly Revision[], last: Revision): RecordState {
  const { type } = last;
  let body: Fields = {};
  let deleted = false;
  let conflicts: Conflict[] = [];
  /** The revision that each field's value comes from. */
  const writer = new Map<string, Revision>();
  revisions.forEach((revision, place) => {
    const own = flat(type, revision.body);
    const parent = parentOf(revisions, place);
    if (!parent) {
      body = own;
      deleted = revision.deleted === true;
      for (const field of Object.keys(own)) writer.set(field, revision);
      return;
    }
    const base = flat(type, parent.body);
    const settled = revision.settles ?? [];
    const next: Fields = { ...body };
    const fresh: Conflict[] = [];
    for (const field of new Set([...changedFields(base, own), ...settled])) {
      const stands = body[field];
      const theirs = !same(stands, base[field]) && !same(stands, own[field]);
      if (theirs && !settled.includes(field)) {
        const by = writer.get(field) ?? parent;
        fresh.push({
          field,
          kept: own[field],
          other: stands,
          by: { device: by.device, recordedAt: by.recordedAt },
        });
      }
      if (own[field] === undefined) delete next[field];
      else next[field] = own[field];
      writer.set(field, revision);
    }
    const fits = bodySchemaOf(type).safeParse(deep(type, next)).success;
    // Two corrections that cannot stand in one record: the later stands whole.
    body = fits ? next : own;
    conflicts = [
      ...conflicts.filter(
        (c) => !settled.includes(c.field) && !fresh.some((f) => f.field === c.field),
      ),
      ...fresh,
    ];
    const stale = place > 0 && parent !== revisions[place - 1];
    if (revision.deleted) deleted = deleted || !stale;
    else deleted = false;
  });
  const { deleted: _mark, ...rest } = last;
  const whole = deep(type, body);
  const head = { ...rest, body: whole, ...(deleted ? { deleted: true as const } : {}) } as Revision;
  const merged = changedFields(last.body, whole);
  return {
    revisions,
    head: merged.length === 0 && deleted === (last.deleted === true) ? last : head,
    conflicts,
    merged,
  };
}

/** The revision that one was made from: the last before it that fits what it says of it. */
function parentOf(revisions: readonly Revision[], place: number): Revision | undefined {
  const revision = revisions[place];
  if (!revision || revision.parentRev === null) return undefined;
  for (let i = place - 1; i >= 0; i -= 1) {
    const before = revisions[i];
    if (before && isChild(revision, before)) return before;
  }
  return undefined;
}
