import * as z from 'zod';
import { doubtOf, type Doubt } from '@/core/parameters/plausible';
import { waterTemperature } from '@/core/history/derive';
import { toReading, type Reading } from '@/core/history/reading';
import { toCanonical } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { instantSchema, MOST } from '@/core/records/common';
import type { ReadingEntry, ReadingValue } from '@/core/records/kinds/reading';
import type { Kit } from '@/core/records/schema/kit';
import type { RevisionOf } from '@/core/records/schema/revision';
import { DAY_MS, instant } from '@/core/time/zone';
import { parseNumber } from '@/core/units/format';

export type KitRecord = RevisionOf<'kit'>;

const typedSchema = z.discriminatedUnion('form', [
  z.object({ form: z.literal('card'), low: z.int(), high: z.int() }),
  z.object({ form: z.literal('digital'), text: z.string() }),
]);
export type Typed = z.infer<typeof typedSchema>;

/** A test session half entered: what was typed, kit by kit. */
export const testDraftSchema = z.object({
  /** Null for now, whenever that is. */
  at: instantSchema.nullable(),
  values: z.record(z.string(), typedSchema),
  dilution: z.record(z.string(), z.number()),
  /** Texts of unlikely values that the keeper said are what was read. */
  kept: z.record(z.string(), z.string()),
  /** Kits without a row of their own that were added to this test session. */
  added: z.array(z.string()),
  /** The act that it becomes, fixed with its first value: saved twice it is one test session. */
  actId: z.string().nullable(),
});
export type TestDraft = z.infer<typeof testDraftSchema>;

export const EMPTY_TEST: TestDraft = {
  at: null,
  values: {},
  dilution: {},
  kept: {},
  added: [],
  actId: null,
};

/** What one row of the sheet has come to. */
export interface RowState {
  kit: KitRecord;
  typed: Typed | undefined;
  /** The value to be saved; absent while nothing or nothing readable is typed. */
  value?: ReadingValue;
  error?: string;
  doubt?: Doubt;
}

/** How far back a value counts as the last one, for asking about a leap. */
const LEAP_WINDOW = 10 * DAY_MS;

function valueOf(kit: Kit, typed: Typed | undefined): { value?: ReadingValue; error?: string } {
  if (!typed) return {};
  if (typed.form === 'card') {
    if (kit.scale.form !== 'card' || typed.high >= kit.scale.steps.length) return {};
    return {
      value: { form: 'card', steps: [...kit.scale.steps], low: typed.low, high: typed.high },
    };
  }
  if (typed.text.trim() === '') return {};
  const value = parseNumber(typed.text);
  if (value === null) return { error: `"${typed.text.trim()}" is not a number.` };
  if (value < 0 && kit.parameter !== 'temperature') return { error: 'It cannot be negative.' };
  if (Math.abs(value) > MOST) return { error: 'That is no reading.' };
  return { value: { form: 'digital', value, unit: kit.unit } };
}

/** Reads one row of a draft: its value, what is wrong with it, what is odd about it. */
export function rowState(
  draft: TestDraft,
  kit: KitRecord,
  history: TankHistory,
  at: number,
): RowState {
  const typed = draft.values[kit.id];
  const row: RowState = { kit, typed, ...valueOf(kit.body, typed) };
  if (row.value?.form !== 'digital' || typed?.form !== 'digital') return row;
  if (draft.kept[kit.id] === typed.text) return row;
  const { parameter, unit } = kit.body;
  const last = latestReading(history, parameter);
  const recent = last && at - last.at < LEAP_WINDOW ? last.best : undefined;
  const doubt = doubtOf(parameter, row.value.value, unit, recent);
  return doubt ? { ...row, doubt } : row;
}

/** The entry a row becomes. */
export function entryOf(
  draft: TestDraft,
  row: RowState,
  tankId: string,
  at: string,
): ReadingEntry | null {
  if (!row.value) return null;
  const typed = row.typed;
  const confirmed = typed?.form === 'digital' && draft.kept[row.kit.id] === typed.text;
  return {
    kind: 'reading',
    tankId,
    at,
    parameter: row.kit.body.parameter,
    kitId: row.kit.id,
    value: row.value,
    dilution: draft.dilution[row.kit.id] ?? 1,
    ...(confirmed ? { confirmed: true as const } : {}),
  };
}

/** The row as a reading, before it is saved: what its meaning is worked out from. */
export function previewOf(
  draft: TestDraft,
  row: RowState,
  rows: readonly RowState[],
  history: TankHistory,
  at: string,
): Reading | null {
  const entry = entryOf(draft, row, history.tankId, at);
  // Read as it will be once saved: a hydrometer by the water's temperature, of this test session or near it.
  return (
    entry &&
    toReading(
      'draft',
      entry,
      row.kit.body,
      history.tank.zone,
      testSessionTemperature(rows, history, instant(at)),
    )
  );
}

/** °C of the water at a test session: what is typed in it, else what was measured near that time. */
function testSessionTemperature(
  rows: readonly RowState[],
  history: TankHistory,
  at: number,
): number | undefined {
  for (const row of rows) {
    if (row.kit.body.parameter !== 'temperature' || row.value?.form !== 'digital') continue;
    const typed = toCanonical(row.value.value, row.value.unit);
    const { possible } = PARAMETERS.temperature;
    if (typed >= possible.low && typed <= possible.high) return typed;
  }
  return waterTemperature(history, at);
}

/** "card, as NH4": how a kit reads, in a few words. */
export function kitWords(kit: Kit): string {
  const basis = / (N|NH3|NH4|NO2|NO3|PO4|P)$/.exec(kit.unit)?.[1];
  const form = kit.scale.form === 'card' ? 'card' : 'meter';
  return basis ? `${form}, as ${basis}` : form;
}
