import type { Logged, TankHistory } from '../../history/tankHistory';
import { entryTitle } from '../../records/kinds';
import { PARAMETER_IDS, type ParameterId } from '../../parameters/registry';
import type { Reading } from '../../history/reading';
import { shortDay } from '../../time/words';

/** Rock and media taken out up to this share, all together, leave the colony what it was. */
const LITTLE_TAKEN = 0.1;

/** The moment since which no more than a little of the rock and media was taken out. */
function lastTaken(history: TankHistory): Logged | null {
  let kept = 1;
  for (const moved of [...history.entries.media].reverse()) {
    if (moved.entry.move.to !== 'out') continue;
    kept *= 1 - moved.entry.move.share;
    if (kept < 1 - LITTLE_TAKEN) return moved;
  }
  return null;
}

/** The last entry that may have harmed the colony, or taken a part of it away. */
export function lastHarm(history: TankHistory): Logged | null {
  const treated = history.entries.treatment.at(-1) ?? null;
  const taken = lastTaken(history);
  if (!treated || !taken) return treated ?? taken;
  return treated.at >= taken.at ? treated : taken;
}

/** "Bleach on 30 Mar may have harmed the colony; what was shown before it no longer counts." */
export function harmWords(harm: Logged, zone: string): string {
  return `${entryTitle(harm.entry)} on ${shortDay(harm.at, zone)} may have harmed the colony; what was shown before it no longer counts.`;
}

/** What a history still shows. */
export interface Shown {
  history: TankHistory;
  /** What voided everything before it; null when nothing did. */
  harm: Logged | null;
}

const known = new WeakMap<TankHistory, Shown>();

/**
 * A history without what something that may have harmed the colony has voided: the readings, doses,
 * changes of water and sightings before it. Facts of the tank, and what was put in, stay facts.
 */
export function stillShown(history: TankHistory): Shown {
  const before = known.get(history);
  if (before) return before;
  const harm = lastHarm(history);
  const shown = { history: harm ? since(history, harm.at) : history, harm };
  known.set(history, shown);
  return shown;
}

function since(history: TankHistory, moment: number): TankHistory {
  const after = <T extends { at: number }>(list: readonly T[]) =>
    list.filter((item) => item.at > moment);
  const readings: Partial<Record<ParameterId, Reading[]>> = {};
  for (const id of PARAMETER_IDS) readings[id] = after(history.readings[id]);
  const { entries } = history;
  return {
    ...history,
    readings: readings as TankHistory['readings'],
    entries: {
      ...entries,
      dose: after(entries.dose),
      waterChange: after(entries.waterChange),
      organics: after(entries.organics),
      feed: after(entries.feed),
      sighting: after(entries.sighting),
    },
  };
}
