import fc from 'fast-check';
import { linePath, scaleBetween, spreadLabels, ticksFor } from './maths';

describe('chart maths', () => {
  it('maps one range onto another and back', () => {
    const there = scaleBetween([0, 10], [100, 0]);
    expect(there(0)).toBe(100);
    expect(there(10)).toBe(0);
    expect(scaleBetween([100, 0], [0, 10])(there(3))).toBeCloseTo(3, 9);
    expect(scaleBetween([5, 5], [1, 2])(5)).toBe(1);
  });

  it('draws straight lines', () => {
    expect(
      linePath([
        [0, 0],
        [10.04, 5],
      ]),
    ).toBe('M0 0L10 5');
    expect(linePath([])).toBe('');
  });

  it('keeps labels apart, in their order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 200, noNaN: true }), { maxLength: 5 }),
        (ys) => {
          const placed = spreadLabels(ys, 17, 0, 200);
          const sorted = [...placed].sort((a, b) => a - b);
          for (let i = 1; i < sorted.length; i += 1) {
            expect((sorted[i] ?? 0) - (sorted[i - 1] ?? 0)).toBeGreaterThanOrEqual(17 - 1e-9);
          }
        },
      ),
    );
  });

  it('ticks at round values within the range, not too many', () => {
    const range = fc.tuple(
      fc.double({ min: -100, max: 100, noNaN: true }),
      fc.double({ min: 0.01, max: 500, noNaN: true }),
    );
    fc.assert(
      fc.property(range, ([low, length]) => {
        const ticks = ticksFor(low, low + length);
        expect(ticks.length).toBeGreaterThan(0);
        expect(ticks.length).toBeLessThanOrEqual(7);
        for (const tick of ticks) {
          expect(tick).toBeGreaterThanOrEqual(low - length * 1e-6);
          expect(tick).toBeLessThanOrEqual(low + length * 1.000001);
        }
      }),
    );
  });
});
