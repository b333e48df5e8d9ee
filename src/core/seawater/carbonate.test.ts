import fc from 'fast-check';
import { carbonateConstants, phAfter } from './carbonate';

const REEF = { ph: 8.1, alkalinity: 2.5, celsius: 25, salinity: 35 };

describe('the carbonate system', () => {
  it('has the constants that its sources print for 25 °C and 35 ppt', () => {
    const { k1, k2, kb, kw } = carbonateConstants(25, 35);
    expect(-Math.log10(k1)).toBeCloseTo(5.8472, 3);
    expect(-Math.log10(k2)).toBeCloseTo(8.966, 3);
    expect(Math.log(kb)).toBeCloseTo(-19.7964, 3);
    expect(Math.log(kw)).toBeCloseTo(-30.434, 2);
  });

  it('half a meq: carbonate raises pH by about 0.3, bicarbonate hardly moves it, hydroxide raises it most', () => {
    const rise = (carbonEach: number) => phAfter(REEF, 0.5, carbonEach) - REEF.ph;
    expect(rise(0.5)).toBeGreaterThan(0.2);
    expect(rise(0.5)).toBeLessThan(0.4);
    expect(Math.abs(rise(1))).toBeLessThan(0.07);
    expect(rise(0)).toBeGreaterThan(rise(0.5) + 0.15);
  });

  it('nothing added leaves pH where it was, and more carbonate never lowers it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 7.6, max: 8.6, noNaN: true }),
        fc.double({ min: 1.5, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ph, alkalinity, added) => {
          const water = { ...REEF, ph, alkalinity };
          expect(phAfter(water, 0, 0.5)).toBeCloseTo(ph, 6);
          expect(phAfter(water, added, 0.5)).toBeGreaterThanOrEqual(ph - 1e-6);
        },
      ),
    );
  });
});
