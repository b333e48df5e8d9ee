import fc from 'fast-check';
import { LEVELS, NONE } from './block';
import { drawnOf, levelFor, panned, zoomed, type View } from './view';

const HOUR = 3_600_000;
const NOW = Date.parse('2026-03-02T12:00:00Z');
const view: fc.Arbitrary<View> = fc
  .tuple(fc.integer({ min: 0, max: 700 * 24 }), fc.integer({ min: 1, max: 700 * 24 }))
  .map(([back, hours]) => ({ from: NOW - (back + hours) * HOUR, to: NOW - back * HOUR }));

it('a view is drawn from the finest level that fits its pixels', () => {
  fc.assert(
    fc.property(view, fc.integer({ min: 200, max: 2000 }), (seen, pixels) => {
      const level = levelFor(seen, pixels);
      const places = (of: number) => (seen.to - seen.from) / 60_000 / of;
      const finer = LEVELS[LEVELS.indexOf(level) - 1];
      if (level !== 360) expect(places(level)).toBeLessThanOrEqual(pixels);
      if (finer) expect(places(finer)).toBeGreaterThan(pixels);
    }),
  );
  expect(levelFor({ from: NOW - 24 * HOUR, to: NOW }, 390)).toBe(10);
  expect(levelFor({ from: NOW - 365 * 24 * HOUR, to: NOW }, 1280)).toBe(360);
});

it('is moved by its own length and comes back, but not far beyond now', () => {
  fc.assert(
    fc.property(view, fc.double({ min: -2, max: 0, noNaN: true }), (seen, share) => {
      const there = panned(seen, share, NOW);
      expect(there.to - there.from).toBeCloseTo(seen.to - seen.from, 3);
      expect(panned(there, -share, NOW).from).toBeCloseTo(seen.from, 0);
      expect(panned(seen, 50, NOW).to).toBeLessThanOrEqual(NOW + 0.05 * (seen.to - seen.from) + 1);
    }),
  );
});

it('grows and shrinks about a moment that stays, within an hour and two years', () => {
  fc.assert(
    fc.property(view, fc.double({ min: 0.1, max: 10, noNaN: true }), (seen, factor) => {
      const about = (seen.from + seen.to) / 2;
      const there = zoomed(seen, factor, about, NOW);
      const length = there.to - there.from;
      expect(length).toBeGreaterThanOrEqual(HOUR - 1);
      expect(length).toBeLessThanOrEqual(2 * 365 * 24 * HOUR + 1);
      if (there.to < NOW) expect((there.from + there.to) / 2).toBeCloseTo(about, 0);
    }),
  );
});

it('gaps are drawn as gaps: once, and never as a line', () => {
  const values = Int16Array.from([NONE, 2500, NONE, NONE, 2510, NONE]);
  const points = drawnOf('temperature', { level: 1, first: 100, values });
  expect(points.map(({ middle }) => middle)).toEqual([25, null, 25.1, null]);
  const three = Int16Array.from([2400, 2500, 2600, NONE, NONE, NONE]);
  expect(drawnOf('temperature', { level: 60, first: 0, values: three })[0]).toEqual({
    at: 30 * 60_000,
    least: 24,
    middle: 25,
    most: 26,
  });
});
