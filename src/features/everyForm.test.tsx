import fc from 'fast-check';
import type * as z from 'zod';
import { tankHistory } from '@/core/history/derive';
import { demoLog } from '@/core/demo/demoLog';
import { EMPTY_LOG, headsOfType, mergeRevisions } from '@/core/records/log';
import { ENTRY_KINDS, type Entry } from '@/core/records/kinds';
import { METRIC_SETTINGS, US_SETTINGS } from '@/core/records/schema/settings';
import { createRecord } from '@/core/records/acts';
import { revisionSchema, type RecordType } from '@/core/records/schema/revision';
import type { FormReading } from '@/forms/reader';
import { ENTRY_BODIES } from '@/testing/entryBodies';
import { formArbitrary } from '@/testing/formArbitrary';
import { testId } from '@/testing/logBuilder';
import { formOfKit, kitFormSchema, readKit } from './instruments/kitForm';
import { KIND_FORMS } from './log/forms';
import { NO_FACTS } from '@/core/tank/tankFacts';
import { formOfTank, readTank, tankFormSchema } from './tank/tankForm';
import type { EntryFormSpec } from './log/forms/entryForm';

jest.mock('expo-router', () => ({ useRouter: () => ({}), usePathname: () => '/log/test' }));

const NOW = Date.parse('2026-11-24T12:00:00Z');
const TODAY = '2026-11-24';
const stamp = { actId: testId(1), device: 'test', recordedAt: new Date(NOW).toISOString() };

let made = 0;
const log = mergeRevisions(
  EMPTY_LOG,
  demoLog({ now: NOW, zone: 'UTC', device: 'test', newId: () => testId((made += 1)) }),
);
const SETTINGS = [METRIC_SETTINGS, US_SETTINGS];

/** What is wrong with a record that a form gave, or null when it can be read back. */
function unreadable(type: RecordType, body: object): string | null {
  const revision = createRecord(stamp, testId(2), type, body as never);
  const read = revisionSchema.safeParse(JSON.parse(JSON.stringify(revision)));
  return read.success ? null : JSON.stringify({ body, issues: read.error.issues });
}

/** Whatever the fields hold, the form says what is wrong or gives what can be read back. */
function neverUnreadable<F extends object>(
  fields: z.ZodObject,
  starts: readonly object[],
  read: (form: F, settings: (typeof SETTINGS)[number]) => FormReading<never, object>,
  bodyOf: (value: object) => [RecordType, object],
): void {
  let given = 0;
  const names = Object.keys(fields.shape);
  // All of it typed anew, or a few fields of a form that is in order.
  const changed = fc
    .tuple(
      fc.constantFrom(...starts),
      formArbitrary(fields),
      fc.oneof(fc.constant(names), fc.subarray(names, { maxLength: Math.min(3, names.length) })),
    )
    .map(([start, form, some]) => ({
      ...start,
      ...Object.fromEntries(some.map((name) => [name, (form as Record<string, unknown>)[name]])),
    }));
  fc.assert(
    fc.property(changed, fc.constantFrom(...SETTINGS), (form, settings) => {
      if (!fields.safeParse(form).success) return;
      const reading = read(form as F, settings);
      if (!reading.ok) return;
      given += 1;
      expect(unreadable(...bodyOf(reading.value))).toBeNull();
    }),
    { numRuns: 400 },
  );
  // A form that refuses all it is given would pass without this.
  expect(given).toBeGreaterThan(0);
}

const specOf = (form: object) => (form as { spec?: EntryFormSpec<never, never> }).spec;

describe('whatever a form can produce can be read back', () => {
  const kinds = ENTRY_KINDS.filter((kind) => specOf(KIND_FORMS[kind].New));

  it('goes for every kind but the readings, which have a sheet of their own', () => {
    expect(ENTRY_KINDS.filter((kind) => !kinds.includes(kind))).toEqual(['reading']);
  });

  it.each(kinds)('%s', (kind) => {
    const spec = specOf(KIND_FORMS[kind].New);
    const [tank] = log.tanks;
    if (!spec || !tank) throw new Error('nothing to fill in');
    const history = tankHistory(log, tank.id, NOW);
    const there = headsOfType(log, 'entry').flatMap(({ body }) =>
      body.kind === kind ? [body] : [],
    );
    // What only an instrument writes is in no demo.
    const [made] = fc.sample<object>(ENTRY_BODIES[kind] as fc.Arbitrary<object>, 1);
    if (there.length === 0 && made)
      there.push({ ...made, tankId: tank.id, at: stamp.recordedAt } as Entry);
    const context = { history, settings: METRIC_SETTINGS, now: NOW, today: TODAY };
    neverUnreadable(
      spec.fields as never,
      // From an entry that there is as well: what is typed anew alone is seldom in order.
      [spec.start(context), ...there.map((entry) => spec.formOf(entry as never, context))],
      (form: never, settings) =>
        spec.read(form, { ...context, settings }) as FormReading<never, object>,
      (value) => ['entry', { ...value, tankId: tank.id, at: stamp.recordedAt }],
    );
  });

  it('tank', () => {
    neverUnreadable(
      tankFormSchema,
      log.tanks.map((tank) => formOfTank(tank.body, NO_FACTS, METRIC_SETTINGS)),
      (form: never, settings) =>
        readTank(form, settings, { today: TODAY, zone: 'UTC' }) as FormReading<never, object>,
      (value) => ['tank', (value as { tank: object }).tank],
    );
  });

  it('kit', () => {
    neverUnreadable(
      kitFormSchema,
      log.kits.map((kit) => formOfKit(kit.body)),
      (form: never) => readKit(form, 1) as FormReading<never, object>,
      (value) => ['kit', value],
    );
  });
});
