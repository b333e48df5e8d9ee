import { LEVELS, momentOf, minuteOf, NONE, valueOf, widthOf, type Level } from './block';
import type { ChannelId } from '../channels';

/** A stretch of time that is looked at, ms. */
export interface View {
  from: number;
  to: number;
}

const MINUTE_MS = 60_000;
/** From an hour to two years. */
const SHORTEST_MS = 60 * MINUTE_MS;
const LONGEST_MS = 2 * 365 * 24 * 60 * MINUTE_MS;

/** The finest level that has no more places in a view than there are pixels for it. */
export function levelFor({ from, to }: View, pixels: number): Level {
  const minutes = (to - from) / MINUTE_MS;
  return LEVELS.find((level) => minutes / level <= pixels) ?? 360;
}

/** Moved by a share of its own length; ahead no further than a little after now. */
export function panned({ from, to }: View, share: number, now: number): View {
  const length = to - from;
  const start = Math.min(from + share * length, now + 0.05 * length - length);
  return { from: start, to: start + length };
}

/** Longer or shorter about a moment that stays where it is. */
export function zoomed({ from, to }: View, factor: number, about: number, now: number): View {
  const length = Math.min(LONGEST_MS, Math.max(SHORTEST_MS, (to - from) * factor));
  const share = (about - from) / (to - from);
  const start = about - share * length;
  return panned({ from: start, to: start + length }, 0, now);
}

/** A place of a level as it is drawn, canonical units; without a value it is a gap. */
export interface Drawn {
  at: number;
  least: number | null;
  middle: number | null;
  most: number | null;
}

/** What a stretch holds as points to draw: a run of places without a value is one gap. */
export function drawnOf(
  channel: ChannelId,
  { level, first, values }: { level: Level; first: number; values: Int16Array },
): Drawn[] {
  const width = widthOf(level);
  const points: Drawn[] = [];
  let gap = true;
  for (let n = 0; n * width < values.length; n += 1) {
    const at = momentOf((first + n) * level + level / 2);
    const middleOf = values[n * width + (width === 1 ? 0 : 1)] as number;
    if (middleOf === NONE) {
      if (!gap) points.push({ at, least: null, middle: null, most: null });
      gap = true;
      continue;
    }
    gap = false;
    points.push({
      at,
      least: valueOf(channel, values[n * width] as number),
      middle: valueOf(channel, middleOf),
      most: valueOf(channel, values[n * width + width - 1] as number),
    });
  }
  return points;
}

/** Minutes of a view, both ends in it. */
export const minutesOf = ({ from, to }: View): { from: number; to: number } => ({
  from: minuteOf(from),
  to: minuteOf(to),
});
