import { ALARM_IDS } from '../core/monitor/alarms/alarmIds';
import fc from 'fast-check';
import type { EntryBody, EntryKind } from '../core/records/kinds';
import { ANIMAL_GROUPS, ANIMAL_MOVES } from '../core/records/kinds/animals';
import { COST_KINDS } from '../core/records/kinds/cost';
import { FOODS } from '../core/records/kinds/feed';
import { DAILY_CHECK_STATES, SIGNS, SPONGE_MOVES } from '../core/records/kinds/dailyCheck';
import { MEDIA } from '../core/records/kinds/media';
import { MEDICATION_ACTS } from '../core/records/kinds/medication';
import { OBSERVED } from '../core/records/kinds/observation';
import { SIPHONED } from '../core/records/kinds/organics';
import { MEASURES, GROWTH_MEASURE_ACTIONS } from '../core/records/kinds/growthMeasure';
import { EXTENTS, GROWTHS } from '../core/records/kinds/sighting';
import { KEPT } from '../core/records/kinds/standstill';
import { TASK_MARKS } from '../core/records/kinds/taskMark';
import { AGENTS } from '../core/records/kinds/treatment';
import { WATER_SOURCES } from '../core/records/kinds/waterChange';
import { WEIGHED } from '../core/records/kinds/weighing';
import { DOSE_SUBSTANCES } from '../core/records/kinds/dose';
import { testId } from './logBuilder';

const is = <T extends string>(kind: T) => fc.constant(kind);
const of = <T>(values: readonly T[]) => fc.constantFrom(...values);
const amount = fc.double({ min: 0.1, max: 90, noNaN: true });
const whole = fc.integer({ min: 1, max: 90 });
const someId = fc.constant(testId(987));

/** Readings that no kit need be on record for, of what can do anything to filter bacteria, and of what cannot. */
const readings = fc.oneof(
  fc.double({ min: 5, max: 40, noNaN: true }).map((value) => ['temperature', value, '°C'] as const),
  fc.double({ min: 2, max: 70, noNaN: true }).map((value) => ['salinity', value, 'ppt'] as const),
  fc.double({ min: 5.5, max: 10, noNaN: true }).map((value) => ['ph', value, 'pH'] as const),
  fc
    .double({ min: 300, max: 500, noNaN: true })
    .map((value) => ['calcium', value, 'ppm Ca'] as const),
);

/** Bodies of every kind of entry: a kind without one does not compile. */
export const ENTRY_BODIES: { [K in EntryKind]: fc.Arbitrary<EntryBody<K>> } = {
  reading: readings.map(([parameter, value, unit]) => ({
    kind: 'reading',
    parameter,
    kitId: testId(986),
    dilution: 1,
    value: { form: 'digital', value, unit },
  })),
  dose: fc.record({
    kind: is('dose'),
    substance: of(DOSE_SUBSTANCES),
    amount: fc.record({ by: is('mL'), mL: amount }),
    strength: fc.constant(null),
    about: fc.boolean(),
  }),
  waterChange: fc.record({
    kind: is('waterChange'),
    litres: whole,
    source: of(WATER_SOURCES),
    newWater: fc.constant({}),
  }),
  topOff: fc.record({ kind: is('topOff'), litres: amount }),
  feed: fc.record({
    kind: is('feed'),
    food: of(FOODS),
    amount: fc.record({ by: is('grams'), grams: amount }),
  }),
  animals: fc.record({
    kind: is('animals'),
    move: of(ANIMAL_MOVES),
    group: of(ANIMAL_GROUPS),
    what: fc.constant('One'),
    count: fc.integer({ min: 1, max: 3 }),
  }),
  observation: fc.record({ kind: is('observation'), about: of(OBSERVED), text: is('Seen') }),
  note: fc.record({ kind: is('note'), text: is('Seen') }),
  alarm: fc.record({ kind: is('alarm'), connectionId: someId, alarm: of(ALARM_IDS) }),
  sighting: fc.record({ kind: is('sighting'), growth: of(GROWTHS), extent: of(EXTENTS) }),
  growthMeasure: fc.record({
    kind: is('growthMeasure'),
    measure: of(MEASURES),
    action: of(GROWTH_MEASURE_ACTIONS),
  }),
  light: fc.record({ kind: is('light'), state: of(['on', 'off'] as const) }),
  organics: fc.record({
    kind: is('organics'),
    action: fc.oneof(
      fc.record({ what: is('prawnIn'), grams: amount }),
      fc.record({ what: is('prawnOut') }),
      fc.record({ what: is('siphoned'), amount: of(SIPHONED) }),
    ),
  }),
  media: fc.record({
    kind: is('media'),
    move: fc.oneof(
      fc.record({ to: is('out'), share: fc.double({ min: 0.01, max: 1, noNaN: true }) }),
      fc.record({ to: is('in'), media: of(MEDIA), amount, unit: of(['kg', 'L'] as const) }),
    ),
  }),
  treatment: fc.record({ kind: is('treatment'), agent: of(AGENTS) }),
  filled: fc.record({ kind: is('filled') }),
  running: fc.record({ kind: is('running') }),
  lid: fc.record({ kind: is('lid'), fitted: fc.boolean() }),
  heaterCheck: fc.record({ kind: is('heaterCheck') }),
  calibration: fc.record({
    kind: is('calibration'),
    kitId: someId,
    unit: is('ppt'),
    points: fc.constant([{ standard: 35, read: 34 }]),
    adjusted: fc.boolean(),
  }),
  saltMix: fc.record({ kind: is('saltMix'), litres: amount, grams: amount }),
  purified: fc.record({ kind: is('purified'), litres: amount }),
  weighing: fc.record({ kind: is('weighing'), what: of(WEIGHED), count: whole, amount }),
  dailyCheck: fc.record({
    kind: is('dailyCheck'),
    cohort: someId,
    what: fc.constant('One'),
    state: of(DAILY_CHECK_STATES),
    signs: fc.constant([SIGNS[0]]),
  }),
  cleaning: fc.record({ kind: is('cleaning') }),
  sponge: fc.record({ kind: is('sponge'), move: of(SPONGE_MOVES) }),
  standstill: fc.record({
    kind: is('standstill'),
    hours: whole,
    kept: of(KEPT),
  }),
  medication: fc.record({
    kind: is('medication'),
    medicineId: someId,
    what: fc.constant('From a bottle'),
    act: of(MEDICATION_ACTS),
  }),
  cost: fc.record({ kind: is('cost'), of: of(COST_KINDS), amount }),
  closed: fc.record({ kind: is('closed') }),
  taskMark: fc.record({
    kind: is('taskMark'),
    task: is('round'),
    title: fc.constant('Daily round'),
    how: of(TASK_MARKS),
  }),
};

/** A body of any kind, each kind as often as the others. */
export const anyBody: fc.Arbitrary<EntryBody> = fc.oneof(
  ...Object.values(ENTRY_BODIES).map((one) => one as fc.Arbitrary<EntryBody>),
);
