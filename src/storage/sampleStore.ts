import { samplesBeside } from './forgetSamples';
import { createStore, del, get, promisifyRequest, set, type UseStore } from 'idb-keyval';
import * as z from 'zod';
import {
  LEVELS,
  minuteOf,
  NONE,
  openPlaces,
  packPlaces,
  placeOf,
  PLACES,
  stepsOf,
  summed,
  widthOf,
  type Level,
  type Places,
} from '../core/monitor/samples/block';
import { CHANNEL_IDS, type ChannelId } from '../core/monitor/channels';
import type { Sample } from '../core/monitor/protocol';
import { daysOf, type DayBlock, type DayPlaces } from '../core/monitor/samples/samplesFile';
import { holds, withRange, type Ranges } from '../core/monitor/samples/ranges';

/** What is held of a connection: the numbers of its epoch, and how far the levels above the minutes are made. */
const heldSchema = z.object({
  epoch: z.string(),
  have: z.array(z.tuple([z.number(), z.number()])),
  /** The newest minute that has a value. */
  newest: z.number(),
  /** By level the first place that is not made yet. */
  made: z.record(z.string(), z.number()),
});
export type Held = z.infer<typeof heldSchema>;
/** Of a connection whose minutes came from a file alone: an instrument names another epoch. */
const NOTHING_HELD: Held = { epoch: '', have: [], newest: 0, made: {} };

/** Values that a file brought in, and that were held already. */
interface Filled {
  filled: number;
  held: number;
}

const heldKey = (connection: string) => `held/${connection}`;
const tokenKey = (connection: string) => `token/${connection}`;
const pauseKey = (connection: string) => `pause/${connection}`;
const blockKey = (connection: string, channel: ChannelId, level: Level, block: number) =>
  `block/${connection}/${channel}/${level}/${block}`;

/** Places of a level from one minute on, `width` numbers each, `NONE` where there is nothing. */
export interface Stretch {
  level: Level;
  /** The first place, counted in places of its level from 1970. */
  first: number;
  values: Int16Array;
}

/**
 * What monitors measured, in blocks beside the log: a minute of a day has its place, so what comes twice or late
 * finds the same one. No block is read before a screen asks for it.
 */
export class SampleStore {
  private readonly store: UseStore;

  constructor(database: string) {
    this.store = createStore(samplesBeside(database), 'samples');
  }

  async token(connection: string): Promise<string | null> {
    return z
      .string()
      .nullable()
      .catch(null)
      .parse((await get(tokenKey(connection), this.store)) ?? null);
  }

  async keepToken(connection: string, token: string): Promise<void> {
    await set(tokenKey(connection), token, this.store);
  }

  async forgetToken(connection: string): Promise<void> {
    await del(tokenKey(connection), this.store);
  }

  /** Until when a service pause lasts, ms; 0 for none. It outlives the tab that it was asked for in. */
  async pausedUntil(connection: string): Promise<number> {
    return z
      .number()
      .catch(0)
      .parse(await get(pauseKey(connection), this.store));
  }

  async keepPause(connection: string, until: number): Promise<void> {
    await set(pauseKey(connection), until, this.store);
  }

  /** What is held of a connection; null before its first sample. */
  async held(connection: string): Promise<Held | null> {
    return heldSchema.safeParse(await get(heldKey(connection), this.store)).data ?? null;
  }

  /**
   * Writes samples in one transaction, and answers once it is through: what is held of this epoch then. Samples
   * that are held already change nothing.
   * @param behind ms that the clock of the instrument is behind ours
   */
  take(
    connection: string,
    epoch: string,
    samples: readonly Sample[],
    behind: number,
  ): Promise<Held> {
    return this.store('readwrite', async (store) => {
      const read = async (key: string): Promise<unknown> => promisifyRequest(store.get(key));
      const known = heldSchema.safeParse(await read(heldKey(connection))).data;
      const before: Held = known ?? { epoch, have: [], newest: 0, made: {} };
      const have: Ranges = before.epoch === epoch ? before.have : [];
      const fresh = samples.filter(({ number }) => !holds(have, number));
      const work = new Writing(connection, read);
      let newest = before.newest;
      for (const { at, values } of fresh) {
        const minute = minuteOf(at + behind);
        newest = Math.max(newest, minute);
        for (const channel of CHANNEL_IDS) {
          const value = values[channel];
          if (value !== undefined) await work.put(channel, minute, stepsOf(channel, value));
        }
      }
      const made = await work.makeLevels(before.made, newest);
      for (const [key, buffer] of work.changed()) store.put(buffer, key);
      const after: Held = {
        epoch,
        have: fresh
          .reduce((all, { number }) => withRange(all, number, number), have)
          .map(([from, to]) => [from, to]),
        newest,
        made,
      };
      store.put(after, heldKey(connection));
      await promisifyRequest(store.transaction);
      return after;
    });
  }

  /**
   * What a level holds of a channel between two minutes, both in it. Places that are not made yet come from the
   * minutes they are of.
   */
  async stretch(
    connection: string,
    channel: ChannelId,
    level: Level,
    from: number,
    to: number,
  ): Promise<Stretch> {
    const first = Math.floor(from / level);
    const last = Math.max(first, Math.floor(to / level));
    const width = widthOf(level);
    const values = new Int16Array((last - first + 1) * width).fill(NONE);
    return this.store('readonly', async (store) => {
      const read = async (key: string): Promise<unknown> => promisifyRequest(store.get(key));
      const copy = async (
        of: Level,
        low: number,
        high: number,
        each: (place: number, held: Places, at: number) => void,
      ) => {
        for (let block = Math.floor(low / PLACES); block <= Math.floor(high / PLACES); block += 1) {
          const { places } = openPlaces(await read(blockKey(connection, channel, of, block)), of);
          const end = Math.min(high, (block + 1) * PLACES - 1);
          for (let place = Math.max(low, block * PLACES); place <= end; place += 1)
            each(place, places, (place - block * PLACES) * widthOf(of));
        }
      };
      const held = heldSchema.safeParse(await read(heldKey(connection))).data;
      const made = level === 1 ? Infinity : (held?.made[level] ?? 0);
      await copy(level, first, Math.min(last, made - 1), (place, places, at) => {
        for (let n = 0; n < width; n += 1)
          values[(place - first) * width + n] = places[at + n] as number;
      });
      if (made <= last) {
        const minutes = new Map<number, number[]>();
        const low = Math.max(first, made) * level;
        await copy(
          1,
          low,
          Math.min((last + 1) * level - 1, held?.newest ?? low),
          (minute, places, at) => {
            const place = Math.floor(minute / level);
            const list = minutes.get(place) ?? [];
            minutes.set(place, list);
            list.push(places[at] as number);
          },
        );
        for (const [place, list] of minutes) values.set(summed(list), (place - first) * width);
      }
      return { level, first, values };
    });
  }

  /**
   * Brings in minutes from a file, a day in a transaction: only those that hold nothing yet, so that what this
   * browser measured itself stays. Numbers stay as they are: the stream goes on where it was.
   * @throws where the browser has no room: days before stay, and the file may come again
   */
  async fill(connection: string, blocks: readonly DayPlaces[]): Promise<Filled> {
    const all = { filled: 0, held: 0 };
    for (const day of daysOf(blocks)) {
      const { filled, held } = await this.fillDay(connection, day);
      all.filled += filled;
      all.held += held;
    }
    return all;
  }

  private fillDay(connection: string, day: readonly DayPlaces[]): Promise<Filled> {
    return this.store('readwrite', async (store) => {
      const read = async (key: string): Promise<unknown> => promisifyRequest(store.get(key));
      const before = heldSchema.safeParse(await read(heldKey(connection))).data ?? NOTHING_HELD;
      const work = new Writing(connection, read);
      let { newest } = before;
      const came = { filled: 0, held: 0 };
      for (const one of day) {
        const { filled, held, last } = await work.fill(one);
        newest = Math.max(newest, last);
        came.filled += filled;
        came.held += held;
      }
      if (came.filled === 0) return came;
      const made = await work.makeLevels(before.made, newest);
      for (const [key, buffer] of work.changed()) store.put(buffer, key);
      store.put({ ...before, newest, made }, heldKey(connection));
      await promisifyRequest(store.transaction);
      return came;
    });
  }

  /** Every day of minutes of a connection, for a file of it. */
  async blocks(connection: string): Promise<DayBlock[]> {
    return this.store('readonly', async (store) => {
      const found: DayBlock[] = [];
      for (const channel of CHANNEL_IDS) {
        const prefix = `block/${connection}/${channel}/1/`;
        const range = IDBKeyRange.bound(prefix, `${prefix}\uffff`);
        const keys = (await promisifyRequest(store.getAllKeys(range))) as string[];
        const all = (await promisifyRequest(store.getAll(range))) as ArrayBuffer[];
        keys.forEach((key, n) => {
          const bytes = all[n];
          if (bytes) found.push({ channel, day: Number(key.slice(prefix.length)), bytes });
        });
      }
      return found.sort((a, b) => a.day - b.day);
    });
  }
}

/** Blocks that are open while samples are written. */
class Writing {
  private readonly open = new Map<string, { level: Level; places: Places; touched: boolean }>();
  /** Minutes that got a value, by channel. */
  private readonly written = new Map<ChannelId, Set<number>>();

  constructor(
    private readonly connection: string,
    private readonly read: (key: string) => Promise<unknown>,
  ) {}

  private async block(channel: ChannelId, level: Level, block: number) {
    const key = blockKey(this.connection, channel, level, block);
    const known = this.open.get(key);
    if (known) return known;
    const { places } = openPlaces(await this.read(key), level);
    const opened = { level, places, touched: false };
    this.open.set(key, opened);
    return opened;
  }

  async put(channel: ChannelId, minute: number, steps: number): Promise<void> {
    const { block, place } = placeOf(1, minute);
    const opened = await this.block(channel, 1, block);
    opened.places[place] = steps;
    opened.touched = true;
    const minutes = this.written.get(channel) ?? new Set();
    this.written.set(channel, minutes);
    minutes.add(minute);
  }

  /** Puts what a day of a probe holds where there is nothing. @returns with the last minute that was put */
  async fill({ channel, day, places }: DayPlaces) {
    const opened = await this.block(channel, 1, day);
    const minutes = this.written.get(channel) ?? new Set();
    this.written.set(channel, minutes);
    const came = { filled: 0, held: 0, last: 0 };
    places.forEach((steps, place) => {
      if (steps === NONE) return;
      if (opened.places[place] !== NONE) {
        came.held += 1;
        return;
      }
      opened.places[place] = steps;
      opened.touched = true;
      came.filled += 1;
      came.last = day * PLACES + place;
      minutes.add(came.last);
    });
    return came;
  }

  /**
   * Makes the places of the levels above that are over: those a value came late to, and those since the last time.
   * @returns by level the first place that is not made
   */
  async makeLevels(before: Held['made'], newest: number): Promise<Held['made']> {
    const made: Record<string, number> = { ...before };
    for (const level of LEVELS) {
      if (level === 1) continue;
      const open = Math.floor((newest + 1) / level);
      for (const channel of CHANNEL_IDS) {
        const wanted = new Set<number>();
        for (const minute of this.written.get(channel) ?? [])
          wanted.add(Math.floor(minute / level));
        // Left open when it was last written to: it is over now, even where this probe said nothing more.
        const left = before[level];
        if (left !== undefined) wanted.add(left);
        for (const place of wanted) if (place < open) await this.makePlace(channel, level, place);
      }
      made[level] = Math.max(open, before[level] ?? 0);
    }
    return made;
  }

  private async makePlace(channel: ChannelId, level: Level, at: number): Promise<void> {
    const minutes: number[] = [];
    const first = placeOf(1, at * level);
    const { places: day } = await this.block(channel, 1, first.block);
    for (let n = 0; n < level; n += 1) minutes.push(day[first.place + n] as number);
    const { block, place } = placeOf(level, at * level);
    const opened = await this.block(channel, level, block);
    opened.places.set(summed(minutes), place * widthOf(level));
    opened.touched = true;
  }

  changed(): [string, ArrayBuffer][] {
    return [...this.open].flatMap(([key, { level, places, touched }]) => {
      const buffer = touched ? packPlaces(places, level) : null;
      return buffer ? [[key, buffer] as [string, ArrayBuffer]] : [];
    });
  }
}
