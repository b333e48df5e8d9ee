import type { Carried } from '../cycle/forecast/course/carry';
import { FREE_AMMONIA_LEVELS } from '../seawater/ammonia';
import { DAY_MS } from '../time/zone';
import { formatPlain } from '../units/format';

/** What of the old tank's filter comes along. */
export const KEPT = {
  all: {
    label: 'Rock, media, and the sand rinsed',
    share: 0.8,
    note: 'Rinsed in salt water till it runs clear, with no animal near: old sand can release hydrogen sulfide and ammonia, which kill.',
  },
  rockAndMedia: {
    label: 'Rock and media; new sand',
    share: 0.7,
    note: 'The usual way: most of the filter bacteria sit on rock and media.',
  },
  rock: { label: 'Rock alone', share: 0.6, note: 'Media, socks and sand stay behind.' },
  sponge: {
    label: 'Only a seeded sponge or block',
    share: 0.15,
    note: 'For new rock: the rest of the filter bacteria grow there over weeks.',
  },
} as const;
export type KeptId = keyof typeof KEPT;

/** The water of a move. */
export interface MoveWater {
  /** Clear water of the old tank that comes along, L. */
  old: number;
  /** Salt water to be mixed beforehand, L, with what animals wait and are rinsed in. */
  fresh: number;
}

/** Share of the old water that is clear enough to come along. */
const COMES_ALONG = 0.5;
/** More is mixed than is filled, for tubs and rinsing. */
const SPARE = 1.1;

/** How much salt water a move takes. @param from @param to net volumes, L */
export function moveWater(from: number, to: number): MoveWater {
  const old = Math.min(from * COMES_ALONG, to);
  return { old, fresh: Math.max(0, to - old) * SPARE };
}

/** The filter's gap after a move. */
export interface Gap {
  /** Highest free ammonia, mg NH3-N/L: the usual, and what 1 in 10 exceed. */
  usual: number;
  high: number;
  /** Days until it is down to a half of its height again, usually; null where it never rises. */
  days: number | null;
}

/**
 * The gap that a carried load leaves, in the water of the new tank: the same nitrogen in more litres.
 * @param ratio old net volume over the new one
 */
export function gapOf(carried: Carried, ratio: number): Gap {
  const usual = carried.peakFree.p50 * ratio;
  const high = carried.peakFree.p90 * ratio;
  const first = carried.points[0]?.at ?? 0;
  const peak = Math.max(...carried.points.map(({ free }) => free.p50));
  const top = carried.points.findIndex(({ free }) => free.p50 === peak);
  const down = carried.points.find(({ free }, i) => i > top && free.p50 <= peak / 2);
  return { usual, high, days: peak > 0 && down ? (down.at - first) / DAY_MS : null };
}

/** What a gap means, a sentence first. */
export function gapWords({ usual, high, days }: Gap): { title: string; text: string } {
  const figure = (value: number) => formatPlain(value, value < 0.01 ? 3 : 2);
  const range =
    figure(usual) === figure(high)
      ? `about ${figure(usual)} mg/L`
      : `about ${figure(usual)} mg/L, in 1 of 10 over ${figure(high)}`;
  const over =
    days === null ? '' : ` It has halved again after some ${formatPlain(Math.ceil(days), 0)} days.`;
  if (high <= FREE_AMMONIA_LEVELS.comfortable) {
    return {
      title: 'The filter should carry them at once.',
      text: `Free ammonia peaks at ${range}.${over} Feed half for a week all the same, and test daily.`,
    };
  }
  if (high <= FREE_AMMONIA_LEVELS.watch) {
    return {
      title: 'A small gap.',
      text: `Free ammonia peaks at ${range}, under what harms.${over} Feed half for a week and test daily; have water for a change.`,
    };
  }
  return {
    title: 'The filter falls short for a time.',
    text: `Free ammonia may peak at ${range}: over 0.05 harms gills.${over} Bring more of the old rock and media, seed a sponge for six weeks first, or move in two batches.`,
  };
}
