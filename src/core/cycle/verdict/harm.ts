import { effectContext, type TankHistory } from '../../history/tankHistory';
import { cycleEffect, ENTRY_KINDS, entryTitle, type EntryKind } from '../../records/kinds';
import type { FilterBacteriaEffect } from '../../records/kinds/effect';
import { HARMING, waterHarm } from '../../records/kinds/waterHarm';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import { readingWords, type Reading } from '../../history/reading';
import { shortDay } from '../../time/words';

/** Something that was done to filter bacteria, or that its water did. */
export interface Harm {
  id: string;
  at: number;
  kind: EntryKind;
  /** What it was, for the beginning of a sentence. */
  what: string;
  effect: FilterBacteriaEffect;
}

/** Rock and media taken out up to this share, all together, leave the filter bacteria what it was. */
const LITTLE_TAKEN = 0.1;

/** What water did to the filter bacteria, by readings: looked for in those parameters alone that can do anything. */
function harmsByWater(history: TankHistory): Harm[] {
  return HARMING.flatMap((parameter) =>
    history.readings[parameter].flatMap((reading): Harm[] => {
      const effect = reading.counts ? waterHarm(parameter, reading.best).filterBacteria : undefined;
      const what = `${PARAMETERS[parameter].name} of ${readingWords(reading)}`;
      const { id, at } = reading;
      return effect ? [{ id, at, kind: 'reading', what, effect }] : [];
    }),
  );
}

/**
 * All that was done to the filter bacteria of a tank, whatever kind of entry says so, in order of time. The first
 * filling of a tank does nothing: it begins its only filter bacteria.
 */
export function filterBacteriaEffects(history: TankHistory): Harm[] {
  const context = effectContext(history);
  const told = ENTRY_KINDS.flatMap((kind) =>
    kind === 'reading'
      ? []
      : history.entries[kind].flatMap(({ id, at, entry }): Harm[] => {
          const effect = cycleEffect(entry, context).filterBacteria;
          return effect ? [{ id, at, kind, what: entryTitle(entry), effect }] : [];
        }),
  );
  const all = [...told, ...harmsByWater(history)];
  all.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const first = all.findIndex(({ effect }) => effect.is === 'begun' || effect.is === 'ended');
  return all.filter(({ effect }, i) => i !== first || effect.is !== 'begun');
}

/** The last that voids what was shown before it: the filter bacteria may be dead, or is another one. */
function lastVoid(effects: readonly Harm[]): Harm | null {
  let kept = 1;
  for (let i = effects.length - 1; i >= 0; i -= 1) {
    const one = effects[i] as Harm;
    const { effect } = one;
    switch (effect.is) {
      case 'harmed':
      case 'ended':
      case 'begun':
        return one;
      case 'taken':
        kept *= 1 - effect.share;
        if (kept < 1 - LITTLE_TAKEN) return one;
        break;
      case 'slowed':
      case 'brought':
        break;
    }
  }
  return null;
}

/** "Bleach on 30 Mar may have harmed the filter bacteria; what was shown before it no longer counts." */
export function harmWords(harm: Harm, zone: string): string {
  const on = `${harm.what} on ${shortDay(harm.at, zone)}`;
  switch (harm.effect.is) {
    case 'begun':
    case 'ended':
      return `${on}: what was shown before it were other filter bacteria.`;
    case 'slowed':
      return `${on} may have slowed the filter bacteria; what they clear has to be seen once more.`;
    default: {
      const slip = harm.kind === 'reading' ? ' If that was a slip, correct or remove it.' : '';
      return `${on} may have harmed the filter bacteria; what was shown before it no longer counts.${slip}`;
    }
  }
}

/** What a history still shows. */
export interface Shown {
  history: TankHistory;
  /** What voided everything before it; null when nothing did. */
  harm: Harm | null;
  /** The same without what was shown before the filter bacteria may have been slowed. */
  confirmed: TankHistory;
  /** What asks for it to be seen once more: the harm, or what slowed it since. */
  slowed: Harm | null;
}

const known = new WeakMap<TankHistory, Shown>();

/**
 * A history without what something that may have harmed the filter bacteria have voided: the readings, doses,
 * changes of water and sightings before it. Facts of the tank, and what was put in, stay facts.
 */
export function stillShown(history: TankHistory): Shown {
  const before = known.get(history);
  if (before) return before;
  const effects = filterBacteriaEffects(history);
  const harm = lastVoid(effects);
  const slow = effects.findLast(({ effect }) => effect.is === 'slowed') ?? null;
  const slowed = slow && (!harm || slow.at > harm.at) ? slow : harm;
  const voided = harm ? since(history, harm.at) : history;
  const confirmed = slowed && slowed !== harm ? since(history, slowed.at) : voided;
  const shown = { history: voided, harm, confirmed, slowed };
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
