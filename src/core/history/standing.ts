import { ANIMAL_GROUPS, joins, type AnimalGroup } from '../records/kinds/animals';
import type { TankEntries } from './logged';

/** What is so with a tank at the moment its history ends, by the entries that say so. */
export interface Standing {
  /** When it was filled, ms; null while it is empty. */
  filledAt: number | null;
  /** Since when the keeper says it runs, ms; null for one that is watched through its cycle. */
  runningSince: number | null;
  /** When it was taken down, ms; null while it stands. */
  closedAt: number | null;
  lid: boolean;
  /** When the heater was last checked against a thermometer, ms. */
  heaterVerifiedAt: number | null;
  lit: boolean;
  /** Since when fish are in without a break, ms; null without any. */
  fishSince: number | null;
  /** Since when there is an animal of any group without a break, ms; null without any. */
  animalsSince: number | null;
}

/** Since when there are animals of a group without a break: where nobody counted, some leaving means all did. */
function groupSince(entries: TankEntries, group: AnimalGroup): number | null {
  let since: number | null = null;
  let number = 0;
  for (const { at, entry } of entries.animals) {
    if (entry.group !== group) continue;
    if (joins(entry.move)) {
      since ??= at;
      number += entry.count ?? 1;
    } else number = entry.count === undefined ? 0 : Math.max(0, number - entry.count);
    if (number === 0) since = null;
  }
  return since;
}

/** Since when there is an animal of any group, ms; null without any. */
function animalsSince(entries: TankEntries): number | null {
  const since = ANIMAL_GROUPS.flatMap((group) => groupSince(entries, group) ?? []);
  return since.length > 0 ? Math.min(...since) : null;
}

/** When it was taken down, ms; null where it was filled or ran again since. */
function closedAt({ closed, filled, running }: TankEntries): number | null {
  const at = closed.at(-1)?.at ?? null;
  const again = Math.max(filled.at(-1)?.at ?? -Infinity, running.at(-1)?.at ?? -Infinity);
  return at !== null && again <= at ? at : null;
}

/** Reads off what stands from entries in order of time. */
export function standingOf(entries: TankEntries): Standing {
  return {
    filledAt: entries.filled.at(-1)?.at ?? null,
    runningSince: entries.running.at(-1)?.at ?? null,
    closedAt: closedAt(entries),
    lid: entries.lid.at(-1)?.entry.fitted ?? false,
    heaterVerifiedAt: entries.heaterCheck.at(-1)?.at ?? null,
    lit: entries.light.at(-1)?.entry.state === 'on',
    fishSince: groupSince(entries, 'fish'),
    animalsSince: animalsSince(entries),
  };
}
