import { derivedId } from '../../math/hash';
import { dayOf, dayStart } from '../../time/zone';
import { CHANNELS, type ChannelId } from '../channels';
import { minuteOf, NONE, summed, valueOf } from './block';

const HOUR = 60;
/** Hours of the night of which the steadiest speaks for it, in the tank's zone: lights off, nobody at the tank. */
const NIGHT = { from: 0, to: 6 };
/** Minutes of an hour that have to be there. */
const ENOUGH = 55;

/** A night's steady hour of one channel. */
export interface Span {
  channel: ChannelId;
  /** Its first minute, ms. */
  at: number;
  least: number;
  middle: number;
  most: number;
}

/** A zero that a bubble shows as well, which would be the steadiest hour of all. */
const isAir = (channel: ChannelId, steps: number) =>
  CHANNELS[channel].zeroIsAir && (valueOf(channel, steps) as number) < 1;
/** Minutes with one and the same value after which a probe is stuck: what is measured trembles. */
const STUCK = 240;

function isStuck(minutes: ArrayLike<number>): boolean {
  const held = Array.from(minutes).filter((steps) => steps !== NONE);
  return held.length >= STUCK && held.every((steps) => steps === held[0]);
}

/**
 * The hour of a night that moved least, of those that are nearly whole; null where none is.
 * @param day in the tank's zone
 * @param minutes values in steps of the channel, from the first minute of the night on, `NONE` where there is none
 */
export function steadyHour(
  channel: ChannelId,
  day: string,
  zone: string,
  minutes: ArrayLike<number>,
): Span | null {
  const start = dayStart(day, zone) + NIGHT.from * HOUR * 60_000;
  // A zero of ammonia stays one; what else never moves is no measurement.
  if (channel !== 'freeAmmonia' && isStuck(minutes)) return null;
  let best: Span | null = null;
  for (let hour = 0; hour < NIGHT.to - NIGHT.from; hour += 1) {
    const held: number[] = [];
    for (let minute = 0; minute < HOUR; minute += 1) {
      const steps = minutes[hour * HOUR + minute] ?? NONE;
      if (steps !== NONE && !isAir(channel, steps)) held.push(steps);
    }
    if (held.length < ENOUGH) continue;
    const [least, middle, most] = summed(held).map((steps) => valueOf(channel, steps) as number);
    const span = { channel, at: start + hour * HOUR * 60_000, least, middle, most } as Span;
    if (!best || span.most - span.least < best.most - best.least) best = span;
  }
  return best;
}

/** The minutes of a night, from its first to before its last, counted from 1970. */
export function nightOf(day: string, zone: string): { from: number; to: number } {
  const start = minuteOf(dayStart(day, zone));
  return { from: start + NIGHT.from * HOUR, to: start + NIGHT.to * HOUR };
}

/** The day whose night was over last at a moment. */
export function lastNight(now: number, zone: string): string {
  const day = dayOf(now, zone);
  return minuteOf(now) >= nightOf(day, zone).to ? day : dayOf(dayStart(day, zone) - 1, zone);
}

/** Hours in which people sleep, in the tank's zone: only what kills rings. */
const ASLEEP = { from: 22, to: 7 };

export function isNight(now: number, zone: string): boolean {
  const hour = (now - dayStart(dayOf(now, zone), zone)) / (HOUR * 60_000);
  return hour >= ASLEEP.from || hour < ASLEEP.to;
}

/** The id of the reading that a night becomes: the same in every tab, so that two make one. */
export const spanId = (connectionId: string, channel: ChannelId, day: string): string =>
  derivedId(`span/${connectionId}/${channel}/${day}`);

/** The id of what rang: the same in every tab. */
export const alarmEntryId = (connectionId: string, alarm: string, since: number): string =>
  derivedId(`alarm/${connectionId}/${alarm}/${since}`);

export const parameterOf = (channel: ChannelId) => CHANNELS[channel].parameter;
