import fc from 'fast-check';
import { bandsOf, tankHistory, verdictOf, type DoneRuleChoice } from '../..';
import { ASSURED } from '../../../testing/assured';
import { anyBody } from '../../../testing/entryBodies';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { labelled } from '../../../testing/medicines';
import { provenTank, zeros } from '../../../testing/provenTank';
import {
  cycleEffect,
  ENTRY_KINDS,
  entrySchema,
  type Entry,
  type EntryBody,
  type EntryKind,
} from '../../records/kinds';
import type { CycleEffect } from '../../records/kinds/effect';
import { HARMING, waterHarm } from '../../records/kinds/waterHarm';
import { PARAMETERS } from '../../parameters/registry';
import type { Medicine } from '../../records/schema/medicine';
import { effectContext } from '../../history/tankHistory';
import { filterBacteriaEffects } from './harm';
import { draws } from '../../../testing/draws';

// Whatever may harm filter bacteria, or take it away, ends what was shown of it: by the row of its own kind.

const bands = bandsOf('mixedReef', {});
const DONE_RULES: DoneRuleChoice[] = [
  { rule: 'bothZero' },
  { rule: 'bothZeroHeld', daysAtZero: 7 },
  { rule: 'challenge', windowHours: 24 },
  { rule: 'nitrateLevel' },
  { rule: 'bottleProgramme', programmeDays: 14 },
];

const NOW = onDay(28, 18);
const AFTER = onDay(28, 16);

/** What the row of an entry's kind says of it; undefined where the log did not take it. */
function effectOf(builder: LogBuilder, body: EntryBody): CycleEffect | undefined {
  const history = tankHistory(builder.log(), builder.tankId, NOW);
  if (body.kind === 'reading') {
    const read = history.readings[body.parameter].findLast(({ at }) => at === AFTER);
    // One that cannot be is no evidence of anything, and the log says so where it is entered.
    return read?.counts ? waterHarm(body.parameter, read.best) : undefined;
  }
  const logged = history.entries[body.kind].findLast(({ at }) => at === AFTER);
  return logged && cycleEffect(logged.entry, effectContext(history));
}

const isNothing = (effect: CycleEffect) => Object.keys(effect).length === 0;
const harms = ({ filterBacteria }: CycleEffect) =>
  filterBacteria !== undefined &&
  filterBacteria.is !== 'brought' &&
  (filterBacteria.is !== 'taken' || filterBacteria.share > 0.1);

const judged = (builder: LogBuilder, at = NOW) =>
  verdictOf(tankHistory(builder.log(), builder.tankId, at), at, bands, ASSURED);

const given = (medicineId: string): EntryBody<'medication'> => ({
  kind: 'medication',
  medicineId,
  what: 'From a bottle',
  act: 'given',
});

describe('whatever may harm or remove the filter bacteria', () => {
  it('ends ready, whichever kind of entry says it, and what says nothing of a cycle ends nothing', () => {
    fc.assert(
      fc.property(anyBody, fc.constantFrom(...DONE_RULES), (body, doneRule) => {
        const builder = provenTank(doneRule);
        expect(judged(builder).ready).toBe(true);
        builder.entry(AFTER, body);
        const effect = effectOf(builder, body);
        if (effect && harms(effect)) expect(judged(builder).ready).toBe(false);
        // A lid that is off, and a reading out of its band, are asked by rules of their own.
        else if (effect && isNothing(effect) && body.kind !== 'reading' && body.kind !== 'lid') {
          expect(judged(builder).ready).toBe(true);
        }
      }),
      { numRuns: draws(150) },
    );
  });

  it('gives way to watch with an animal in, and to no dose', () => {
    fc.assert(
      fc.property(anyBody, fc.constantFrom(...DONE_RULES), (body, doneRule) => {
        const builder = provenTank(doneRule);
        builder.entry(AFTER - 60_000, {
          kind: 'animals',
          move: 'in',
          group: 'fish',
          what: 'Goby',
          count: 1,
        });
        builder.entry(AFTER, body);
        const effect = effectOf(builder, body);
        if (!effect || !harms(effect)) return;
        const { word, ready, proof, criteria } = judged(builder);
        expect({ word, ready, proof }).toEqual({ word: 'watch', ready: false, proof: null });
        for (const { doses } of criteria) expect(doses).toBeUndefined();
      }),
      { numRuns: draws(150) },
    );
  });

  it.each([
    [35, false],
    [34, false],
    [26, true],
  ])('water of %i °C after it was ready: ready %s', (celsius, still) => {
    const builder = provenTank({ rule: 'bothZero' });
    builder.digital('thermometer', AFTER, celsius);
    builder.digital('thermometer', AFTER + 60_000, 26);
    expect(judged(builder).ready).toBe(still);
    expect(
      filterBacteriaEffects(tankHistory(builder.log(), builder.tankId, NOW)).at(-1)?.effect.is,
    ).toBe(still ? 'brought' : 'harmed');
  });

  it('by a reading that was a slip is taken back by correcting it, and says so', () => {
    const builder = provenTank({ rule: 'bothZero' });
    builder.digital('refractometer', AFTER, 3.5);
    builder.digital('refractometer', AFTER + 60_000, 35);
    const { ready, criteria } = judged(builder);
    expect(ready).toBe(false);
    expect(criteria.find(({ id }) => id === 'ammoniaUsed')?.because).toMatch(
      /Salinity of 3\.5 ppt.*If that was a slip, correct or remove it\./,
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
    const builder = provenTank({ rule: 'bothZero' });
    builder.entry(AFTER, given(labelled(builder, medicine)));
    expect(judged(builder).ready).toBe(still);
  });

  it('a medicine whose label is on record nowhere harms it', () => {
    const builder = provenTank({ rule: 'bothZero' });
    builder.entry(AFTER, given(builder.newId()));
    expect(judged(builder).ready).toBe(false);
  });

  it('copper, which only slows it, is answered by both at zero once more', () => {
    const builder = provenTank({ rule: 'bothZero' });
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
  it('and filled anew begins other filter bacteria', () => {
    const builder = provenTank({ rule: 'bothZero' });
    builder.entry(onDay(30), { kind: 'closed' });
    builder.entry(onDay(31), { kind: 'filled' });
    zeros(builder, onDay(32));
    builder.conditions(onDay(32));
    const verdict = judged(builder, onDay(32, 18));
    expect(verdict.ready).toBe(false);
    expect(verdict.criteria.find(({ id }) => id === 'ammoniaUsed')?.because).toMatch(
      /other filter bacteria/,
    );
  });

  it('a second filling without a closing does as well', () => {
    const builder = provenTank({ rule: 'bothZero' });
    builder.entry(onDay(31), { kind: 'filled' });
    zeros(builder, onDay(32));
    builder.conditions(onDay(32));
    expect(judged(builder, onDay(32, 18)).ready).toBe(false);
  });

  it('its filter moved dry is not what was shown, moved under flowing water it is', () => {
    const moved = (kept: 'dry' | 'flowing') => {
      const builder = provenTank({ rule: 'bothZero' });
      builder.entry(AFTER, { kind: 'standstill', hours: 6, kept });
      return judged(builder).ready;
    };
    expect(moved('dry')).toBe(false);
    expect(moved('flowing')).toBe(true);
  });
});

describe('a keeper who calls the tank running', () => {
  it('feeds no filter bacteria by it: unfed for 205 days it is not ready', () => {
    const builder = provenTank({ rule: 'bothZero' });
    const later = onDay(233);
    zeros(builder, later - 3_600_000);
    builder.conditions(later - 3_600_000);
    expect(judged(builder, later).ready).toBe(false);
    builder.entry(later - 1_800_000, { kind: 'running' });
    expect(judged(builder, later).ready).toBe(false);
  });
});

it('no bound of harm lies where a reading does not count any more', () => {
  for (const parameter of HARMING) {
    const { filterBacteria, possible } = PARAMETERS[parameter];
    for (const { low = possible.low, high = possible.high } of Object.values(filterBacteria)) {
      expect(low).toBeGreaterThanOrEqual(possible.low);
      expect(high).toBeLessThanOrEqual(possible.high);
    }
  }
});

it('every kind of entry answers what it may do to a cycle, whatever it says', () => {
  const builder = provenTank({ rule: 'bothZero' });
  const context = effectContext(tankHistory(builder.log(), builder.tankId, NOW));
  const asked = new Set<EntryKind>();
  fc.assert(
    fc.property(anyBody, (body) => {
      asked.add(body.kind);
      const entry = { tankId: builder.tankId, at: new Date(AFTER).toISOString(), ...body } as Entry;
      expect(entrySchema.safeParse(entry).error?.message).toBeUndefined();
      expect(() => cycleEffect(entry, context)).not.toThrow();
    }),
    { numRuns: 600 },
  );
  expect([...asked].sort()).toEqual([...ENTRY_KINDS].sort());
});
