import * as z from 'zod';
import { DAY_MS, dayOf, dayStart } from '../../time/zone';
import { CHANNEL_IDS, CHANNELS, type ChannelId } from '../channels';
import { NONE, openPlaces, valueOf, type Places } from './block';
import { jsonOf } from '../../records/file/json';

/** What a file of samples says of itself. */
const FORMAT = 'zoarium-samples';
const VERSION = 1;
/** Days of four probes that one file holds at most: twenty years of them. */
const MOST_BLOCKS = 4 * 366 * 20;
const MOST_LETTERS = 150_000_000;

/** A day of one probe, as it lies in the store. */
export interface DayBlock {
  channel: ChannelId;
  /** Days since 1970, UTC. */
  day: number;
  bytes: ArrayBuffer;
}

/** The same, opened. */
export interface DayPlaces {
  channel: ChannelId;
  day: number;
  places: Places;
}

const fileSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  exportedAt: z.iso.datetime(),
  connection: z.object({ id: z.string().max(100), name: z.string().max(200) }),
  blocks: z
    .array(z.object({ channel: z.string(), day: z.iso.date(), minutes: z.string().max(5000) }))
    .max(MOST_BLOCKS),
});

/** What is asked first of a file that may be anything. */
const headSchema = z.object({ format: z.string(), version: z.number() });

const dateOf = (day: number): string => dayOf(day * DAY_MS, 'UTC');

function written(bytes: ArrayBuffer): string {
  let text = '';
  for (const byte of new Uint8Array(bytes)) text += String.fromCharCode(byte);
  return btoa(text);
}

function read(text: string): ArrayBuffer | null {
  try {
    const letters = atob(text);
    const bytes = new ArrayBuffer(letters.length);
    new Uint8Array(bytes).set(Array.from(letters, (letter) => letter.charCodeAt(0)));
    return bytes;
  } catch {
    return null;
  }
}

/**
 * Minutes of a monitor as a file of their own, a block for each probe and day: whole, to the last step.
 * @param at ms, when it is written
 */
export function samplesFile(
  connection: { id: string; name: string },
  blocks: readonly DayBlock[],
  at: number,
): string {
  const { id, name } = connection;
  return JSON.stringify({
    format: FORMAT,
    version: VERSION,
    exportedAt: new Date(at).toISOString(),
    connection: { id, name },
    blocks: blocks.map(({ channel, day, bytes }) => ({
      channel,
      day: dateOf(day),
      minutes: written(bytes),
    })),
  });
}

export type ReadSamples =
  | {
      ok: true;
      connection: { id: string; name: string };
      /** Oldest day first. */
      days: DayPlaces[];
      /** Blocks that are damaged, of a day ahead or of a probe that is not known, and left out. */
      leftOut: number;
    }
  | { ok: false; why: string };

/**
 * Takes a file of samples apart; a block that is damaged or of a day ahead is left out and counted, the rest is taken.
 * @param now ms
 */
export function readSamplesFile(text: string, now: number): ReadSamples {
  if (text.length > MOST_LETTERS)
    return { ok: false, why: 'It is larger than 150 MB, more than twenty years of minutes take.' };
  const raw = jsonOf(text);
  if (raw === undefined)
    return {
      ok: false,
      why: 'It is damaged or cut off, or no file that Zoarium saved. Look for an earlier copy.',
    };
  const head = headSchema.safeParse(raw);
  if (head.data?.format !== FORMAT)
    return {
      ok: false,
      why: 'It holds no minutes of a monitor. Choose a file whose name has “samples” in it; a copy of the log is brought in under Data.',
    };
  if (head.data.version > VERSION)
    return {
      ok: false,
      why: 'A newer Zoarium saved it. Load this page anew, then choose it again.',
    };
  const file = fileSchema.safeParse(raw);
  if (!file.success)
    return { ok: false, why: 'Parts of it are missing or damaged. Look for an earlier copy.' };
  const days: DayPlaces[] = [];
  for (const { channel: named, day, minutes } of file.data.blocks) {
    const channel = CHANNEL_IDS.find((id) => id === named);
    const bytes = read(minutes);
    const opened = bytes && openPlaces(bytes, 1);
    const of = dayStart(day, 'UTC');
    if (!channel || !opened || opened.damaged || of > now) continue;
    const { low, high } = CHANNELS[channel].shows;
    const places = opened.places.map((steps) => {
      const value = valueOf(channel, steps);
      return value === null || value < low || value > high ? NONE : steps;
    });
    days.push({ channel, day: of / DAY_MS, places });
  }
  days.sort((a, b) => a.day - b.day);
  const leftOut = file.data.blocks.length - days.length;
  return { ok: true, connection: file.data.connection, days, leftOut };
}

/** Blocks by their day, oldest first. */
export function daysOf(blocks: readonly DayPlaces[]): DayPlaces[][] {
  const days = new Map<number, DayPlaces[]>();
  for (const block of blocks) days.set(block.day, [...(days.get(block.day) ?? []), block]);
  return [...days.values()];
}
