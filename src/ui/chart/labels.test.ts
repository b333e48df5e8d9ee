import fc from 'fast-check';
import { isWhole, spreadLabels } from './labels';

describe('labels at the ends of lines', () => {
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
});

describe('a label around its place', () => {
  it('is left out where an edge would cut it off', () => {
    // Five letters, of which two and a half stand on each side.
    expect(isWhole('06:00', 343, 42, 358)).toBe(false);
    expect(isWhole('06:00', 55, 42, 358)).toBe(false);
    expect(isWhole('06:00', 340, 42, 358)).toBe(true);
    expect(isWhole('06:00', 60, 42, 358)).toBe(true);
  });
});
