import fc from 'fast-check';
import { freeAmmoniaFraction } from '../seawater/ammonia';
import type { Medicine } from '../records/schema/medicine';
import { protocolSchema } from '../records/schema/protocol';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import type { EntryBody } from '../records/kinds';
import { EMPTY_LOG, mergeRevisions } from '../records/log';
import {
  FALLOW_DAYS,
  fallowClock,
  fallowDays,
  fallowRefusal,
  temperatureSince,
  wetInto,
} from './clock/fallow';
import { highestStepUnder, holdAmmonia, settledPeak } from './clock/hold';
import { concentration, medicineConflicts, redose, type MedicineHome } from './medicine/medicine';
import { PROTOCOLS, protocolsFor, stagesNow } from './protocols';
import { meaningsOf, notEatingPlan } from './clock/signs';
import { spongeCarries, spongeWords } from './tank/sponge';

const WATER = { ph: 8.1, temperature: 25, salinity: 35 };
/** 0.1 g of pellets of 45 % a day, by the share that ends as ammonia, mg N. */
const pellets = (share: number) => 0.1 * 0.45 * share * 1000;

describe('ammonia without filter bacteria', () => {
  it('0.1 g of pellets in 76 L with leftovers out: 23 L every 2 days, about 0.019', () => {
    const plan = holdAmmonia({ nitrogen: pellets(0.092), litres: 76, ...WATER });
    expect(plan).toMatchObject({ litres: 23, everyDays: 2, holds: true });
    expect(plan.peakFreeAmmoniaN).toBeCloseTo(0.019, 3);
    expect(plan.mostTotal).toBeCloseTo(0.38, 2);
    expect(plan.litresAWeek).toBeCloseTo(80.5, 9);
    expect(plan.saltAWeek / 1000).toBeCloseTo(2.88, 1);
  });

  it('with leftovers left in it asks for more', () => {
    const plan = holdAmmonia({ nitrogen: pellets(0.16), litres: 76, ...WATER });
    expect(plan.everyDays).toBe(1);
    expect(plan.litresAWeek).toBeGreaterThan(100);
    expect(plan.peakFreeAmmoniaN).toBeLessThanOrEqual(0.02);
  });

  it('settles where a simulation of days and changes does', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.integer({ min: 20, max: 200 }),
        fc.constantFrom(1, 2, 3),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        (nitrogen, litres, days, share) => {
          let level = 0;
          let peak = 0;
          for (let i = 0; i < 400; i += 1) {
            peak = level + (nitrogen * days) / litres;
            level = peak * (1 - share);
          }
          expect(peak).toBeCloseTo(settledPeak(nitrogen, litres, days, share), 6);
        },
      ),
    );
  });

  it('holds whatever it says it holds, and says so where it cannot', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.integer({ min: 20, max: 200 }),
        fc.double({ min: 7.6, max: 8.4, noNaN: true }),
        (nitrogen, litres, ph) => {
          const plan = holdAmmonia({ nitrogen, litres, ph, temperature: 25, salinity: 35 });
          if (plan.holds) expect(plan.peakFreeAmmoniaN).toBeLessThanOrEqual(0.02 + 1e-9);
          expect(plan.litres).toBeLessThanOrEqual(litres);
        },
      ),
    );
    expect(holdAmmonia({ nitrogen: 100, litres: 20, ...WATER }).holds).toBe(false);
    const nothing = holdAmmonia({ nitrogen: 0, litres: 76, ...WATER });
    expect(nothing).toMatchObject({ litres: 0, peakFreeAmmoniaN: 0 });
  });

  it('names the highest step of a card that is still under it', () => {
    const most = 0.02 / freeAmmoniaFraction(8.1, 25, 35);
    expect(highestStepUnder([0, 0.25, 0.5, 1], most)).toBe(0.25);
    expect(highestStepUnder([0.5, 1], most)).toBeNull();
  });
});

const label = (changes: Partial<Medicine> = {}): Medicine => ({
  name: 'A copper medicine',
  kind: 'copper',
  lowersOxygen: false,
  harmsFilter: 'no',
  harmsInvertebrates: true,
  carbonOut: true,
  reducing: 'no',
  ...changes,
});
const HOME: MedicineHome = {
  present: [],
  invertebrates: false,
  rock: false,
  filter: 'uncycled',
  strongAir: true,
};
const blocked = (next: Medicine, home: Partial<MedicineHome>) =>
  medicineConflicts(next, { ...HOME, ...home }).filter(({ severity }) => severity === 'blocked');

describe('what stands against a medicine', () => {
  it('copper and any reducing binder, either way round, an unknown label counting as one', () => {
    const binder = label({
      name: 'A binder',
      kind: 'binder',
      reducing: 'unknown',
      carbonOut: false,
    });
    expect(blocked(label(), { present: [binder] })[0]?.because).toMatch(/deadly.*does not say/);
    expect(blocked(binder, { present: [label()] })).toHaveLength(1);
    expect(blocked(label(), { present: [{ ...binder, reducing: 'yes' }] })).toHaveLength(1);
    expect(blocked(label(), { present: [{ ...binder, reducing: 'no' }] })).toHaveLength(0);
    // A conflict of two that are in already is not that of a third.
    const other = label({ name: 'Another', kind: 'other', harmsInvertebrates: false });
    expect(blocked(other, { present: [label(), binder] })).toHaveLength(0);
  });

  it('copper with invertebrates or rock; antibiotics with a filter; two at once; oxygen', () => {
    expect(blocked(label(), { invertebrates: true })).toHaveLength(1);
    expect(blocked(label(), { rock: true })).toHaveLength(1);
    const antibiotic = label({
      name: 'An antibiotic',
      kind: 'antibiotic',
      harmsInvertebrates: false,
    });
    const cares = (next: Medicine, home: Partial<MedicineHome>) =>
      medicineConflicts({ ...next, carbonOut: false }, { ...HOME, ...home }).map(
        ({ because }) => because,
      );
    expect(cares(antibiotic, { filter: 'cycled' }).join()).toMatch(/filter's bacteria/);
    expect(cares(antibiotic, {})).toEqual([]);
    expect(cares(antibiotic, { present: [label()] }).join()).toMatch(/two medicines at once/);
    expect(cares(label({ lowersOxygen: true }), { strongAir: false }).join()).toMatch(/oxygen/);
  });
});

describe('a medicine by its label', () => {
  it('follows doses and changes by mass balance, and a test goes before it', () => {
    const strong = label({ strength: 10 });
    const events = [
      { at: 1, by: 'given', amount: 4 },
      { at: 2, by: 'change', litres: 20 },
    ] as const;
    expect(concentration(strong, 80, events)).toBeCloseTo(0.375, 12);
    expect(redose(strong, 0.5, 20)).toBeCloseTo(1, 12);
    expect(concentration(strong, 80, [...events, { at: 3, by: 'measured', value: 0.3 }])).toBe(0.3);
    expect(concentration(strong, 80, [...events, { at: 3, by: 'carbon' }])).toBeNull();
    expect(concentration(label(), 80, events)).toBeNull();
    expect(() => redose(label(), 0.5, 20)).toThrow(/no strength on record/);
  });

  it('a change that is dosed up again leaves the level where it was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (mL, litres) => {
          const strong = label({ strength: 5 });
          const level = concentration(strong, 80, [{ at: 1, by: 'given', amount: mL }]) ?? 0;
          const again = concentration(strong, 80, [
            { at: 1, by: 'given', amount: mL },
            { at: 2, by: 'change', litres },
            { at: 3, by: 'given', amount: redose(strong, level, litres) },
          ]);
          expect(again).toBeCloseTo(level, 9);
        },
      ),
    );
  });
});

describe('a tank without fish', () => {
  const DAY = 86_400_000;
  const NOW = Date.parse('2026-04-20T12:00:00Z');
  const source = { begunAt: NOW - 30 * DAY, days: 76, zone: 'Europe/Berlin' };

  it('counts from the day the last fish is out, the missing included', () => {
    const clock = fallowClock(
      { ...source, fishGone: [NOW - 25 * DAY, NOW - 20 * DAY], wetIn: [] },
      NOW,
    );
    expect(clock.daysDone).toBe(20);
    expect(fallowClock({ ...source, fishGone: [NOW, null], wetIn: [] }, NOW)).toMatchObject({
      since: null,
      ends: null,
    });
  });

  it('begins again with anything wet from a system with fish', () => {
    const clock = fallowClock(
      { ...source, fishGone: [NOW - 25 * DAY], wetIn: [NOW - 28 * DAY, NOW - 5 * DAY] },
      NOW,
    );
    expect([clock.daysDone, clock.restarts.length]).toEqual([5, 1]);
  });

  it('is 76 days unless a diagnosis or warm water shortens it', () => {
    const ask = { days: 50, diagnosed: false, warm: false };
    expect(fallowRefusal(ask)).toMatch(/under a microscope/);
    expect(fallowRefusal({ ...ask, warm: true })).toBeNull();
    expect(fallowRefusal({ ...ask, days: 20, diagnosed: true })).toMatch(/42 days at least/);
    expect(fallowRefusal({ ...ask, days: 76 })).toBeNull();
    // 42 days are for velvet alone; temperature takes 45, and animals that live so warm.
    expect(fallowRefusal({ ...ask, days: 42, warm: true })).toMatch(/45 days at least/);
    expect(fallowRefusal({ ...ask, days: 42, diagnosed: true })).toBeNull();
    const snail = [{ name: 'Turbo snail', high: 26 }];
    expect(fallowRefusal({ ...ask, warm: true }, snail)).toMatch(/Turbo snail lives at 26 °C/);
    expect(fallowRefusal({ ...ask, diagnosed: true }, snail)).toBeNull();
  });

  it('begins again with rock, sand, media, a sponge and water of another tank as well', () => {
    const wet = (body: EntryBody) => {
      const log = new LogBuilder({ kind: 'display' });
      log.entry(onDay(20), body);
      const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, onDay(30));
      return wetInto(history, onDay(10)).length;
    };
    const media = (what: 'liveRock' | 'coatedRock') =>
      wet({ kind: 'media', move: { to: 'in', media: what, amount: 2, unit: 'kg' } });
    expect([media('liveRock'), media('coatedRock')]).toEqual([1, 0]);
    expect(wet({ kind: 'sponge', move: 'working' })).toBe(1);
    const change = { kind: 'waterChange', litres: 10, newWater: {} } as const;
    expect(wet({ ...change, source: 'otherTank' })).toBe(1);
    expect(wet({ ...change, source: 'purified' })).toBe(0);
  });

  it('is shorter by temperature only while the log shows it warm without a gap', () => {
    const since = NOW - 12 * DAY;
    const every = (days: number, best: number) =>
      Array.from({ length: Math.floor(12 / days) + 1 }, (_, i) => ({
        at: since + i * days * DAY,
        best,
      }));
    const ask = { days: 45, diagnosed: false, warm: true };
    const asked = (readings: { at: number; best: number }[]) =>
      fallowDays(ask, temperatureSince(readings, since, NOW));
    expect(asked(every(2, 27.5))).toBe(45);
    expect(asked(every(5, 27.5))).toBe(FALLOW_DAYS);
    expect(asked([])).toBe(FALLOW_DAYS);
    const cooled = [...every(2, 27.5), { at: NOW - DAY / 2, best: 26 }];
    expect(temperatureSince(cooled, since, NOW).because).toMatch(/^It read 26 °C/);
    expect(asked(cooled)).toBe(FALLOW_DAYS);
    expect(asked([...every(2, 27.5), { at: NOW - DAY / 2, best: 29 }])).toBe(FALLOW_DAYS);
    // Before it began it may have been as cool as it liked; a diagnosis needs no temperature.
    expect(asked([{ at: since - DAY, best: 24 }, ...every(2, 27.5)])).toBe(45);
    expect(fallowDays({ ...ask, diagnosed: true }, temperatureSince([], since, NOW))).toBe(45);
  });
});

describe('protocols', () => {
  it('are whole rows, each stage within its days, for every kind of animal', () => {
    for (const protocol of PROTOCOLS) {
      expect(protocolSchema.parse(protocol)).toEqual(protocol);
      const froms = protocol.stages.map(({ fromDay }) => fromDay);
      expect(froms).toEqual(froms.toSorted((a, b) => a - b));
      for (const from of froms) expect(from).toBeLessThan(Math.max(1, protocol.days));
    }
    expect(new Set(PROTOCOLS.map(({ id }) => id)).size).toBe(PROTOCOLS.length);
    for (const kind of ['fish', 'coral', 'anemone', 'invertebrate'] as const) {
      expect(protocolsFor(kind).length).toBeGreaterThan(1);
      expect(protocolsFor(kind).some(({ days }) => days === 0)).toBe(true);
    }
    const named = (id: string, day: number) => {
      const protocol = PROTOCOLS.find((one) => one.id === id);
      const clock = { daysClear: day, standing: [], held: null };
      return protocol ? stagesNow(protocol, clock).map(({ name }) => name) : null;
    };
    expect(named('observe', 5)).toEqual(['Watch']);
    // What is done on a sign does not take the place of looking.
    expect(named('observeTreat', 5)).toEqual(['Watch']);
    expect(named('coral', 15)).toEqual(['Third dip']);
    expect(named('none', 3)).toEqual([]);
  });
});

describe('signs', () => {
  it('are told with the most urgent first, and breath that is counted fast is one', () => {
    expect(meaningsOf(['thin', 'dust']).map(({ sign }) => sign)).toEqual(['dust', 'thin']);
    expect(meaningsOf([], 140).map(({ sign }) => sign)).toEqual(['fastBreathing']);
    expect(meaningsOf([], 70)).toEqual([]);
  });

  it('one that does not eat has a plan by day that ends with a veterinarian', () => {
    const plans = [1, 3, 5, 8].map(notEatingPlan);
    expect(new Set(plans).size).toBe(4);
    expect(plans[3]).toMatch(/veterinarian/);
  });
});

describe('a seeded sponge', () => {
  it('carries more with its days, and is counted on after four weeks', () => {
    const at = (days: number) => spongeCarries({ days, tankNitrogen: 60 });
    expect(at(0)).toEqual({ low: 0, high: 0 });
    expect(at(28).low).toBeGreaterThan(at(7).low);
    expect(at(365).high).toBeCloseTo(12, 6);
    expect(spongeWords({ days: 10, tankNitrogen: 60 })).toMatch(/28 are wanted/);
    expect(spongeWords({ days: 40, tankNitrogen: 60 })).toMatch(/test ammonia daily/);
  });
});
