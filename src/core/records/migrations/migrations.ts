import * as z from 'zod';
import { derivedId } from '../../math/hash';
import { dayStart, isoInZone } from '../../time/zone';
import { daySchema, zoneSchema } from '../common';
import { narrowed } from './narrowed';
import { renamed } from './renamed';
import type { RawRecord } from '../file/rawRecord';
import { SETTINGS_ID } from '../schema/settings';

/** Finds the revision that one was made from, among what is read together with it. */
export type Ancestry = (record: RawRecord) => RawRecord | undefined;

interface Migration {
  name: string;
  /** What one record of the older version becomes in the next. */
  up: (record: RawRecord, parentOf: Ancestry) => RawRecord[];
}

/** A step to a version that only knows more: what was written before it stays as it is. */
const widened = (by: string): Migration => ({
  name: `${by}; nothing changes`,
  up: (record) => [record],
});

/** By the version that each leads away from; read one after the other up to the newest. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: widened('organics, media, treatments, light and sightings come in'),
  2: {
    name: 'what happens to a tank becomes entries, food becomes a feeding, settings one record',
    up: (record, parentOf) => {
      const body = bodyOf(record);
      if (record.type === 'settings') return [{ ...record, id: SETTINGS_ID }];
      if (record.type === 'tank') return tankUp(record, body, parentOf);
      const action = body.kind === 'organics' ? bodyOf({ body: body.action }) : {};
      if (record.type !== 'entry' || action.what !== 'food') return [record];
      const { action: _food, kind: _kind, ...rest } = body;
      const amount = { by: 'grams', grams: action.grams };
      return [{ ...record, body: { ...rest, kind: 'feed', food: action.food, amount } }];
    },
  },
  3: widened('calibrations, salt mixes, purified water and weighings come in'),
  4: widened('wishes, batches and stocking come in, animals say more'),
  5: widened('daily looks, labels of medicines, sponges, own protocols come in, batches say more'),
  6: widened('chores, days away, costs and the closing of a tank come in'),
  7: widened('the photo of an animal comes in'),
  8: {
    name: 'keys take a narrow alphabet, figures of animals lie within what lives',
    up: (record) => [narrowed(record)],
  },
  9: {
    name: 'a label says whether its medicine harms the filter, or is silent',
    up: (record) => {
      const body = bodyOf(record);
      // A tick that was not set said that nobody had found it on the label.
      return record.type === 'medicine' && typeof body.harmsFilter === 'boolean'
        ? [{ ...record, body: { ...body, harmsFilter: body.harmsFilter ? 'yes' : 'unknown' } }]
        : [record];
    },
  },
  10: widened(
    'moves between two tanks, seven signs, forms of medicine and five substances come in',
  ),
  11: {
    name: 'records take the words that stand on the screen: rule for done, daily check, position',
    up: (record) => [renamed(record)],
  },
  12: widened('connected instruments, alarms, free ammonia and who reads a kit come in'),
};

function bodyOf(record: RawRecord): RawRecord {
  const { body } = record;
  return typeof body === 'object' && body !== null ? (body as RawRecord) : {};
}

/** The flags that a tank of version 2 carried, which are dated entries from version 3 on. */
const flagsSchema = z.object({
  zone: zoneSchema,
  filledOn: daySchema.nullable(),
  runningSince: daySchema.nullable(),
  light: z.enum(['off', 'on', 'onWithSand']),
  lid: z.boolean(),
  heaterVerifiedOn: daySchema.nullable(),
  fishInSince: daySchema.optional(),
});
type Flags = z.infer<typeof flagsSchema>;

/** A fact that a flag stood for. */
interface Fact {
  flag: keyof Flags;
  /** Whether another day is a correction of the same fact, rather than a fact of its own. */
  once: boolean;
  /** The day it is dated by; null for that of the revision. */
  day: (flags: Flags, first: boolean) => string | null;
  /** The entry's body beyond tank and time; null when the flag says that there is none. */
  body: (flags: Flags) => RawRecord | null;
}

const FACTS: readonly Fact[] = [
  {
    flag: 'filledOn',
    once: true,
    day: ({ filledOn }) => filledOn,
    body: ({ filledOn }) => (filledOn === null ? null : { kind: 'filled' }),
  },
  {
    flag: 'runningSince',
    once: true,
    day: ({ runningSince }) => runningSince,
    body: ({ runningSince }) => (runningSince === null ? null : { kind: 'running' }),
  },
  {
    flag: 'fishInSince',
    once: true,
    day: ({ fishInSince }) => fishInSince ?? null,
    body: ({ fishInSince }) =>
      fishInSince === undefined
        ? null
        : { kind: 'animals', move: 'in', group: 'fish', what: 'Fish' },
  },
  {
    flag: 'heaterVerifiedOn',
    once: false,
    day: ({ heaterVerifiedOn }) => heaterVerifiedOn,
    body: ({ heaterVerifiedOn }) => (heaterVerifiedOn === null ? null : { kind: 'heaterCheck' }),
  },
  {
    flag: 'light',
    once: false,
    day: ({ filledOn }, first) => (first ? filledOn : null),
    body: ({ light }) => ({ kind: 'light', state: light === 'on' ? 'on' : 'off' }),
  },
  {
    flag: 'lid',
    once: false,
    day: () => null,
    body: ({ lid }) => ({ kind: 'lid', fitted: lid }),
  },
];

/** What no revision before the first said; a plan for the light that is not *on* says as much. */
const NOTHING: Pick<Flags, 'filledOn' | 'runningSince' | 'light' | 'lid' | 'heaterVerifiedOn'> = {
  filledOn: null,
  runningSince: null,
  light: 'off',
  lid: false,
  heaterVerifiedOn: null,
};

function flagsOf(record: RawRecord | undefined): Flags | null {
  const read = record ? flagsSchema.safeParse(bodyOf(record)) : null;
  return read?.success ? read.data : null;
}

function tankUp(record: RawRecord, body: RawRecord, parentOf: Ancestry): RawRecord[] {
  const flags = flagsOf(record);
  // Left as it is, the newest schema refuses it and says why.
  if (!flags) return [record];
  const {
    filledOn: _filled,
    runningSince: _running,
    light,
    lid: _lid,
    heaterVerifiedOn: _heater,
    fishInSince: _fish,
    ...rest
  } = body;
  const tank = { ...record, body: { ...rest, lightPlan: light } };
  if (record.deleted === true) return [tank];
  return [tank, ...FACTS.flatMap((fact) => factUp(record, fact, flags, parentOf))];
}

/** The value of a flag, with the plans for the light that come to the same told as one. */
function valueOf(flags: Partial<Flags>, flag: keyof Flags): unknown {
  if (flag === 'light') return flags.light === 'on';
  return flags[flag] ?? null;
}

/** The revision that gave a flag the value it has. */
function originOf(record: RawRecord, flag: keyof Flags, parentOf: Ancestry): RawRecord {
  let origin = record;
  for (;;) {
    const parent = parentOf(origin);
    const [own, before] = [flagsOf(origin), flagsOf(parent)];
    if (!parent || !own || !before || valueOf(own, flag) !== valueOf(before, flag)) return origin;
    origin = parent;
  }
}

/**
 * The entry that a change of a flag was. Its id comes from tank, flag and the revision that made the
 * change (from tank and flag alone where another day only mends the first), so that reading the same
 * log twice, or two copies of it, makes no second one.
 */
function factUp(record: RawRecord, fact: Fact, flags: Flags, parentOf: Ancestry): RawRecord[] {
  const { flag, once } = fact;
  const parent = parentOf(record);
  const earlier = flagsOf(parent);
  if (valueOf(flags, flag) === valueOf(earlier ?? NOTHING, flag)) return [];
  const { id, rev, parentRev, device, actId, recordedAt } = record;
  const said = fact.body(flags);
  const stood = said ? flags : earlier;
  const source = said || !parent ? record : originOf(parent, flag, parentOf);
  if (!stood) return [];
  const day = fact.day(stood, rev === 1);
  const at = day === null ? recordedAt : isoInZone(dayStart(day, stood.zone), stood.zone);
  const envelope = said && !once ? { rev: 1, parentRev: null } : { rev, parentRev };
  return [
    {
      id: derivedId(once ? `${id}/${flag}` : `${id}/${flag}/${source.rev}/${String(source.actId)}`),
      type: 'entry',
      ...envelope,
      device,
      actId,
      recordedAt,
      ...(said ? {} : { deleted: true }),
      body: { ...(said ?? fact.body(stood)), tankId: id, at },
    },
  ];
}
