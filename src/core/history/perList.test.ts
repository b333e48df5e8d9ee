import fc from 'fast-check';
import { inPlace } from '../math/sorted';
import { allBut, only, placesOf } from './perList';

interface Item {
  at: number;
  odd: boolean;
}

const edits = fc.array(
  fc.record({ put: fc.boolean(), at: fc.integer({ min: 0, max: 40 }), odd: fc.boolean() }),
  { maxLength: 40 },
);

test('what is known of a list goes on through any acts as if the list were looked through anew', () => {
  fc.assert(
    fc.property(edits, (acts) => {
      const [places, odd, even] = [placesOf(isOdd), only(isOdd), allBut(isOdd)];
      let list: readonly Item[] = [];
      for (const act of acts) {
        list = act.put
          ? inPlace(list, [{ at: act.at, odd: act.odd }], (a, b) => a.at - b.at)
          : list.filter((_, place) => place !== act.at % Math.max(1, list.length));
        expect(places(list)).toEqual(list.flatMap((item, place) => (item.odd ? [place] : [])));
        expect(odd(list)).toEqual(list.filter(isOdd));
        expect(even(list)).toEqual(list.filter((item) => !item.odd));
      }
      expect(list.map(({ at }) => at)).toEqual(list.map(({ at }) => at).sort((a, b) => a - b));
    }),
  );
});

test('after an act only what is new is looked at, and a list that all pass is itself', () => {
  let looks = 0;
  const list = Array.from({ length: 1000 }, (_, at) => ({ at, odd: false }));
  const places = placesOf((item: Item) => {
    looks += 1;
    return item.odd;
  });
  expect(places(list)).toEqual([]);
  expect(looks).toBe(1000);
  expect(places(inPlace(list, [{ at: 500, odd: true }], (a, b) => a.at - b.at))).toEqual([500]);
  expect(looks).toBe(1001);
  expect(allBut(isOdd)(list)).toBe(list);
});

function isOdd(item: Item): boolean {
  return item.odd;
}
