import fc from 'fast-check';
import { bandsOf, tankHistory, verdictOf, type SchoolChoice } from '../..';
import { ASSURED } from '../../../testing/assured';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { provenTank, zeros } from '../../../testing/provenTank';
import { createRecord } from '../../records/acts';
import { cycleEffect, ENTRY_KINDS, type EntryBody, type EntryKind } from '../../records/kinds';
import { AGENTS } from '../../records/kinds/treatment';
import { KEPT } from '../../records/kinds/standstill';
import type { Medicine } from '../../records/schema/medicine';
import { effectContext } from '../../history/tankHistory';
import { colonyEffects } from './harm';

// Whatever may harm a colony, or take it away, ends what was shown of it: by the row of its own kind.

const bands = bandsOf('mixedReef', {});
const SCHOOLS: SchoolChoice[] = [
  { school: 'bothZero' },
  { school: 'bothZeroHeld', holdDays: 7 },
  { school: 'challenge', windowHours: 24 },
  { school: 'nitrateLevel' },
  { school: 'bottleProgramme', programmeDays: 14 },
];

const NOW = onDay(28, 18);
const AFTER = onDay(28, 16);

const judged = (builder: LogBuilder, at = NOW) =>
  verdictOf(tankHistory(builder.log(), builder.tankId, at), at, bands, ASSURED);

function label(builder: LogBuilder, medicine: Partial<Medicine>): string {
  const id = builder.newId();
  builder.revisions.push(
    createRecord(builder.stamp(), id, 'medicine', {
      name: 'From a bottle',
      kind: 'other',
      lowersOxygen: false,
      harmsFilter: 'unknown',
      harmsInvertebrates: false,
      carbonOut: false,
      reducing: 'no',
      ...medicine,
    }),
  );
  return id;
}

const given = (medicineId: string): EntryBody<'medication'> => ({
  kind: 'medication',
  medicineId,
  what: 'From a bottle',
  act: 'given',
});

/** Bodies of each kind that say everything the kind can say of a cycle. */
const BODIES: { [K in EntryKind]?: fc.Arbitrary<EntryBody<K>> } = {
  treatment: fc.record({
    kind: fc.constant('treatment' as const),
    agent: fc.constantFrom(...AGENTS),
  }),
  standstill: fc.record({
    kind: fc.constant('standstill' as const),
    hours: fc.integer({ min: 1, max: 90 }),
    kept: fc.constantFrom(...KEPT),
  }),
  media: fc.record({
    kind: fc.constant('media' as const),
    move: fc.record({
      to: fc.constant('out' as const),
      share: fc.double({ min: 0.01, max: 1, noNaN: true }),
    }),
  }),
  waterChange: fc.record({
    kind: fc.constant('waterChange' as const),
    litres: fc.integer({ min: 1, max: 100 }),
    source: fc.constantFrom(
      'purified' as const,
      'conditionedTap' as const,
      'untreatedTap' as const,
    ),
    newWater: fc.constant({}),
  }),
  closed: fc.constant({ kind: 'closed' as const }),
  filled: fc.constant({ kind: 'filled' as const }),
  running: fc.constant({ kind: 'running' as const }),
  cleaning: fc.constant({ kind: 'cleaning' as const }),
  sponge: fc.constant({ kind: 'sponge' as const, move: 'discarded' as const }),
  lid: fc.constant({ kind: 'lid' as const, fitted: true }),
  note: fc.constant({ kind: 'note' as const, text: 'Seen' }),
  light: fc.constant({ kind: 'light' as const, state: 'on' as const }),
};

describe('whatever may harm or remove the colony', () => {
  it('ends ready, whichever kind of entry says it, and what does neither ends nothing', () => {
    const bodies = fc.oneof(...Object.values(BODIES).map((one) => one as fc.Arbitrary<EntryBody>));
    fc.assert(
      fc.property(bodies, fc.constantFrom(...SCHOOLS), (body, school) => {
        const builder = provenTank(school);
        expect(judged(builder).ready).toBe(true);
        builder.entry(AFTER, body);
        const history = tankHistory(builder.log(), builder.tankId, NOW);
        const logged = history.entries[body.kind].at(-1);
        const effect = logged && cycleEffect(logged.entry, effectContext(history)).colony;
        const harms =
          effect !== undefined &&
          effect.is !== 'brought' &&
          (effect.is !== 'taken' || effect.share > 0.1);
        if (harms) expect(judged(builder).ready).toBe(false);
        else if (body.kind !== 'waterChange') expect(judged(builder).ready).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it.each([
    [35, false],
    [34, false],
    [26, true],
  ])('water of %i °C after it was ready: ready %s', (celsius, still) => {
    const builder = provenTank({ school: 'bothZero' });
    builder.digital('thermometer', AFTER, celsius);
    builder.digital('thermometer', AFTER + 60_000, 26);
    expect(judged(builder).ready).toBe(still);
    expect(colonyEffects(tankHistory(builder.log(), builder.tankId, NOW)).at(-1)?.effect.is).toBe(
      still ? 'brought' : 'harmed',
    );
  });

  it.each<[string, Partial<Medicine>, boolean]>([
    ['an antibiotic', { kind: 'antibiotic' }, false],
    [
      'an antibiotic that is said to spare the filter',
      { kind: 'antibiotic', harmsFilter: 'no' },
      false,
    ],
    ['formaldehyde', { kind: 'formaldehyde' }, false],
    ['methylene blue', { kind: 'methyleneBlue' }, false],
    ['peroxide', { kind: 'peroxide', harmsFilter: 'no' }, false],
    ['one whose label is silent', { kind: 'other' }, false],
    ['one whose label says that it harms the filter', { harmsFilter: 'yes' }, false],
    ['one whose label says that it spares the filter', { harmsFilter: 'no' }, true],
    ['copper', { kind: 'copper' }, false],
    ['a binder', { kind: 'binder' }, true],
  ])('a medicine by its label: %s', (_name, medicine, still) => {
    const builder = provenTank({ school: 'bothZero' });
    builder.entry(AFTER, given(label(builder, medicine)));
    expect(judged(builder).ready).toBe(still);
  });

  it('a medicine whose label is on record nowhere harms it', () => {
    const builder = provenTank({ school: 'bothZero' });
    builder.entry(AFTER, given(builder.newId()));
    expect(judged(builder).ready).toBe(false);
  });

  it('copper, which only slows it, is answered by both at zero once more', () => {
    const builder = provenTank({ school: 'bothZero' });
    builder.entry(AFTER, { kind: 'treatment', agent: 'copper' });
    const { ready: before, criteria } = judged(builder);
    expect(before).toBe(false);
    expect(criteria.find(({ id }) => id === 'ammoniaUsed')?.state).toBe('met');
    expect(criteria.find(({ id }) => id === 'ammoniaZero')?.because).toMatch(/seen once more/);
    zeros(builder, onDay(29, 16));
    builder.conditions(onDay(29, 16));
    expect(judged(builder, onDay(29, 18)).ready).toBe(true);
  });
});

describe('a tank that was taken down', () => {
  it('and filled anew begins another colony', () => {
    const builder = provenTank({ school: 'bothZero' });
    builder.entry(onDay(30), { kind: 'closed' });
    builder.entry(onDay(31), { kind: 'filled' });
    zeros(builder, onDay(32));
    builder.conditions(onDay(32));
    const verdict = judged(builder, onDay(32, 18));
    expect(verdict.ready).toBe(false);
    expect(verdict.criteria.find(({ id }) => id === 'ammoniaUsed')?.because).toMatch(
      /another colony/,
    );
  });

  it('a second filling without a closing does as well', () => {
    const builder = provenTank({ school: 'bothZero' });
    builder.entry(onDay(31), { kind: 'filled' });
    zeros(builder, onDay(32));
    builder.conditions(onDay(32));
    expect(judged(builder, onDay(32, 18)).ready).toBe(false);
  });

  it('its filter moved dry is not what was shown, moved under flowing water it is', () => {
    const moved = (kept: 'dry' | 'flowing') => {
      const builder = provenTank({ school: 'bothZero' });
      builder.entry(AFTER, { kind: 'standstill', hours: 6, kept });
      return judged(builder).ready;
    };
    expect(moved('dry')).toBe(false);
    expect(moved('flowing')).toBe(true);
  });
});

describe('a keeper who calls the tank running', () => {
  it('feeds no colony by it: unfed for 205 days it is not ready', () => {
    const builder = provenTank({ school: 'bothZero' });
    const later = onDay(233);
    zeros(builder, later - 3_600_000);
    builder.conditions(later - 3_600_000);
    expect(judged(builder, later).ready).toBe(false);
    builder.entry(later - 1_800_000, { kind: 'running' });
    expect(judged(builder, later).ready).toBe(false);
  });
});

it('every kind of entry answers what it may do to a cycle', () => {
  // Held by the type of the table; this holds that none answers by throwing.
  const builder = provenTank({ school: 'bothZero' });
  const history = tankHistory(builder.log(), builder.tankId, NOW);
  for (const kind of ENTRY_KINDS) {
    for (const { entry } of history.entries[kind]) {
      expect(() => cycleEffect(entry, effectContext(history))).not.toThrow();
    }
  }
});
