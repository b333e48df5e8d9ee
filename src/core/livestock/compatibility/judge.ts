import { homeFindings } from './homeRules';
import { pairFindings } from './pairRules';
import type { Finding, Home, Lodger } from './types';

/** Those of one kind as one, wherever they come from: two entries of a solitary fish are two of it. */
function merged(lodgers: readonly Lodger[]): Lodger[] {
  const byId = new Map<string, Lodger>();
  for (const lodger of lodgers) {
    const known = byId.get(lodger.animal.id);
    const sizes = [known?.sizeCm, lodger.sizeCm].filter((size) => size !== undefined);
    byId.set(lodger.animal.id, {
      ...lodger,
      count: (known?.count ?? 0) + lodger.count,
      ...(sizes.length > 0 ? { sizeCm: Math.min(...sizes) } : {}),
      ...(known && known.together !== lodger.together ? { together: undefined } : {}),
    });
  }
  return [...byId.values()];
}

function bySeverity(a: Finding, b: Finding): number {
  return a.severity === b.severity ? 0 : a.severity === 'no' ? -1 : 1;
}

/**
 * Everything that stands against some animals living together in a tank, from their traits: what
 * forbids it first. In the order of the animals given.
 */
export function judgeTogether(lodgers: readonly Lodger[], home: Home): Finding[] {
  const all = merged(lodgers);
  return [
    ...all.flatMap((lodger) => homeFindings(lodger, home)),
    ...all.flatMap((a, i) => all.slice(i + 1).flatMap((b) => pairFindings(a, b, home))),
  ].sort(bySeverity);
}

/** What newcomers bring with them into a tank where others live already. */
export function judgeNewcomers(
  newcomers: readonly Lodger[],
  residents: readonly Lodger[],
  home: Home,
): Finding[] {
  const ids = new Set(newcomers.map(({ animal }) => animal.id));
  return judgeTogether([...residents, ...newcomers], home).filter(({ between }) =>
    between.some((id) => ids.has(id)),
  );
}
