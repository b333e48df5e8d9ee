import { bandsOf, tankHistory, verdictOf, type CriterionId } from '../../..';
import { ASSURED } from '../../../../testing/assured';
import { LogBuilder, onDay } from '../../../../testing/logBuilder';
import { redoseAdvice } from '../../dosing/redose';
import { noDoseBecause } from '../outstanding';

// A nitrite kit that is dead reads zero for ever: the balance of what went in finds it.

const bands = bandsOf('mixedReef', {});
const NOW = onDay(40, 18);

/** Dosed three times, about 5 mg N/L in all; nitrite read 0.5 once and then zero; nitrate as told. */
function dosedThrice({ nitrate, seenTwice = false }: { nitrate?: number; seenTwice?: boolean }) {
  const builder = new LogBuilder({ doneRule: { rule: 'bothZero' } });
  for (const day of [1, 10, 20]) builder.dose(onDay(day), 2);
  builder.ammonia(onDay(2), 2);
  builder.nitrite(onDay(5), 0.5);
  if (seenTwice) builder.nitrite(onDay(8), 2);
  for (const day of [9, 13, 17, 22, 26, 30, 34, 37, 40]) {
    builder.ammonia(onDay(day), 0);
    builder.nitrite(onDay(day), 0);
    if (nitrate !== undefined) builder.nitrate(onDay(day), nitrate);
  }
  builder.conditions(onDay(40));
  return builder;
}

function judged(builder: LogBuilder) {
  const history = tankHistory(builder.log(), builder.tankId, NOW);
  const verdict = verdictOf(history, NOW, bands, ASSURED);
  const of = (id: CriterionId) => verdict.criteria.find((criterion) => criterion.id === id);
  return { history, ready: verdict.ready, accounted: of('accounted') };
}

describe('what went in', () => {
  it('is missing where a dead kit reads nitrite at zero, and the kits are doubted by name', () => {
    const { history, ready, accounted } = judged(dosedThrice({ nitrate: 0 }));
    expect(ready).toBe(false);
    expect(accounted?.state).toBe('cannot tell');
    expect(accounted?.because).toMatch(/dead nitrite kit.*nitrate test whose powder/);
    expect(accounted?.settle).toMatch(/nitrate powder for a full minute/);
    expect(accounted?.how).toMatch(/never into a tank/);
    // Nobody is told to handle nitrite salt, and no dose goes on top of what may stand there.
    expect(`${accounted?.settle} ${accounted?.how}`).not.toMatch(/nitrite salt|sodium nitrite/i);
    expect(noDoseBecause(history, NOW)).toMatch(/^No ammonia now\. About/);
    expect(redoseAdvice(history, null, NOW)).toMatchObject({ rise: 0 });
  });

  it('is found as nitrate', () => {
    const { history, ready, accounted } = judged(dosedThrice({ nitrate: 20 }));
    expect(accounted?.state).toBe('met');
    expect(ready).toBe(true);
    expect(noDoseBecause(history, NOW)).toBeNull();
  });

  it('blocks no keeper who never tests nitrate', () => {
    expect(judged(dosedThrice({}))).toMatchObject({ ready: true, accounted: { state: 'met' } });
  });

  it('is accounted for where nitrite was seen to come by more than one vial', () => {
    const { ready, accounted } = judged(dosedThrice({ nitrate: 0, seenTwice: true }));
    expect(accounted).toMatchObject({ state: 'met' });
    expect(ready).toBe(true);
  });

  it('is settled by another kit that reads the same zero, and by new water alone', () => {
    const shop = dosedThrice({ nitrate: 0 });
    shop.card('nitriteCard', onDay(40, 13), 0, { kit: { name: 'The shop’s test' } });
    expect(judged(shop).accounted?.state).toBe('met');
    const changed = dosedThrice({ nitrate: 0 });
    changed.entry(onDay(36), { kind: 'waterChange', litres: 95, newWater: {} });
    expect(judged(changed).accounted?.state).toBe('met');
  });
});

describe('no dose', () => {
  it('beside a prawn that rots, whatever tests read', () => {
    const builder = dosedThrice({ nitrate: 20 });
    builder.entry(onDay(39), { kind: 'organics', action: { what: 'prawnIn', grams: 30 } });
    const { history } = judged(builder);
    expect(noDoseBecause(history, NOW)).toMatch(/prawn .* is still rotting/);
    expect(redoseAdvice(history, null, NOW).rise).toBe(0);
  });

  it('where an animal is missing, which may rot where nobody finds it, for as long as it would', () => {
    const missing = (day: number) => {
      const builder = dosedThrice({ nitrate: 20 });
      builder.entry(onDay(day), { kind: 'animals', move: 'missing', group: 'fish', what: 'Goby' });
      return noDoseBecause(judged(builder).history, NOW);
    };
    expect(missing(39)).toMatch(/^No ammonia now: Goby, missing since .* may be rotting/);
    expect(missing(30)).toBeNull();
  });

  it('with any animal in', () => {
    for (const group of ['fish', 'invertebrate', 'coral'] as const) {
      const builder = dosedThrice({ nitrate: 20 });
      builder.entry(onDay(39), { kind: 'animals', move: 'in', group, what: 'One' });
      expect(noDoseBecause(judged(builder).history, NOW)).toMatch(/^Add no ammonia/);
    }
  });
});
