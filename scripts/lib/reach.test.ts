import { reachOf, takenBy } from './reach';

describe('what a folder runs', () => {
  it.each([
    ["import { a } from './a';", ['./a']],
    ["import {\n  a,\n  type B,\n} from './a';", ['./a']],
    ["import './a';", ['./a']],
    ["export * from './a';", ['./a']],
    ["export { a } from './a';", ['./a']],
    ["const { a } = await import('./a');", ['./a']],
    ["import type { A } from './a';", []],
    ["export type { A } from './a';", []],
    ["type A = typeof import('./a');", []],
  ])('is followed through %j', (source, taken) => {
    expect(takenBy(source)).toEqual(taken);
  });

  const reached = reachOf('src/core/practice');

  it('is its own files and what they import, and what those do', () => {
    expect(reached).toContain('src/core/practice/world/hour.ts');
    expect(reached).toContain('src/core/math/exact.ts');
    // Two steps away: the conversions of the records, by what is read of an entry.
    expect(reached).toContain('src/core/units/format.ts');
    expect(reached).toContain('src/core/time/zone.ts');
  });

  it('is no test, nothing that is taken for its types alone, and nothing above the core', () => {
    expect(reached.filter((file) => file.endsWith('.test.ts'))).toEqual([]);
    expect(reached.filter((file) => !file.startsWith('src/core/'))).toEqual([]);
    // Forecasts are compared with it afterwards, by others.
    expect(reached.filter((file) => file.includes('/cycle/inference/'))).toEqual([]);
  });
});
