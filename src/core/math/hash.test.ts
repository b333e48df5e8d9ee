import fc from 'fast-check';
import * as z from 'zod';
import { derivedId, partId } from './hash';

const uuid7 = fc.uuid({ version: 7 });
const parts = fc.uniqueArray(fc.integer({ min: 1, max: 4095 }), { minLength: 2, maxLength: 40 });

describe('ids made from others', () => {
  it('are the same each time, differ from each other, and are read as ids', () => {
    fc.assert(
      fc.property(uuid7, parts, (act, ns) => {
        const ids = ns.map((n) => partId(act, n));
        expect(ids).toEqual(ns.map((n) => partId(act, n)));
        expect(new Set(ids).size).toBe(ns.length);
        for (const id of [...ids, derivedId(act)])
          expect(z.uuid().safeParse(id).success).toBe(true);
      }),
    );
  });

  it('are what they were when the first logs and sheets were written with them', () => {
    // Known again by these: another way of making them would bring every row of a sheet in once more.
    expect(derivedId('')).toBe('d7d009e1-67fc-8425-987c-a4bf1ac791d3');
    expect(derivedId('sheet/1')).toBe('e0f81449-44f1-8410-8d16-64127ec93777');
    expect(derivedId('Ünïcödé \u{1F420}')).toBe('eee730f9-f311-8b04-b11c-b2cd54fdf251');
  });

  it('come in the order of their acts, and of their parts within one', () => {
    fc.assert(
      fc.property(uuid7, parts, (act, ns) => {
        const rising = [...ns].sort((a, b) => a - b).map((n) => partId(act, n));
        expect([...rising].sort()).toEqual(rising);
      }),
    );
    const [earlier, later] = [
      '01890000-0000-7fff-bfff-ffffffffffff',
      '01890000-0001-7000-8000-000000000000',
    ];
    expect(partId(earlier, 4095) < partId(later, 1)).toBe(true);
  });
});
