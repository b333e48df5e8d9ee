import fc from 'fast-check';
import { holds, missing, withRange, type Ranges } from './ranges';

const range = fc
  .tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 9 }))
  .map(([from, more]) => [from, from + more] as const);
const numbersOf = (ranges: Ranges): number[] =>
  ranges.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, n) => from + n));

it('ranges hold what was put in, once, apart and rising, in whatever order it came', () => {
  fc.assert(
    fc.property(fc.array(range, { maxLength: 12 }), (put) => {
      const ranges = put.reduce<Ranges>((all, [from, to]) => withRange(all, from, to), []);
      const wanted = [...new Set(numbersOf(put))].sort((a, b) => a - b);
      expect(numbersOf(ranges)).toEqual(wanted);
      ranges.forEach(([from], n) => expect(from).toBeGreaterThan((ranges[n - 1]?.[1] ?? -1) + 1));
      for (let number = 0; number <= 72; number += 1)
        expect(holds(ranges, number)).toBe(wanted.includes(number));
    }),
  );
});

it('what they lack of a range is the rest of it', () => {
  fc.assert(
    fc.property(fc.array(range, { maxLength: 12 }), range, (put, [from, to]) => {
      const ranges = put.reduce<Ranges>((all, [low, high]) => withRange(all, low, high), []);
      const lacks = numbersOf(missing(ranges, from, to));
      expect(lacks).toEqual(numbersOf([[from, to]]).filter((number) => !holds(ranges, number)));
    }),
  );
});
