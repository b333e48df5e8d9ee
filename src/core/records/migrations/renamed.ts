import type { RawRecord } from '../file/rawRecord';

const isFields = (value: unknown): value is RawRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A field by its new name, in the place that it had; null where the name stays. */
type Names = Readonly<Record<string, string>>;

/** A file may name a field as every object names one. */
const nowCalled = (names: Names, name: string) =>
  Object.hasOwn(names, name) ? (names[name] ?? name) : name;

const under = (names: Names) => (fields: RawRecord) =>
  Object.fromEntries(
    Object.entries(fields).map(([name, value]) => [nowCalled(names, name), value]),
  );

/** The same of a field's own fields. */
function within(body: RawRecord, field: string, to: (inside: RawRecord) => RawRecord): RawRecord {
  const inside = body[field];
  return isFields(inside) ? { ...body, [field]: to(inside) } : body;
}

const RULE = under({ school: 'rule', holdDays: 'daysAtZero' });
const COHORT: Names = { lot: 'cohort' };

interface Renaming {
  /** What the type of record is called from now on, where that changes. */
  type?: string;
  /** Fields of the body, by their names before. */
  names?: Names;
  /** What else of the body takes another name. */
  inside?: (body: RawRecord) => RawRecord;
}

/** By the type of a record, as it was called before. */
const RENAMINGS: Readonly<Record<string, Renaming>> = {
  tank: {
    names: { school: 'doneRule', untold: 'notEntered' },
    inside: (body) =>
      within(within(body, 'doneRule', RULE), 'stocking', (stocking) =>
        within(stocking, 'pace', RULE),
      ),
  },
  entry: { names: COHORT, inside: (body) => ({ ...body, kind: kindOf(body.kind) }) },
  spot: { type: 'position', names: COHORT },
  // A step that was ticked off is known by its name.
  run: {
    inside: (body) =>
      body.procedure === 'powerCut'
        ? within(body, 'steps', under({ colony: 'filterBacteria' }))
        : body,
  },
  batch: {
    inside: (body) =>
      Array.isArray(body.animals)
        ? {
            ...body,
            animals: body.animals.map((one: unknown) => (isFields(one) ? under(COHORT)(one) : one)),
          }
        : body,
  },
  species: {
    inside: (body) => (body.kept === 'crew' ? { ...body, kept: 'cleanUpCrew' } : body),
  },
};

const KINDS = new Map<unknown, string>([
  ['look', 'dailyCheck'],
  ['response', 'growthMeasure'],
]);
const kindOf = (kind: unknown) => KINDS.get(kind) ?? kind;

/** A record of version 11 under the words of version 12; nothing but names changes. */
export function renamed(record: RawRecord): RawRecord {
  const renaming =
    typeof record.type === 'string' && Object.hasOwn(RENAMINGS, record.type)
      ? RENAMINGS[record.type]
      : undefined;
  if (!renaming) return record;
  const { type = record.type, names = {}, inside = (body: RawRecord) => body } = renaming;
  return {
    ...record,
    type,
    ...(isFields(record.body) ? { body: inside(under(names)(record.body)) } : {}),
    // A correction that settled a field names it, whole or by its first part.
    ...(Array.isArray(record.settles)
      ? { settles: record.settles.map((field: unknown) => settled(field, names)) }
      : {}),
  };
}

function settled(field: unknown, names: Names): unknown {
  if (typeof field !== 'string') return field;
  const [first = '', ...rest] = field.split('\u0000');
  return [nowCalled(names, first), ...rest].join('\u0000');
}
