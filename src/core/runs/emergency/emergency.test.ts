import * as fc from 'fast-check';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { CAUTIONS } from '../../cautions';
import { freeAmmoniaFraction } from '../../seawater/ammonia';
import { SPAN_WORDS, stepsOf, type Procedure, stepText } from '../procedure';
import { emergencies, PROCEDURES } from '../procedures';
import type { Run } from '../../records/schema/run';
import { withStep } from '../procedures/changes';
import { salinityBack, SWINGS } from './salinity';
import { ammoniaChange, cooling } from './sums';
import { changeWords, coolingWords, salinityWords } from './words';

/** An emergency that began at noon of day 20. */
const NOW_RUN: Run = {
  procedure: 'ammoniaSpike',
  tankId: '',
  begunAt: new Date(onDay(20)).toISOString(),
  ended: null,
  given: {},
  steps: {},
  clocks: {},
};

const WATER = { ph: 8, temperature: 25, salinity: 35 };

function history(build: (builder: LogBuilder) => void) {
  const builder = new LogBuilder({ runningSince: '2026-03-02', fishInSince: '2026-03-02' });
  build(builder);
  return tankHistory(builder.log(), builder.tankId, onDay(20));
}

describe('the change that brings ammonia down', () => {
  it('of a tank worked by hand: 1.5 mg/L at pH 8.0 and 25 °C', () => {
    // pKa 9.3609: 4.174 % is free, 0.0626 mg/L. After 76 %: 0.36 mg/L at pH 8.152, 5.821 % free: 0.02096.
    // After 78 %: 0.33 mg/L at pH 8.156, 5.87 %: 0.0194; after 77 %: 0.345 at 8.154, 5.846 %: 0.02017.
    expect(freeAmmoniaFraction(8, 25, 35)).toBeCloseTo(0.04174, 4);
    const found = ammoniaChange(1.5, WATER, 208);
    expect(found.share).toBe(0.78);
    expect(found.after).toBeCloseTo(0.0194, 4);
    expect(found.litres).toBeCloseTo(162.24, 6);
    // Half: 0.75 mg/L at pH 8.1, 5.2 %: 0.039. Half again: 0.375 at 8.15, 5.8 %: 0.0217. A third time: 0.0115.
    expect(found.rounds).toBe(3);
  });

  it('holds the level at the pH afterwards, and one per cent less does not, in any water', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 8, noNaN: true }),
        fc.double({ min: 7.2, max: 8.6, noNaN: true }),
        fc.double({ min: 20, max: 30, noNaN: true }),
        (total, ph, temperature) => {
          const water = { ph, temperature, salinity: 35 };
          const { share, after, phAfter } = ammoniaChange(total, water, 100);
          const free = (of: number) =>
            total * (1 - of) * freeAmmoniaFraction(ph + of * (8.2 - ph), temperature, 35);
          expect(after).toBeCloseTo(free(share), 9);
          expect(after).toBeLessThanOrEqual(0.02 + 1e-9);
          expect(phAfter).toBeCloseTo(ph + share * (8.2 - ph), 9);
          if (share >= 0.01) expect(free(Math.round(share * 100 - 1) / 100)).toBeGreaterThan(0.02);
        },
      ),
    );
  });

  it('knows that new water of a higher pH can make it worse, and asks for more then', () => {
    const low = ammoniaChange(1.5, { ...WATER, ph: 7.4 }, 100);
    // Nothing is over the level at pH 7.4; the sum says so instead of changing water for its own sake.
    expect(low.now).toBeLessThan(0.02);
    expect([low.share, low.rounds]).toEqual([0, 0]);
  });
});

describe('a binder in an emergency', () => {
  const binder = PROCEDURES.ammoniaSpike.steps.find(({ id }) => id === 'bind');
  const treated = (agent: 'copper' | 'otherMedicine') =>
    history((builder) => void builder.entry(onDay(19), { kind: 'treatment', agent }));

  it('is not offered with copper in the water, nor with a medicine that nobody knows', () => {
    expect(binder && stepText(binder, NOW_RUN, null)).toMatch(/never where copper/);
    expect(binder && stepText(binder, NOW_RUN, treated('copper'))).toMatch(
      /^Copper is in this water.*purified water and salt instead: no binder, no dechlorinator/,
    );
    expect(binder && stepText(binder, NOW_RUN, treated('otherMedicine'))).toMatch(
      /^A medicine whose label/,
    );
  });

  it('leads to the form that looks for copper', () => {
    expect(binder?.opens).toMatchObject({ form: 'dose', given: { substance: 'ammoniaBinder' } });
  });
});

describe('too much that was dosed', () => {
  const steps = PROCEDURES.overdose;
  const dilute = steps.steps.find(({ id }) => id === 'change');

  it('is diluted by litres of this tank, and nothing that binds goes in beside copper', () => {
    const tank = history(() => undefined);
    expect(dilute && stepText(dilute, NOW_RUN, tank)).toMatch(
      /\*\*50 L\*\*.*no binder and no dechlorinator/,
    );
    expect(dilute && stepText(dilute, NOW_RUN, null)).toMatch(/^Half of the water, matched/);
  });

  it('asks for what follows by what it was, and never for acid', () => {
    const shown = (what: string) =>
      stepsOf(steps, withStep(NOW_RUN, 'which', '', what)).map(({ id }) => id);
    expect(shown('alkaline')).toContain('alkaline');
    expect(shown('alkaline')).not.toContain('medicine');
    expect(shown('medicine')).toContain('medicine');
    const alkaline = steps.steps.find(({ id }) => id === 'alkaline');
    expect(alkaline && stepText(alkaline, NOW_RUN, null)).toMatch(/never by acid/);
  });
});

describe('a tank without heat', () => {
  it('cools by Newton’s law, a small one faster than a large one', () => {
    const small = history(() => undefined);
    const large = { ...small, netLitres: 1600 };
    const a = cooling(small, 25, 15);
    const b = cooling(large, 25, 15);
    expect(a.perHour.low).toBeGreaterThan(b.perHour.high);
    // 100 L as a box of 73.7 × 36.8 × 36.8 cm: 1.086 m² of walls at 7 W/m²K and 0.271 m² open at 10 lose
    // 10.31 W/K; 102.5 kg hold 409 kJ/K, so a tank 10 K warmer falls by about 0.908 °C in the first hour.
    expect((a.perHour.low + a.perHour.high) / 2).toBeCloseTo(0.908, 3);
    const hours = a.hoursTo(20);
    expect(hours).not.toBeNull();
    expect(hours?.low).toBeLessThan(hours?.high ?? 0);
    expect(a.hoursTo(14)).toBeNull();
  });

  it('is said as a range, in both scales, and never as hours of oxygen', () => {
    const tank = history((builder) => void builder.digital('thermometer', onDay(20, 9), 25.5));
    expect(coolingWords(NOW_RUN, tank, 12)).toMatch(
      /From 25\.5 °C \(78 °F\).* to .* °C in the first hour/,
    );
    expect(coolingWords(NOW_RUN, tank, 26)).toMatch(/does not cool/);
    expect(coolingWords(NOW_RUN, null, 12)).not.toMatch(/oxygen/);
  });
});

describe('salinity brought back', () => {
  const REEF = { swing: 'drifted', fishAlone: false } as const;
  const FISH = { swing: 'drifted', fishAlone: true } as const;

  it('that drifted goes 1 ppt a day either way, down by 2 with fish alone, by what mixing takes', () => {
    const down = salinityBack(39, 35, 100, REEF);
    expect([down.direction, down.days, down.firstDay.ppt]).toEqual(['down', 4, 1]);
    // Of 39 ppt, 2.56 L in 100 replaced by fresh water take 1 ppt.
    expect(down.firstDay.litres).toBeCloseTo(100 / 39, 6);
    expect(down.litresADay).toBeCloseTo(100 / 38, 6);
    expect(salinityBack(39, 35, 100, FISH).days).toBe(2);
    const up = salinityBack(32, 35, 100, FISH);
    expect([up.direction, up.days]).toEqual(['up', 3]);
    // Water of 40 ppt into 32: 8 apart, so 12.5 L in 100 raise it by 1.
    expect(up.firstDay.litres).toBeCloseTo(12.5, 6);
    expect(salinityBack(35.2, 35, 100, REEF).direction).toBe('right');
  });

  it('that came within a day goes back by half a ppt an hour and 3 on the first day', () => {
    const back = salinityBack(28, 35, 100, { swing: 'recent', fishAlone: false });
    // A week at 28 kills shrimps and corals: 3 ppt within six hours, then four days of one.
    expect(back).toMatchObject({ direction: 'up', days: 5, firstDay: { ppt: 3, hours: 6 } });
    expect(salinityBack(28, 35, 100, { ...REEF, swing: 'unknown' }).days).toBe(7);
  });

  it('moves no further than it is off, in steps that animals take, whatever it is', () => {
    const ppt = fc.double({ min: 20, max: 45, noNaN: true });
    fc.assert(
      fc.property(ppt, ppt, fc.constantFrom(...SWINGS), fc.boolean(), (now, goal, swing, fish) => {
        const back = salinityBack(now, goal, 100, { swing, fishAlone: fish });
        const off = Math.abs(now - goal);
        if (back.direction === 'right') return;
        const most = swing === 'recent' ? 3 : now > goal && fish ? 2 : 1;
        expect(back.firstDay.ppt).toBeLessThanOrEqual(Math.min(off, most) + 1e-9);
        const daily = now > goal && fish ? 2 : 1;
        expect(off - back.firstDay.ppt).toBeLessThanOrEqual((back.days - 1) * daily + 1e-6);
      }),
    );
  });
});

describe('what an emergency says', () => {
  it('of ammonia goes by the test, and by a third where there is none of today', () => {
    expect(changeWords(NOW_RUN, null)).toMatch(/half of the water/);
    expect(
      changeWords(
        NOW_RUN,
        history(() => undefined),
      ),
    ).toMatch(/half of the water/);
    const spiked = history((builder) => {
      builder.ammonia(onDay(20, 10), 2);
      builder.conditions(onDay(20, 9));
    });
    expect(changeWords(NOW_RUN, spiked)).toMatch(/^Change \*\*\d+ L\*\* now/);
    const high = history((builder) => void builder.ammonia(onDay(20, 10), 4));
    expect(changeWords(NOW_RUN, high)).toMatch(
      /Change \*\*50 L\*\* now, 50 % of the water, matched.*about \d such changes/,
    );
    expect(changeWords(NOW_RUN, high)).toMatch(/The card ends at what was read/);
    expect(changeWords(NOW_RUN, spiked)).not.toMatch(/The card ends/);
    expect(changeWords(NOW_RUN, high)).toMatch(/Taken as usual, since not tested lately: pH/);
  });

  it('goes by no test from before: weeks ago, it is no figure to act on', () => {
    const old = history((builder) => {
      builder.ammonia(onDay(8), 2);
      builder.digital('refractometer', onDay(8), 39);
      builder.digital('thermometer', onDay(8), 20);
    });
    expect(changeWords(NOW_RUN, old)).toMatch(/^Without a test of today/);
    expect(salinityWords(NOW_RUN, old)).toMatch(/Test first/);
    expect(coolingWords(NOW_RUN, old, 12)).toMatch(/not tested today: the usual is taken/);
  });

  it('says what a cold tank does without promising that it stays above what it is under already', () => {
    const cold = history((builder) => void builder.digital('thermometer', onDay(20, 9), 18));
    expect(coolingWords(NOW_RUN, cold, 12)).not.toMatch(/It reaches|does not fall under 20/);
    const warm = history((builder) => void builder.digital('thermometer', onDay(20, 9), 25));
    expect(coolingWords(NOW_RUN, warm, 22)).toMatch(/It does not fall under 22 °C/);
  });

  it('of salinity goes toward the tank’s own, asks since when, and never dry salt', () => {
    const thin = history((builder) => {
      for (const day of [5, 8, 12]) builder.digital('refractometer', onDay(day), 33);
      builder.digital('refractometer', onDay(20, 9), 29);
    });
    const slow = salinityWords(NOW_RUN, thin);
    expect(slow).toMatch(
      /own is 33, by its readings before.*Today 1 ppt.*3 days more.*Never dry salt/,
    );
    expect(slow).toMatch(/not known, so it is taken as slow/);
    const recent = salinityWords(withStep(NOW_RUN, 'when', '', 'recent'), thin);
    expect(recent).toMatch(/half a ppt an hour: today 3 ppt over 6 hours/);
    const salty = history((builder) => void builder.digital('refractometer', onDay(20, 9), 38));
    expect(salinityWords(NOW_RUN, salty)).toMatch(/own salinity is not known: 35 is taken/);
  });

  it('puts people first, and each in stretches that only go forward', () => {
    const [first] = emergencies();
    expect(first?.id).toBe('personHurt');
    expect(emergencies().length).toBe(12);
    const table: Record<string, Procedure> = PROCEDURES;
    const spans = Object.keys(SPAN_WORDS);
    for (const { id } of emergencies()) {
      const order = (table[id]?.steps ?? []).map(({ span }) => spans.indexOf(span ?? 'none'));
      expect(order).not.toContain(-1);
      expect([...order].sort((a, b) => a - b)).toEqual(order);
    }
  });

  it('names the emergency number before anything else where a person is hurt', () => {
    const run = {
      procedure: 'personHurt',
      tankId: '',
      begunAt: '',
      ended: null,
      given: {},
      steps: {},
      clocks: {},
    };
    const [call] = stepsOf(PROCEDURES.personHurt, run);
    expect(call && stepText(call, run, null)).toMatch(/^The emergency number first/);
    const shown = (what: string) =>
      stepsOf(PROCEDURES.personHurt, withStep(run, 'what', '', what)).map(({ id }) => id);
    expect(shown('sting')).toEqual(['number', 'what', 'sting', 'after']);
    expect(shown('palytoxin')).toContain('palytoxin');
    const texts = PROCEDURES.personHurt.steps.map((step) => stepText(step, run, null)).join(' ');
    expect(texts).toMatch(/at most 45 °C/);
    expect(Object.keys(CAUTIONS)).toEqual(expect.arrayContaining(['palytoxin', 'electricity']));
  });

  it('never gives an amount of a medicine', () => {
    const table: Record<string, Procedure> = PROCEDURES;
    const run = {
      procedure: 'x',
      tankId: '',
      begunAt: '',
      ended: null,
      given: {},
      steps: {},
      clocks: {},
    };
    for (const { id } of emergencies()) {
      for (const step of table[id]?.steps ?? []) {
        // Levels in the water are named in mg/L; an amount would be in mL, grams or drops.
        expect(stepText(step, run, null)).not.toMatch(
          /\b\d+(\.\d+)? ?(mg(?!\/L)|g|mL|drops|tablets)\b/,
        );
      }
    }
  });
});
