import {
  CHANNEL_IDS,
  CHANNELS,
  SWITCH_IDS,
  type ChannelId,
  type SwitchId,
} from '../../../src/core/monitor/channels';
import {
  KEPT_DAYS,
  MOST_SAMPLES,
  type Hello,
  type History,
  type Instrument,
  type Quick,
  type Sample,
  type SwitchTurn,
} from '../../../src/core/monitor/protocol';
import type { FaultId } from './faults';
import type { PlayedTank } from './playedTank';

const MINUTE_MS = 60_000;
const QUICK_MS = 5000;
const KEPT = KEPT_DAYS * 24 * 60;
/** Minutes that are made up in one go, so that a fast one does not hold the server up. */
const MOST_AT_ONCE = 720;
const WRONG_CLOCK_MS = 3 * 60 * MINUTE_MS;
const LATE_MS = 7 * MINUTE_MS;

/** ± of each probe as its maker would print it. */
export const ACCURACY: Readonly<Record<ChannelId, number>> = {
  temperature: 0.2,
  ph: 0.05,
  salinity: 0.5,
  freeAmmonia: 0.005,
};
/** Spread of what it shows from minute to minute. */
const NOISE: Readonly<Record<ChannelId, number>> = {
  temperature: 0.03,
  ph: 0.008,
  salinity: 0.05,
  freeAmmonia: 0.0008,
};
/** Beyond these it measures every five seconds. */
const QUICK_BEYOND: Readonly<Partial<Record<ChannelId, { low?: number; high?: number }>>> = {
  temperature: { low: 22, high: 28.5 },
  ph: { low: 7.6, high: 8.6 },
  salinity: { low: 31, high: 37 },
  freeAmmonia: { high: 0.02 },
};

/** What a monitor sends as it happens. */
export type MonitorEvent =
  | { event: 'hello'; data: Hello }
  | { event: 'sample'; data: Sample }
  | { event: 'quick'; data: Quick }
  | { event: 'switch'; data: SwitchTurn };
export interface Listener {
  hear: (event: MonitorEvent) => void;
  /** The connection breaks. */
  end: () => void;
}

interface Options {
  id: string;
  name: string;
  tank: PlayedTank;
  /** The moment from which it measures, and how fast its time runs until it has come to now. */
  from: number;
  speed: number;
  newEpoch: () => string;
}

/** Plays a monitor: a sample a minute, kept for seven days, with what can go wrong. Time is told to it. */
export class PlayedMonitor {
  readonly about: Instrument;
  private epoch: string;
  private samples: Sample[] = [];
  private newest = 0;
  private acknowledged = 0;
  private measuredUntil: number;
  private quickAt = 0;
  private heldBack: { due: number; sample: Sample }[] = [];
  private readonly listeners = new Set<Listener>();
  private readonly faults = new Map<FaultId, { since: number; until: number }>();
  private readonly on = new Set<SwitchId>();
  private last: Partial<Record<ChannelId, number>> = {};
  private readonly startedAt: number;

  constructor(
    private readonly options: Options,
    private now: number,
  ) {
    const { id, name, from, newEpoch } = options;
    this.about = { id, kind: 'monitor', name, madeUp: true, accuracy: ACCURACY };
    this.epoch = newEpoch();
    this.measuredUntil = Math.floor(from / MINUTE_MS) * MINUTE_MS;
    this.startedAt = now;
  }

  /** Its own time: behind ours while it catches up. */
  private reached(): number {
    const { from, speed } = this.options;
    return Math.min(this.now, from + (this.now - this.startedAt) * speed);
  }

  private clock(): number {
    return this.now - (this.has('wrongClock') ? WRONG_CLOCK_MS : 0);
  }

  private has(fault: FaultId): boolean {
    return this.faults.has(fault);
  }

  /** Lets its time go on to a moment. */
  advance(now: number): void {
    this.now = now;
    for (const [fault, { until }] of this.faults) if (now >= until) this.mend(fault);
    for (let made = 0; made < MOST_AT_ONCE; made += 1) {
      const next = this.measuredUntil + MINUTE_MS;
      if (next > this.reached()) break;
      this.measuredUntil = next;
      this.measure(next);
    }
    // By its own time: one that catches up holds them back for as many samples.
    const reached = this.reached();
    const due = this.heldBack.filter((one) => one.due <= reached);
    this.heldBack = this.heldBack.filter((one) => one.due > reached);
    for (const { sample } of due) this.send({ event: 'sample', data: this.told(sample) });
    this.quick();
  }

  private values(at: number): Partial<Record<ChannelId, number>> {
    if (this.has('stuck')) return this.last;
    const { tank } = this.options;
    const truths = tank.at(at);
    const shown: Partial<Record<ChannelId, number>> = {};
    for (const channel of CHANNEL_IDS) {
      const noise = NOISE[channel] * tank.chance.normal('kit', channel, Math.floor(at / QUICK_MS));
      shown[channel] = this.withFaults(channel, truths[channel] + noise, at);
    }
    this.last = shown;
    return shown;
  }

  private withFaults(channel: ChannelId, value: number, at: number): number {
    const { step, shows } = CHANNELS[channel];
    const hoursOf = (fault: FaultId) => {
      const one = this.faults.get(fault);
      return one ? Math.max(0, at - one.since) / (60 * MINUTE_MS) : 0;
    };
    let read = value;
    if (channel === 'salinity') read += 0.5 * hoursOf('drift');
    if (channel === 'temperature' && this.has('spike')) read += 6;
    if (channel === 'salinity' && this.has('bubbles')) return 0;
    const steps = Math.round(Math.min(shows.high, Math.max(shows.low, read)) / step);
    return steps / Math.round(1 / step);
  }

  private measure(at: number): void {
    if (this.has('silence')) return;
    this.newest += 1;
    const sample: Sample = { number: this.newest, at, values: this.values(at) };
    this.samples.push(sample);
    if (this.samples.length > KEPT) this.samples.shift();
    if (this.has('late')) {
      this.heldBack.push({ due: at + LATE_MS, sample });
      return;
    }
    this.send({ event: 'sample', data: this.told(sample) });
    if (this.has('doubled')) this.send({ event: 'sample', data: this.told(sample) });
  }

  /** A sample by the clock as it stands now: one that is set tells old ones by it too. */
  private told(sample: Sample): Sample {
    return { ...sample, at: sample.at - (this.now - this.clock()) };
  }

  private quick(): void {
    const reached = this.reached();
    if (this.has('silence') || reached < this.now || this.now - this.quickAt < QUICK_MS) return;
    const values = this.values(this.now);
    const beyond = CHANNEL_IDS.some((channel) => {
      const { low = -Infinity, high = Infinity } = QUICK_BEYOND[channel] ?? {};
      const value = values[channel];
      return value !== undefined && (value < low || value > high);
    });
    this.quickAt = this.now;
    if (beyond) this.send({ event: 'quick', data: { at: this.clock(), values } });
  }

  private send(event: MonitorEvent): void {
    for (const listener of this.listeners) listener.hear(event);
  }

  hello(): Hello {
    return {
      now: this.clock(),
      epoch: this.epoch,
      oldest: this.samples[0]?.number ?? null,
      newest: this.newest,
      switches: SWITCH_IDS.filter((id) => this.on.has(id)),
    };
  }

  /** @returns what ends the listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    listener.hear({ event: 'hello', data: this.hello() });
    return () => this.listeners.delete(listener);
  }

  get listening(): number {
    return this.listeners.size;
  }

  /** Samples from a number on; none of an epoch that it has forgotten. */
  history(epoch: string, from: number, count: number): History {
    const samples =
      epoch === this.epoch
        ? this.samples
            .filter(({ number }) => number >= from)
            .slice(0, Math.min(count, MOST_SAMPLES))
            .map((sample) => this.told(sample))
        : [];
    return { now: this.clock(), epoch: this.epoch, samples };
  }

  /** Up to here somebody has written everything; it keeps its seven days all the same. */
  acknowledge(epoch: string, upTo: number): void {
    if (epoch === this.epoch)
      this.acknowledged = Math.max(this.acknowledged, Math.min(upTo, this.newest));
  }

  /** What its own screen shows. */
  shown(): {
    values: Partial<Record<ChannelId, number>>;
    reached: number;
    faults: FaultId[];
    waiting: number;
  } {
    return {
      values: this.last,
      reached: this.reached(),
      faults: [...this.faults.keys()],
      waiting: this.newest - this.acknowledged,
    };
  }

  /** Begins a fault that ends by itself. @param minutes how long it lasts */
  fail(fault: FaultId, minutes: number): void {
    this.faults.set(fault, { since: this.now, until: this.now + minutes * MINUTE_MS });
    this.turn(fault, true);
  }

  mend(fault: FaultId): void {
    this.faults.delete(fault);
    this.turn(fault, false);
  }

  private turn(fault: FaultId, on: boolean): void {
    const of = SWITCH_IDS.find((id) => id === fault);
    if (!of || this.on.has(of) === on) return;
    if (on) this.on.add(of);
    else this.on.delete(of);
    this.send({ event: 'switch', data: { at: this.clock(), of, on } });
  }

  /** Every connection breaks. */
  restart(): void {
    for (const listener of [...this.listeners]) listener.end();
    this.listeners.clear();
  }

  /** What it measured is gone: numbers begin anew, in another epoch. */
  forget(): void {
    this.epoch = this.options.newEpoch();
    this.samples = [];
    this.heldBack = [];
    this.newest = 0;
    this.acknowledged = 0;
    this.send({ event: 'hello', data: this.hello() });
  }

  dose(): void {
    this.options.tank.dose(this.now);
  }
}
