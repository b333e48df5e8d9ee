import type { TankHistory } from '../history/tankHistory';
import type { Growth } from '../records/kinds/sighting';
import { DAY_MS } from '../time/zone';

/** The stages of the algae succession, in order; each was seen at the moment given. */
export interface Succession {
  /** First diatoms, ms. */
  diatoms: number | null;
  /** First green, film or hair, at or after the diatoms. */
  green: number | null;
  /** When the growth had levelled: what was seen last is no more than it was, or gone. */
  level: number | null;
  /** Entries it rests on. */
  ids: string[];
}

const EXTENT_ORDER = { none: 0, trace: 1, patches: 2, covering: 3 } as const;
const GREEN: readonly Growth[] = ['film', 'hair'];
/** Green that has not spread for this long has levelled. */
export const LEVEL_AFTER_DAYS = 7;

/** What the sightings of a history show of the succession: diatoms, then green, then a level stand. */
export function successionOf(history: TankHistory): Succession {
  const seen = history.entries.sighting.filter(({ entry }) => entry.extent !== 'none');
  const diatoms = seen.find(({ entry }) => entry.growth === 'diatoms');
  const none: Succession = { diatoms: null, green: null, level: null, ids: [] };
  if (!diatoms) return none;
  const green = seen.find(({ at, entry }) => at >= diatoms.at && GREEN.includes(entry.growth));
  if (!green) return { ...none, diatoms: diatoms.at, ids: [diatoms.id] };
  const after = history.entries.sighting.filter(
    ({ at, entry }) => at > green.at && GREEN.includes(entry.growth),
  );
  const level = after.find(({ at, entry }) => {
    if (at - green.at < LEVEL_AFTER_DAYS * DAY_MS) return false;
    const before = history.entries.sighting
      .filter((s) => s.at < at && s.at >= green.at && s.entry.growth === entry.growth)
      .at(-1);
    return before ? EXTENT_ORDER[entry.extent] <= EXTENT_ORDER[before.entry.extent] : false;
  });
  const ids = [diatoms.id, green.id, ...(level ? [level.id] : [])];
  return { diatoms: diatoms.at, green: green.at, level: level?.at ?? null, ids };
}

/** How many of the three stages were seen. */
export function stagesSeen(succession: Succession): number {
  return [succession.diatoms, succession.green, succession.level].filter((at) => at !== null)
    .length;
}
