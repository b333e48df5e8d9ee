import { shortDay } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import type { PlanItem } from './types';

/** "± 4 days", "to 5 Jan": how far a date of the plan may lie off. */
export function spreadWords({ addOn }: PlanItem, zone: string): string {
  const { p10, p50, p90 } = addOn;
  if (p90 === null) return 'or much later';
  const later = Math.round((p90 - p50) / DAY_MS);
  const sooner = p10 === null ? 0 : Math.round((p50 - p10) / DAY_MS);
  if (later <= 0 && sooner <= 0) return '';
  if (Math.abs(later - sooner) <= 2) return `± ${Math.max(later, sooner)} days`;
  return sooner > 1
    ? `${shortDay(p10 ?? p50, zone)} to ${shortDay(p90, zone)}`
    : `to ${shortDay(p90, zone)}`;
}
