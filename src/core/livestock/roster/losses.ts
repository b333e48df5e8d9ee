import { DAY_MS } from '../../time/zone';
import { countOf } from '../../units/format';
import type { Cohort } from './roster';

/** What losses have in common more often than chance would have it. */
export interface LossPattern {
  kind: 'source' | 'firstWeeks';
  text: string;
  /** Chance that as much, or more, would fall together by itself, 0 to 1. */
  odds: number;
}

/** A pattern is named when chance would make it less often than this. */
const NAMED_BELOW = 0.05;
/** Fewer losses than this show nothing. */
const FEWEST = 3;
const WEEKS = 3;

/**
 * Chance of drawing at least `k` marked ones when `drawn` are drawn of `all`, of which `marked` are
 * marked: the upper tail of the hypergeometric distribution (Fisher's exact test, one-sided). 1, which shows
 * nothing, where more are said to be drawn than there are, as in a log that lost more than ever came.
 */
export function atLeastByChance(k: number, drawn: number, marked: number, all: number): number {
  if (drawn > all || marked > all) return 1;
  const choose = (n: number, r: number): number => {
    if (r < 0 || r > n) return 0;
    let product = 1;
    for (let i = 1; i <= r; i += 1) product = (product * (n - r + i)) / i;
    return product;
  };
  let sum = 0;
  for (let i = k; i <= Math.min(drawn, marked); i += 1) {
    sum += choose(marked, i) * choose(all - marked, drawn - i);
  }
  return Math.min(1, sum / choose(all, drawn));
}

/**
 * Chance of at least `k` of `n` losses in a span that makes up a share of all the days lived: the
 * upper tail of the binomial distribution.
 */
export function atLeastOfShare(k: number, n: number, share: number): number {
  let sum = 0;
  let term = (1 - share) ** n;
  for (let i = 0; i <= n; i += 1) {
    if (i >= k) sum += term;
    term = share >= 1 ? (i + 1 === n ? 1 : 0) : (term * (n - i) * share) / ((i + 1) * (1 - share));
  }
  return Math.min(1, sum);
}

interface Loss {
  cohort: Cohort;
  at: number;
  count: number;
}

function lossesOf(cohorts: readonly Cohort[]): Loss[] {
  return cohorts.flatMap((cohort) =>
    cohort.events
      .filter(({ entry }) => entry.move === 'died' || entry.move === 'missing')
      .map(({ at, entry }) => ({ cohort, at, count: entry.count ?? 1 })),
  );
}

/** "1 in 40": odds as people say them. */
function oddsWords(odds: number): string {
  return `by chance about 1 time in ${Math.max(2, Math.round(1 / Math.max(odds, 1e-4)))}`;
}

function sourcePatterns(cohorts: readonly Cohort[], losses: readonly Loss[]): LossPattern[] {
  const all = cohorts.reduce((sum, cohort) => sum + (cohort.came ?? 1), 0);
  const lost = losses.reduce((sum, loss) => sum + loss.count, 0);
  const sources = new Set(cohorts.flatMap(({ source }) => source ?? []));
  // As many questions as there are sources: the odds are for any of them.
  return [...sources].flatMap((source): LossPattern[] => {
    const from = cohorts.filter((cohort) => cohort.source === source);
    const came = from.reduce((sum, cohort) => sum + (cohort.came ?? 1), 0);
    const died = losses
      .filter(({ cohort }) => cohort.source === source)
      .reduce((sum, loss) => sum + loss.count, 0);
    if (died < FEWEST || all > 400) return [];
    const odds = Math.min(1, atLeastByChance(died, lost, came, all) * sources.size);
    if (odds >= NAMED_BELOW) return [];
    return [
      {
        kind: 'source',
        odds,
        text: `${died} of the ${lost} lost came from ${source}, which ${came} of ${all} came from: ${oddsWords(odds)}.`,
      },
    ];
  });
}

/** Deaths in the first weeks more often than their share of all the days that animals lived. */
function firstWeeks(
  cohorts: readonly Cohort[],
  losses: readonly Loss[],
  at: number,
): LossPattern[] {
  const span = WEEKS * 7 * DAY_MS;
  let lived = 0;
  let early = 0;
  for (const cohort of cohorts) {
    const ends = cohort.events.filter(({ entry }) => entry.move !== 'in' && entry.move !== 'back');
    let number = cohort.came ?? 1;
    for (const { at: when, entry } of ends) {
      const left = Math.min(number, entry.count ?? number);
      lived += left * (when - cohort.arrivedAt);
      early += left * Math.min(span, when - cohort.arrivedAt);
      number -= left;
    }
    lived += number * (at - cohort.arrivedAt);
    early += number * Math.min(span, at - cohort.arrivedAt);
  }
  const lost = losses.reduce((sum, { count }) => sum + count, 0);
  const soon = losses
    .filter(({ cohort, at: when }) => when - cohort.arrivedAt <= span)
    .reduce((sum, { count }) => sum + count, 0);
  if (soon < FEWEST || lived <= 0) return [];
  const odds = atLeastOfShare(soon, lost, early / lived);
  if (odds >= NAMED_BELOW) return [];
  return [
    {
      kind: 'firstWeeks',
      odds,
      text: `${soon} of the ${lost} lost died within ${countOf(WEEKS, 'week')} of arrival, ${oddsWords(odds)}: look at how they travel, are acclimated and quarantined.`,
    },
  ];
}

/** Every loss, newest first, and a pattern in them where chance would hardly make it. */
export function lossesIn(
  cohorts: readonly Cohort[],
  at: number,
): {
  losses: { cohortId: string; what: string; at: number; count: number; cause?: string }[];
  patterns: LossPattern[];
} {
  const losses = lossesOf(cohorts);
  return {
    losses: cohorts
      .flatMap((cohort) =>
        cohort.events
          .filter(({ entry }) => entry.move === 'died' || entry.move === 'missing')
          .map(({ at: when, entry }) => ({
            cohortId: cohort.id,
            what: cohort.what,
            at: when,
            count: entry.count ?? 1,
            ...(entry.cause === undefined ? {} : { cause: entry.cause }),
          })),
      )
      .sort((a, b) => b.at - a.at),
    patterns: [...sourcePatterns(cohorts, losses), ...firstWeeks(cohorts, losses, at)],
  };
}
