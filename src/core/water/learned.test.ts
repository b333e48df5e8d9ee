import fc from 'fast-check';
import { tankHistory } from '../history/derive';
import { SUMS, workOut } from '../sums';
import { tankFigures } from '../sums/fromTank';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { evaporationPerDay, minutesPerLitre, saltYield, wasteRatio, weighed } from './learned';

const of = (builder: LogBuilder) => tankHistory(builder.log(), builder.tankId);
const mix = (builder: LogBuilder, day: number, litres: number, grams: number, ppt?: number) =>
  builder.entry(onDay(day), {
    kind: 'saltMix',
    litres,
    grams,
    ...(ppt === undefined ? {} : { salinity: { value: ppt, unit: 'ppt' as const } }),
  });

describe('what a log teaches', () => {
  it('is nothing before there is an entry to learn from', () => {
    const history = of(new LogBuilder());
    for (const learn of [saltYield, minutesPerLitre, wasteRatio, evaporationPerDay]) {
      expect(learn(history)).toBeNull();
    }
    expect(weighed(history, 'saltCup')).toBeNull();
    expect(tankFigures(history).saltYield).toBeUndefined();
  });

  it('finds the yield of a salt whatever it was mixed to', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 50, noNaN: true }),
        fc.array(fc.double({ min: 10, max: 40, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (true_, targets) => {
          const builder = new LogBuilder();
          targets.forEach((ppt, i) => mix(builder, i, 20, (20 * true_ * ppt) / 35, ppt));
          expect(saltYield(of(builder))?.value).toBeCloseTo(true_, 6);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('takes no yield from a batch that nobody measured, nor from a slip', () => {
    const builder = new LogBuilder();
    mix(builder, 0, 20, 760);
    mix(builder, 1, 20, 7600, 35);
    expect(saltYield(of(builder))).toBeNull();
    mix(builder, 2, 20, 740, 35);
    expect(saltYield(of(builder))).toEqual({ value: 37, count: 1 });
  });

  it('times the purifier by its last five runs', () => {
    const builder = new LogBuilder();
    for (let day = 0; day < 7; day += 1) {
      const minutes = day < 2 ? 100 : 40;
      builder.entry(onDay(day), { kind: 'purified', litres: 10, minutes, waste: 25 });
    }
    expect(minutesPerLitre(of(builder))).toEqual({ value: 4, count: 5 });
    expect(wasteRatio(of(builder))).toEqual({ value: 2.5, count: 5 });
  });

  it('reads evaporation off what top-offs put back, whatever one of them was', () => {
    const builder = new LogBuilder();
    const topOff = (day: number, litres: number, salt = false) =>
      builder.entry(onDay(day), {
        kind: 'topOff',
        litres,
        ...(salt ? { salinity: { value: 35, unit: 'ppt' as const } } : {}),
      });
    topOff(0, 30);
    topOff(2, 3);
    expect(evaporationPerDay(of(builder))).toBeNull();
    topOff(3, 1.5);
    topOff(5, 3);
    topOff(6, 20);
    topOff(6, 12, true);
    topOff(8, 3);
    expect(evaporationPerDay(of(builder))).toEqual({ value: 1.5, count: 5 });
  });

  it('changes the sums, which say where the figure is from', () => {
    const builder = new LogBuilder();
    mix(builder, 0, 20, 800, 35);
    mix(builder, 1, 20, 800, 35);
    builder.entry(onDay(1), { kind: 'weighing', what: 'saltCup', count: 2, amount: 500 });
    builder.entry(onDay(1), { kind: 'weighing', what: 'drop', count: 20, amount: 0.8 });
    const figures = tankFigures(of(builder));
    expect(figures.saltYield).toEqual({ value: 40, from: 'learned from 2 mixings' });
    expect(figures.saltCup).toEqual({ value: 250, from: 'learned from 1 weighing' });
    expect(figures.drop?.value).toBe(0.04);
    const sum = SUMS.find(({ id }) => id === 'salt-mix');
    if (!sum) throw new Error('no sum');
    const { answer, also } = workOut(sum, { litres: 10, yield: 40, cup: 250 });
    expect(answer).toBeCloseTo(400, 9);
    expect(also?.find(({ label }) => label === 'In cups')?.value).toBeCloseTo(1.6, 9);
  });
});
