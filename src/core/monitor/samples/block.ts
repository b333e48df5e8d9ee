import { CHANNELS, type ChannelId } from '../channels';

/**
 * Minutes that one place of each level stands for. A level of one keeps the value itself, the others
 * the least, the middle and the most of the minutes in it.
 */
export const LEVELS = [1, 10, 60, 360] as const;
export type Level = (typeof LEVELS)[number];

/** Places of a block: a day of minutes, ten days of ten minutes, sixty of hours, a year of quarters of a day. */
export const PLACES = 1440;
/** No value: the one number of 16 bits that no value comes to. */
export const NONE = -32768;
const MOST = 32767;
const MINUTE_MS = 60_000;

/**
 * A block as it lies in the store, little-endian: version (1 byte), values in a place (1 byte), the first
 * place that is held (2 bytes), then the places up to the last one held, 2 bytes a value. Places
 * without a value hold `NONE`, so a gap costs what a value does and blocks are cut at both ends.
 */
const HEAD_BYTES = 4;
const VERSION = 1;

/** Numbers of a place: one at the level of minutes, three above. */
export const widthOf = (level: Level): 1 | 3 => (level === 1 ? 1 : 3);

/** A block opened: `PLACES` times its width numbers in steps of its channel. */
export type Places = Int16Array<ArrayBuffer>;

export function emptyPlaces(level: Level): Places {
  return new Int16Array(PLACES * widthOf(level)).fill(NONE);
}

/** A value in steps of its channel; `NONE` for what a probe cannot show. */
export function stepsOf(channel: ChannelId, value: number): number {
  const { step, shows } = CHANNELS[channel];
  if (!(value >= shows.low && value <= shows.high)) return NONE;
  return Math.max(-MOST, Math.min(MOST, Math.round(value / step)));
}

/** The value of steps, canonical; null where there is none. */
export function valueOf(channel: ChannelId, steps: number): number | null {
  if (steps === NONE) return null;
  // Divided by what a unit has of steps, so that 8.123 comes back as it was and not as 8.123000000000001.
  return steps / Math.round(1 / CHANNELS[channel].step);
}

/** A block cut to what it holds; null where it holds nothing. */
export function packPlaces(places: Places, level: Level): ArrayBuffer | null {
  const width = widthOf(level);
  let first = 0;
  while (first < PLACES && places[first * width] === NONE) first += 1;
  if (first === PLACES) return null;
  let last = PLACES - 1;
  while (places[last * width] === NONE) last -= 1;
  const count = (last - first + 1) * width;
  const buffer = new ArrayBuffer(HEAD_BYTES + 2 * count);
  const view = new DataView(buffer);
  view.setUint8(0, VERSION);
  view.setUint8(1, width);
  view.setUint16(2, first, true);
  for (let i = 0; i < count; i += 1)
    view.setInt16(HEAD_BYTES + 2 * i, places[first * width + i] as number, true);
  return buffer;
}

/** Opens a block; one that is no block of this level is as good as none, and is told of. */
export function openPlaces(stored: unknown, level: Level): { places: Places; damaged: boolean } {
  const places = emptyPlaces(level);
  if (stored === undefined) return { places, damaged: false };
  if (!(stored instanceof ArrayBuffer) || stored.byteLength < HEAD_BYTES)
    return { places, damaged: true };
  const view = new DataView(stored);
  const width = widthOf(level);
  const first = view.getUint16(2, true);
  const count = (stored.byteLength - HEAD_BYTES) / 2;
  const fits =
    view.getUint8(0) === VERSION &&
    view.getUint8(1) === width &&
    Number.isInteger(count / width) &&
    first * width + count <= places.length;
  if (!fits) return { places, damaged: true };
  for (let i = 0; i < count; i += 1)
    places[first * width + i] = view.getInt16(HEAD_BYTES + 2 * i, true);
  return { places, damaged: false };
}

/** The minute of a moment, counted from 1970 in UTC. */
export const minuteOf = (at: number): number => Math.floor(at / MINUTE_MS);
export const momentOf = (minute: number): number => minute * MINUTE_MS;

/** Which block of a level a minute lies in, and in which of its places. */
export function placeOf(level: Level, minute: number): { block: number; place: number } {
  const at = Math.floor(minute / level);
  const block = Math.floor(at / PLACES);
  return { block, place: at - block * PLACES };
}

/** Least, middle and most of what a few minutes hold; all `NONE` where they hold nothing. */
export function summed(minutes: readonly number[]): readonly [number, number, number] {
  const held = minutes.filter((steps) => steps !== NONE).sort((a, b) => a - b);
  if (held.length === 0) return [NONE, NONE, NONE];
  return [
    held[0] as number,
    held[(held.length - 1) >> 1] as number,
    held[held.length - 1] as number,
  ];
}
