import fc from 'fast-check';
import { columnsOf, tellable } from './pixels';

describe('what can be told apart', () => {
  it('is one tick for each column of pixels', () => {
    expect(columnsOf([3.2, -1, 3.4, 9, 401, 8.9], 0, 400)).toEqual([3, 9]);
    const many = Array.from({ length: 50_000 }, (_, i) => i / 125);
    expect(columnsOf(many, 0, 400).length).toBeLessThanOrEqual(401);
  });

  it('is every point where there is room, and at most four in a column where there is not', () => {
    const points = (count: number) =>
      Array.from({ length: count }, (_, x) => ({ x, y: Math.sin(x) }));
    expect(tellable(points(300), 300, ({ x }) => x)).toHaveLength(300);
    expect(tellable(points(50_000), 300, ({ x }) => (x * 300) / 50_000).length).toBeLessThan(1205);
  });

  it('keeps the ends, the extremes and what lies aside, and their order of columns', () => {
    const point = fc.record({ x: fc.nat(5000), y: fc.integer(), aside: fc.boolean() });
    fc.assert(
      fc.property(fc.array(point, { minLength: 30, maxLength: 400 }), (made) => {
        const points = [...made].sort((a, b) => a.x - b.x);
        const kept = tellable(points, 20, ({ x }) => x / 250);
        const on = (list: readonly (typeof points)[number][]) => list.filter((p) => !p.aside);
        const ys = (list: typeof points) => list.map(({ y }) => y);
        const [all, left] = [on(points), [...on(kept)]];
        expect(left[0]).toBe(all[0]);
        expect(left.at(-1)).toBe(all.at(-1));
        expect(Math.max(...ys(left))).toBe(Math.max(...ys(all)));
        expect(Math.min(...ys(left))).toBe(Math.min(...ys(all)));
        expect(kept.filter((p) => p.aside)).toEqual(points.filter((p) => p.aside));
        const columns = left.map(({ x }) => Math.round(x / 250));
        expect([...columns].sort((a, b) => a - b)).toEqual(columns);
      }),
    );
  });
});
