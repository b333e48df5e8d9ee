import { createParser } from 'eventsource-parser';
import type { ChannelId, SwitchId } from '../core/monitor/channels';
import {
  helloSchema,
  MOST_SAMPLES,
  quickSchema,
  sampleSchema,
  switchSchema,
  type Hello,
  type Quick,
  type Sample,
  type SwitchTurn,
} from '../core/monitor/protocol';
import { missing } from '../core/monitor/samples/ranges';
import { InstrumentTrouble, type Instruments } from './instruments';
import type { SampleStore } from './sampleStore';
import { jsonOf } from '../core/records/file/json';

const MINUTE_MS = 60_000;
/** A clock that is off by less is taken as ours. */
const CLOCK_MS = 90_000;
/** A connection that says nothing, not even that it is there, is taken as broken. */
const QUIET_MS = 40_000;
/** So often at most it is told what is written. */
const ACKNOWLEDGES_MS = 5000;
/** Waits between tries to connect. */
const WAITS_MS = [1000, 2000, 5000, 10_000, 30_000] as const;

/** How a connection stands. */
export type LinkState = 'connecting' | 'live' | 'lost' | 'refused';

export interface LinkListener {
  /** Samples are in the store, in the order of their time; `at` by our clock. */
  stored: (samples: readonly Sample[]) => void;
  /** Values between two samples. */
  quick: (values: Partial<Record<ChannelId, number | undefined>>, at: number) => void;
  switched: (of: SwitchId, on: boolean, at: number) => void;
  state: (state: LinkState, why: string) => void;
  /** ms that the clock of the instrument is behind ours, in whole minutes; 0 while it is right. */
  clock: (behind: number) => void;
}

interface Parts {
  connection: string;
  instrument: string;
  token: string;
  instruments: Instruments;
  store: SampleStore;
  now: () => number;
  /** Resolves after a time, or when it is told to stop. */
  pause: (ms: number, signal: AbortSignal) => Promise<void>;
  on: LinkListener;
}

/**
 * Holds the stream of one monitor until it is told to stop: what it missed is fetched by number, every sample is
 * written before it is acknowledged, and a connection that breaks is made anew.
 */
export async function holdStream(parts: Parts, signal: AbortSignal): Promise<void> {
  let tries = 0;
  // How late samples were told at the last, over connections: one that catches up is late for good.
  const memory = { late: 0 };
  while (!signal.aborted) {
    try {
      parts.on.state('connecting', '');
      await new Connection(parts, signal, memory, () => (tries = 0)).run();
      parts.on.state('lost', 'The connection ended.');
    } catch (error) {
      const trouble = error instanceof InstrumentTrouble ? error : null;
      if (trouble?.refused) {
        parts.on.state('refused', trouble.message);
        return;
      }
      if (!signal.aborted) parts.on.state('lost', trouble?.message ?? 'The connection broke.');
    }
    const wait = WAITS_MS[Math.min(tries, WAITS_MS.length - 1)] as number;
    tries += 1;
    if (!signal.aborted) await parts.pause(wait, signal);
  }
}

class Connection {
  private epoch = '';
  private behind = 0;
  private waiting: Sample[] = [];
  /** The sample that was heard last. */
  private last: Sample | null = null;
  /** Whether a sample heard since the greeting was told by the clock that we put right. */
  private sure = false;
  /** Heard of an epoch that is over, and not written yet. */
  private former: { epoch: string; samples: Sample[]; behind: number } | null = null;
  private acknowledgedAt = -Infinity;
  private newest = 0;
  private oldest = 1;
  private working: Promise<void> = Promise.resolve();
  private busy = false;
  private failed: unknown = null;
  private readonly stop = new AbortController();

  constructor(
    private readonly parts: Parts,
    private readonly outer: AbortSignal,
    private readonly memory: { late: number },
    private readonly begun: () => void,
  ) {}

  async run(): Promise<void> {
    const end = () => this.stop.abort();
    this.outer.addEventListener('abort', end);
    try {
      const { instruments, instrument, token } = this.parts;
      const answer = await instruments.stream(instrument, token, this.stop.signal);
      await this.listen(answer);
      await this.working;
      if (this.failed) throw this.failed;
    } finally {
      this.outer.removeEventListener('abort', end);
      this.stop.abort();
      await this.working.catch(() => undefined);
    }
  }

  private async listen(answer: Response): Promise<void> {
    const reader = answer.body?.getReader();
    if (!reader) return;
    const decoder = new TextDecoder();
    const parser = createParser({ onEvent: ({ event, data }) => this.heard(event ?? '', data) });
    for (;;) {
      const quiet = setTimeout(() => this.stop.abort(), QUIET_MS);
      const { done, value } = await reader.read().finally(() => clearTimeout(quiet));
      if (done) return;
      parser.feed(decoder.decode(value, { stream: true }));
      if (this.failed) throw this.failed;
    }
  }

  /** What cannot be read is passed over: an instrument of another maker may say more than we know. */
  private heard(event: string, data: string): void {
    const raw = jsonOf(data);
    if (event === 'hello') {
      const hello = helloSchema.safeParse(raw);
      if (hello.success) this.greeted(hello.data);
    } else if (event === 'sample') {
      const sample = sampleSchema.safeParse(raw);
      if (sample.success) this.sampled(sample.data);
    } else if (event === 'quick') {
      const quick = quickSchema.safeParse(raw);
      if (quick.success) this.quick(quick.data);
    } else if (event === 'switch') {
      const turn = switchSchema.safeParse(raw);
      if (turn.success) this.switched(turn.data);
    }
  }

  private greeted({ now, epoch, oldest, newest, switches }: Hello): void {
    if (this.waiting.length > 0 && this.epoch !== epoch)
      this.former = { epoch: this.epoch, samples: this.waiting, behind: this.behind };
    this.epoch = epoch;
    this.shows(now);
    this.last = null;
    this.sure = false;
    this.oldest = oldest ?? newest + 1;
    this.newest = newest;
    this.waiting = [];
    for (const of of switches) this.parts.on.switched(of, true, this.parts.now());
    this.begun();
    this.parts.on.state('live', '');
    this.work();
  }

  /** Takes over what its clock shows now. */
  private shows(now: number): void {
    this.behind = this.behindOf(now);
    this.parts.on.clock(this.behind);
  }

  /** By how much a clock that shows this now is behind ours, in whole minutes: then a sample keeps its minute. */
  private behindOf(now: number): number {
    const off = this.parts.now() - now;
    return Math.abs(off) < CLOCK_MS ? 0 : Math.round(off / MINUTE_MS) * MINUTE_MS;
  }

  private sampled(sample: Sample): void {
    if (this.stop.signal.aborted) return;
    const late = this.parts.now() - (sample.at + this.behind);
    // While it catches up every sample is late: what tells then is that a minute lies between two numbers.
    const { last } = this;
    const due = last ? last.at + (sample.number - last.number) * MINUTE_MS : sample.at;
    const jumped = this.memory.late > CLOCK_MS && Math.abs(sample.at - due) > CLOCK_MS;
    // Its clock was set while we listened, or it sends late: a new greeting tells the two apart.
    const sudden = jumped || late < -CLOCK_MS || late > this.memory.late + CLOCK_MS;
    this.memory.late = Math.max(0, late);
    this.last = sample;
    if (sudden) {
      this.stop.abort();
      return;
    }
    this.newest = Math.max(this.newest, sample.number);
    this.waiting.push(sample);
    this.work();
  }

  private quick({ at, values }: Quick): void {
    this.parts.on.quick(values, at + this.behind);
  }

  private switched({ at, of, on }: SwitchTurn): void {
    this.parts.on.switched(of, on, at + this.behind);
  }

  private work(): void {
    if (this.busy) return;
    this.busy = true;
    this.working = this.keep()
      .catch((error: unknown) => {
        this.failed = error;
        this.stop.abort();
      })
      .finally(() => (this.busy = false));
  }

  /** Fetches what was missed, then writes what came meanwhile, until nothing waits. */
  private async keep(): Promise<void> {
    const { connection, store } = this.parts;
    for (;;) {
      const { epoch, former } = this;
      if (former) {
        this.former = null;
        await this.write(former.epoch, former.samples, former.behind);
        continue;
      }
      const held = await store.held(connection);
      // It began another epoch meanwhile: what waits is numbered anew.
      if (epoch !== this.epoch) continue;
      const have = held?.epoch === epoch ? held.have : [];
      const first = Math.min(this.newest + 1, ...this.waiting.map(({ number }) => number));
      const [gap] = missing(have, this.oldest, Math.min(first - 1, this.newest));
      if (gap) {
        await this.fetchGap(epoch, gap);
        continue;
      }
      const batch = this.waiting;
      const [heard] = batch;
      if (!heard) return;
      if (!this.sure) {
        if (!(await this.isSure(epoch, heard))) return this.stop.abort();
        continue;
      }
      this.waiting = [];
      await this.write(epoch, batch);
    }
  }

  /**
   * Asks for the first sample since a greeting once more: its clock may have been set between the two, and an answer
   * tells a sample and the clock at one moment.
   * @returns whether it was heard by that clock; where not, it is fetched by number after a new greeting
   */
  private async isSure(epoch: string, heard: Sample): Promise<boolean> {
    const { instruments, instrument, token } = this.parts;
    const answer = await instruments.samples(instrument, token, epoch, heard.number, 1);
    if (epoch !== this.epoch) return true;
    const [asked] = answer.samples;
    if (asked?.number === heard.number && Math.abs(asked.at - heard.at) > CLOCK_MS) return false;
    this.sure = true;
    if (this.behindOf(answer.now) !== this.behind) this.shows(answer.now);
    return true;
  }

  private async fetchGap(epoch: string, [from, to]: readonly [number, number]): Promise<void> {
    const { instruments, instrument, token } = this.parts;
    const count = Math.min(MOST_SAMPLES, to - from + 1);
    const answer = await instruments.samples(instrument, token, epoch, from, count);
    // What it no longer has is lost; what it has instead says from where on.
    const next = answer.samples[0]?.number;
    if (answer.epoch !== epoch || next === undefined) this.oldest = to + 1;
    else if (next > from) this.oldest = Math.max(this.oldest, next);
    // It tells all of them by its clock as it is now, which may have been set since it greeted.
    if (answer.samples.length > 0)
      await this.write(epoch, answer.samples, this.behindOf(answer.now));
  }

  private async write(
    epoch: string,
    batch: readonly Sample[],
    behind = this.behind,
  ): Promise<void> {
    const { connection, store, instruments, instrument, token, on } = this.parts;
    const { have } = await store.take(connection, epoch, batch, behind);
    on.stored(batch.map((sample) => ({ ...sample, at: sample.at + behind })));
    const now = this.parts.now();
    if (now - this.acknowledgedAt < ACKNOWLEDGES_MS) return;
    this.acknowledgedAt = now;
    // What is not acknowledged now is so with the next.
    await instruments.acknowledge(instrument, token, epoch, have).catch(() => undefined);
  }
}
