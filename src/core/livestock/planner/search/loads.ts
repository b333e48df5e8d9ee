import { DAY_MS, daysBetween } from '../../../time/zone';
import { cohortNitrogen, type Finder } from '../../roster/lodgers';
import type { StockFacts } from '../facts';
import { HORIZON, MONTH } from '../dates/span';

/** Nitrogen of those who live there, mg a day, grown day by day; index 0 is a month before today. */
export function residentLoads(facts: StockFacts, today: number, scale: number, find: Finder) {
  const all = new Float64Array(MONTH + HORIZON + 1);
  const fish = new Float64Array(MONTH + HORIZON + 1);
  for (const cohort of facts.cohorts) {
    const arrived = daysBetween(today, cohort.arrivedAt, facts.zone);
    for (let i = Math.max(0, arrived + MONTH); i < all.length; i += 1) {
      const own = scale * cohortNitrogen(cohort, today + (i - MONTH) * DAY_MS, find);
      all[i] = (all[i] as number) + own;
      if (cohort.group === 'fish') fish[i] = (fish[i] as number) + own;
    }
  }
  return { all, fish };
}

/** How far what is fed may lie from what bodies need before it is no guide to them. */
const SCALE = { least: 0.4, most: 3 };

/** What is fed against what bodies would need: 1 where nobody logged the food. */
export function fedScale(facts: StockFacts, find: Finder): number {
  const bodies = facts.cohorts.reduce(
    (sum, cohort) => sum + cohortNitrogen(cohort, facts.at, find),
    0,
  );
  if (facts.fed === null || bodies <= 0) return 1;
  return Math.min(SCALE.most, Math.max(SCALE.least, facts.fed / bodies));
}
