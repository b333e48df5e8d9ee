import fc from 'fast-check';
import { magnitude } from './magnitude';

describe('magnitude', () => {
  it.each([
    [0.05, -2],
    [35, 1],
    [1, 0],
    [0.3 - 0.2, -1],
    [-2500, 3],
    [0, 0],
  ])('%d', (value, power) => {
    expect(magnitude(value)).toBe(power);
  });

  it('is the power of ten that a value lies above', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -12, max: 12 }),
        fc.double({ min: 1, max: 9.99, noNaN: true }),
        (n, first) => {
          expect(magnitude(Number(`${first}e${n}`))).toBe(n);
        },
      ),
    );
  });
});
