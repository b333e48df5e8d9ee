import { atOnce, bottled, cycling, eaten, freeShare, proved } from './drawings/cycling';
import type { PageDrawing } from './drawings/drawing';
import { atTheEnd, changes, dripping, gravity, inIt, litreGone, saltLost } from './drawings/water';

export type { PageDrawing };

/** By the page that it stands on. */
export const PAGE_DRAWINGS: ReadonlyMap<string, () => PageDrawing> = new Map([
  ['size', litreGone],
  ['salinity', gravity],
  ['litres', inIt],
  ['how-long', cycling],
  ['which-ammonia', freeShare],
  ['bottles', bottled],
  ['nitrite-stuck', cycling],
  ['ready', proved],
  ['big-change', atTheEnd],
  ['how-many', atOnce],
  ['bag', dripping],
  ['how-often', changes],
  ['salinity-fell', saltLost],
  ['alkalinity-fell', eaten],
]);

/** What a page shows; null for one that shows nothing. */
export function pageDrawing(page: string): PageDrawing | null {
  return PAGE_DRAWINGS.get(page)?.() ?? null;
}
