import fc from 'fast-check';
import { bandsOf, tankHistory, verdictOf, type DoneRuleChoice } from '../..';
import { ASSURED } from '../../../testing/assured';
import { HOUR, LogBuilder, onDay, type TestTank } from '../../../testing/logBuilder';
import { provenTank, zeros } from '../../../testing/provenTank';
import { cycleSentence } from '../words/cycleSentence';
import { redoseAdvice } from '../dosing/redose';
import { todaySentence } from '../words/todaySentence';
import type { Assurance } from './assurance';

const bands = bandsOf('mixedReef', {});
const DOUBTED: Assurance = { ...ASSURED, carries: 0.6, proof: 0.8 };

/** Dosed, seen, both at zero on day 20 and again on day 27: nothing is left but what knowledge withholds. */
function watched(choice: DoneRuleChoice, tank: Partial<TestTank> = {}): LogBuilder {
  const builder = new LogBuilder({ ...tank, doneRule: choice });
  builder.dose(onDay(1), 2, { substance: 'bacteria', amount: { by: 'mL', mL: 100 } });
  builder.dose(onDay(1), 1.6, {
    amount: { by: 'drops', drops: 32, dropMl: 0.05 },
    strength: { by: 'label', amount: 1, unit: 'drop', litres: 5, gives: 1, basis: 'ammonia N' },
  });
  builder.ammonia(onDay(2), 2);
  builder.nitrite(onDay(9), 2);
  for (const day of [20, 27]) {
    zeros(builder, onDay(day));
    builder.nitrate(onDay(day), 10);
  }
  builder.conditions(onDay(27));
  return builder;
}

const NOW = onDay(27, 18);
function told(builder: LogBuilder, at = NOW, assurance: Assurance | null = DOUBTED) {
  const history = tankHistory(builder.log(), builder.tankId, at);
  const verdict = verdictOf(history, at, bands, assurance);
  return {
    ...verdict,
    today: todaySentence(history, verdict, bands, null, at),
    cycle: cycleSentence(history, verdict),
    advice: redoseAdvice(history, null, at),
  };
}

const HELD: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 };

describe('one test to go', () => {
  it('asks for a dose of the first load, in the keeper’s own drops, with its hour and its chance', () => {
    const { word, proof, ready, today, cycle } = told(watched(HELD));
    expect({ word, ready }).toEqual({ word: 'one test to go', ready: false });
    expect(proof).toMatchObject({ step: 'dose', hours: 24, testAt: null, chance: 0.8 });
    expect(today.title).toBe('One test to go.');
    expect(today.detail).toMatch(/1 ppm NH4\*\*, 16 drops, pumps and heater on/);
    expect(today.detail).toMatch(/about 24 h later.*about 8 in 10.*No fish in the display/);
    expect(cycle).toEqual(today);
  });

  it('asks for the test of a dose that is in, by the moment, until it no longer counts', () => {
    const builder = watched(HELD);
    builder.dose(onDay(27, 19), 0.8);
    const running = told(builder, onDay(27, 20));
    expect(running.proof).toMatchObject({ step: 'test', testAt: onDay(28, 19) });
    expect(running.today.detail).toMatch(/was dosed\. Test ammonia and nitrite \*\*.*19:00/);
    expect(told(builder, onDay(28, 20)).today.detail).toMatch(/Test ammonia and nitrite \*\*now/);
    expect(told(builder, onDay(28, 22)).word).toBe('not yet');
  });

  it.each([
    [1, /16 drops, pumps/],
    // A drop of a strong bottle in a small tank would be more than the dose; hundreds are not counted.
    [20, /8 drops of your bottle diluted to ten times its volume, pumps/],
    [0.2, /78 drops or 3\.9 mL, pumps/],
  ])('is measured as it can be, of a bottle of which a drop gives %d ppm', (gives, words) => {
    const builder = watched(HELD);
    builder.dose(onDay(20, 20), 1.6, {
      amount: { by: 'drops', drops: 1, dropMl: 0.05 },
      strength: { by: 'label', amount: 1, unit: 'drop', litres: 5, gives, basis: 'ammonia N' },
    });
    expect(told(builder).today.detail).toMatch(words);
  });

  it('is ready once the test shows both gone and the forecast agrees', () => {
    const builder = watched(HELD);
    builder.dose(onDay(27, 19), 0.8);
    zeros(builder, onDay(28, 19));
    const { word, readyFor, today } = told(builder, onDay(28, 20), {
      ...ASSURED,
      carriesTwo: 0.5,
      carriesUntil: onDay(35),
    });
    expect({ word, readyFor }).toEqual({ word: 'ready', readyFor: 'one small fish' });
    expect(today.title).toBe('Ready for one small fish.');
    expect(today.detail).toMatch(
      /ammonia, 1 ppm NH4, every 3 days, the last at least 48 h before.*until about 6 Apr/,
    );
    expect(told(builder, onDay(28, 20), ASSURED).readyFor).toBe('two small fish or a pair');
  });

  it('that fails says what was gone, and asks for a test and no dose on top', () => {
    const builder = watched(HELD);
    builder.dose(onDay(27, 19), 0.8);
    builder.ammonia(onDay(28, 19), 0.25);
    builder.nitrite(onDay(28, 19), 0);
    const { word, today, advice } = told(builder, onDay(28, 20));
    expect(word).toBe('not yet');
    expect(today.title).toBe('Not yet.');
    expect(today.detail).toMatch(/^Of 1 ppm NH4 about 0\.8 ppm NH4 was gone: ammonia still read/);
    expect(today.detail).toMatch(/No dose now: test both tomorrow/);
    expect(advice).toMatchObject({ rise: 0, because: expect.stringMatching(/No dose now/) });
  });

  it('is not said where a dose hardly clears, before the forecast has answered, or short of alkalinity', () => {
    expect(told(watched(HELD), NOW, { ...DOUBTED, proof: 0.4 }).word).toBe('not yet');
    expect(told(watched(HELD), NOW, null).word).toBe('not yet');
    const soft = watched(HELD);
    soft.digital('alkalinityDrops', onDay(27, 15), 6.8);
    expect(told(soft).word).toBe('not yet');
    soft.digital('alkalinityDrops', onDay(27, 16), 7);
    expect(told(soft).word).toBe('one test to go');
  });

  it('waits for the days at zero, and for a test of what rots', () => {
    const early = watched({ rule: 'bothZeroHeld', daysAtZero: 14 });
    expect(told(early).word).toBe('not yet');
    const rotting = watched(HELD);
    rotting.entry(onDay(27, 15), { kind: 'organics', action: { what: 'prawnIn', grams: 30 } });
    expect(told(rotting).word).toBe('not yet');
  });

  it.each<[DoneRuleChoice, number]>([
    [{ rule: 'challenge', windowHours: 24 }, 2],
    [{ rule: 'challenge', windowHours: 48 }, 2],
    [{ rule: 'nitrateLevel' }, 1],
    [{ rule: 'bottleProgramme', programmeDays: 14 }, 1],
  ])('is always asked under %j, whatever the forecast makes of it', (choice, ppm) => {
    const { word, proof } = told(watched(choice), NOW, ASSURED);
    expect(word).toBe('one test to go');
    expect(proof?.rise).toBeCloseTo((ppm * 14.007) / 18.039, 2);
    expect(proof?.hours).toBe(choice.rule === 'challenge' ? choice.windowHours : 24);
    expect(told(provenTank(choice), onDay(28, 18), ASSURED).word).toBe('ready');
  });

  it('is not asked under the others where the forecast agrees', () => {
    expect(told(watched({ rule: 'bothZero' }), NOW, ASSURED).word).toBe('ready');
    expect(told(watched(HELD), NOW, ASSURED).word).toBe('ready');
  });

  it('counts a dose that was gone the second day for a load, and not for a challenge', () => {
    const slow = (choice: DoneRuleChoice) => {
      const builder = watched(choice);
      builder.dose(onDay(27, 19), 1.6);
      builder.ammonia(onDay(28, 19), 0.25);
      builder.nitrite(onDay(28, 19), 0);
      zeros(builder, onDay(29, 18));
      return told(builder, onDay(29, 19), ASSURED).word;
    };
    expect(slow({ rule: 'nitrateLevel' })).toBe('ready');
    expect(slow({ rule: 'challenge', windowHours: 24 })).toBe('one test to go');
  });
});

describe('a cycle that is done', () => {
  it('is not called ready on Cycle either while a lid is missing', () => {
    const builder = watched({ rule: 'bothZero' }, { lid: false });
    const { ready, today, cycle } = told(builder, NOW, ASSURED);
    expect(ready).toBe(false);
    expect(today.title).toBe('Cycled, but not ready for fish.');
    expect(cycle.detail).toMatch(/Before the first fish: Fit a lid or mesh\./);
    expect(cycle.detail).not.toMatch(/ready for/);
  });
});

describe('with an animal in', () => {
  it('the word is watch, and no voice asks for a dose, under any rule for done and any doubt', () => {
    const doneRules = fc.constantFrom<DoneRuleChoice>(
      { rule: 'bothZero' },
      HELD,
      { rule: 'challenge', windowHours: 24 },
      { rule: 'nitrateLevel' },
      { rule: 'bottleProgramme', programmeDays: 14 },
      { rule: 'algaeSuccession' },
    );
    const chance = fc.double({ min: 0, max: 1, noNaN: true });
    const group = fc.constantFrom('fish' as const, 'invertebrate' as const, 'coral' as const);
    fc.assert(
      fc.property(doneRules, chance, chance, group, (choice, carries, proof, kind) => {
        const builder = watched(choice);
        builder.entry(onDay(27, 14), { kind: 'animals', move: 'in', group: kind, what: 'One' });
        const said = told(builder, NOW, { ...ASSURED, carries, proof });
        if (!said.cycled) expect(said.word).toBe('watch');
        expect(said.proof).toBeNull();
        expect(said.advice.rise).toBe(0);
        for (const { settle, doses } of said.criteria) {
          expect(doses ? settle : '').not.toMatch(/^Dose/);
        }
        expect(said.today.detail).not.toMatch(/\bDose \*?\*?\d/);
      }),
      { numRuns: 60 },
    );
  });

  it('in a dose that no test has seen gone, says to get it out of there', () => {
    const builder = watched(HELD);
    builder.dose(onDay(27, 16), 0.8);
    builder.entry(onDay(27, 17), {
      kind: 'animals',
      move: 'in',
      group: 'invertebrate',
      what: 'Shrimp',
    });
    const said = told(builder);
    expect(said.word).toBe('watch');
    for (const { detail } of [said.today, said.cycle]) {
      expect(detail).toMatch(/1 ppm NH4 went in .*Test ammonia now.*move the animal.*Emergency/);
      expect(detail).not.toMatch(/Feed as usual/);
    }
    builder.ammonia(onDay(27, 17.5), 0);
    builder.nitrite(onDay(27, 17.5), 0);
    expect(told(builder).today.detail).toMatch(/Feed as usual/);
  });

  it('says watch first, and what is watched', () => {
    const builder = watched(HELD);
    builder.entry(onDay(27, 14), { kind: 'animals', move: 'in', group: 'fish', what: 'Clownfish' });
    expect(told(builder).today.title).toBe('Watch: an animal is in before the cycle is done.');
  });
});

describe('long absences, and a log begun in the middle', () => {
  it.each(['absent', 'begun in the middle'])(
    '%s: one test session, one dose, one test',
    (which) => {
      const builder =
        which === 'absent'
          ? watched({ rule: 'bothZero' })
          : new LogBuilder({ doneRule: { rule: 'bothZero' } });
      const from = onDay(160);
      zeros(builder, from);
      builder.conditions(from);
      const first = told(builder, from + HOUR);
      expect(first.word).toBe('one test to go');
      builder.dose(from + 2 * HOUR, 0.8);
      expect(told(builder, from + 3 * HOUR)).toMatchObject({ word: 'one test to go' });
      zeros(builder, from + 26 * HOUR);
      expect(told(builder, from + 27 * HOUR, ASSURED).word).toBe('ready');
    },
  );
});
