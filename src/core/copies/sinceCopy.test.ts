import fc from 'fast-check';
import { DAY_MS } from '../time/zone';
import { copyState } from './sinceCopy';

const NOW = 1_800_000_000_000;

describe('what a forgetful browser would lose', () => {
  it('is everything where there is no copy, and what came since where there is one', () => {
    expect(copyState(40, null, NOW)).toEqual({ changes: 40, at: null, due: false });
    expect(copyState(140, null, NOW).due).toBe(true);
    expect(copyState(140, { at: NOW - DAY_MS, size: 100 }, NOW)).toEqual({
      changes: 40,
      at: NOW - DAY_MS,
      due: false,
    });
    expect(copyState(140, { at: NOW - 31 * DAY_MS, size: 100 }, NOW).due).toBe(true);
    expect(copyState(110, { at: NOW - 310 * DAY_MS, size: 100 }, NOW).due).toBe(false);
  });

  it('is not made good by a copy of what was erased since', () => {
    expect(copyState(120, { at: NOW, size: 500 }, NOW)).toEqual({
      changes: 120,
      at: null,
      due: true,
    });
  });

  it('never shrinks while the log grows, and is nothing right after a copy', () => {
    const size = fc.integer({ min: 0, max: 1000 });
    fc.assert(
      fc.property(size, size, fc.integer({ min: 0, max: 400 }), (first, more, days) => {
        const copy = { at: NOW - days * DAY_MS, size: first };
        expect(copyState(first, copy, NOW).changes).toBe(0);
        expect(copyState(first, copy, NOW).due).toBe(false);
        expect(copyState(first + more, copy, NOW).changes).toBe(more);
      }),
    );
  });
});
