import fc from 'fast-check';
import { inPlace } from './sorted';

const byNumber = (a: number, b: number) => a - b;

test('items in their places are what sorting all of them gives, and the list is left as it was', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(50)), fc.array(fc.nat(50)), (some, items) => {
      const list = some.toSorted(byNumber);
      const before = [...list];
      expect(inPlace(list, items, byNumber)).toEqual([...list, ...items].sort(byNumber));
      expect(list).toEqual(before);
    }),
  );
});
