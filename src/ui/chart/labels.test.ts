import fc from 'fast-check';
import { spreadLabels } from './labels';

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
