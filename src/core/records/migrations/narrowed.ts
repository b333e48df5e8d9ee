import {
  INNER_LIMITS,
  KEPT_LETTERS,
  LIMITS,
  limitsOf,
  type Limit,
} from '../../livestock/catalogue/limits';
import { NAME_LETTERS } from '../common';
import { ID_LETTERS, narrowAnimalId, narrowKey } from '../keys';
import type { RawRecord } from '../file/rawRecord';

const isText = (value: unknown): value is string => typeof value === 'string';
const isFields = (value: unknown): value is RawRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A field of a body, made anew where it is there. */
function mapped<T>(
  body: RawRecord,
  field: string,
  is: (value: unknown) => value is T,
  to: (value: T) => unknown,
): RawRecord {
  const value = body[field];
  return is(value) ? { ...body, [field]: to(value) } : body;
}

const shortKey = (key: string) => narrowKey(key, ID_LETTERS);
const animalId = (body: RawRecord) => mapped(body, 'species', isText, narrowAnimalId);

function keyed(fields: RawRecord): RawRecord {
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [shortKey(key), value]));
}

/** What a run was begun with: the newcomers of an acclimation are named by their ids. */
function given(fields: RawRecord): RawRecord {
  const named = Object.entries(keyed(fields)).map(([key, value]) => [
    key,
    key.startsWith('species/') && isText(value) ? narrowAnimalId(value) : value,
  ]);
  return Object.fromEntries(named);
}

/** Keeps a figure or a name that no animal has as it was typed, beside the nearest that one can have. */
function bounded(body: RawRecord, limits: Readonly<Record<string, Limit>>): RawRecord {
  const next = { ...body };
  const typed: RawRecord = {};
  for (const [field, { low, high }] of Object.entries(limits)) {
    const value = body[field];
    if (typeof value !== 'number' || (value >= low && value <= high)) continue;
    typed[field] = value;
    next[field] = Math.min(high, Math.max(low, value));
  }
  return Object.keys(typed).length > 0 ? { ...next, asTyped: typed } : next;
}

/** The same of a part of a description: what was typed is kept under the name of the part and the field. */
function boundedWithin(
  body: RawRecord,
  part: string,
  limits: Readonly<Record<string, Limit>>,
): RawRecord {
  const inside = body[part];
  if (!isFields(inside)) return body;
  const { asTyped, ...rest } = bounded(inside, limits);
  if (!isFields(asTyped)) return body;
  const kept = Object.entries(asTyped).map(([field, value]) => [`${part}.${field}`, value]);
  const before = isFields(body.asTyped) ? body.asTyped : {};
  return { ...body, [part]: rest, asTyped: { ...before, ...Object.fromEntries(kept) } };
}

function ownAnimal(body: RawRecord): RawRecord {
  const outer = bounded(mapped(body, 'id', isText, narrowAnimalId), limitsOf(body.group));
  const next = Object.entries(INNER_LIMITS).reduce<RawRecord>(
    (whole, [part, limits]) => boundedWithin(whole, part, limits),
    outer,
  );
  const names = body.names;
  if (!Array.isArray(names) || !names.some((name) => isText(name) && name.length > NAME_LETTERS)) {
    return next;
  }
  const short = names.map((name) => (isText(name) ? name.slice(0, NAME_LETTERS) : name));
  const kept = isFields(next.asTyped) ? next.asTyped : {};
  return {
    ...next,
    names: short,
    asTyped: { ...kept, name: String(names[0]).slice(0, KEPT_LETTERS) },
  };
}

/** A size that no animal has is kept as typed and used no more. */
function sized(body: RawRecord): RawRecord {
  const { low, high } = LIMITS.adultCm;
  const { sizeCm, ...rest } = body;
  if (typeof sizeCm !== 'number' || (sizeCm >= low && sizeCm <= high)) return body;
  return { ...rest, asTyped: { sizeCm } };
}

const BODY: Readonly<Record<string, (body: RawRecord) => RawRecord>> = {
  run: (body) =>
    mapped(
      mapped(
        mapped(mapped(body, 'procedure', isText, shortKey), 'given', isFields, given),
        'steps',
        isFields,
        keyed,
      ),
      'clocks',
      isFields,
      keyed,
    ),
  entry: (body) =>
    body.kind === 'taskMark'
      ? mapped(body, 'task', isText, (key) => narrowKey(key))
      : body.kind === 'animals'
        ? sized(animalId(body))
        : body,
  species: ownAnimal,
  wish: (body) => sized(animalId(body)),
  spot: animalId,
  batch: (body) =>
    mapped(mapped(body, 'protocol', isText, shortKey), 'animals', Array.isArray, (animals) =>
      animals.map((one: unknown) => (isFields(one) ? animalId(one) : one)),
    ),
  protocol: (body) => mapped(body, 'id', isText, shortKey),
  chore: (body) => mapped(body, 'of', isText, shortKey),
  tank: (body) =>
    mapped(body, 'stocking', isFields, (stocking) =>
      mapped(stocking, 'protocol', isText, shortKey),
    ),
};

/** Fields that a correction settled: those inside another name both, with a NUL between them. */
const settled = (field: unknown) =>
  isText(field) ? field.split('\u0000').map((part, i) => (i > 0 ? shortKey(part) : part)) : [];

/**
 * A record of version 8 in the narrow alphabet of keys, with figures within what lives. Everything that
 * refers to a key is led to the same one, by its hash.
 */
export function narrowed(record: RawRecord): RawRecord {
  const lead = isText(record.type) ? BODY[record.type] : undefined;
  const body = isFields(record.body) && lead ? lead(record.body) : record.body;
  return {
    ...record,
    body,
    ...(isText(record.device) ? { device: shortKey(record.device) } : {}),
    ...(Array.isArray(record.settles)
      ? { settles: record.settles.map((field) => settled(field).join('\u0000')) }
      : {}),
  };
}
