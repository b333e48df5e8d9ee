import { pino } from 'pino';
import { createServer } from '../../server/app';
import { Household, USUAL } from '../../server/instruments/household';
import { instrumentsRouter, MOUNTED } from '../../server/instruments/mount';
import { Pairing } from '../../server/instruments/pairing';
import { listenFrom, type Listening } from '../../server/listen';
import { CHANNEL_IDS } from '../../src/core/monitor/channels';
import { momentOf, minuteOf, stepsOf, valueOf } from '../../src/core/monitor/samples/block';

/** So many times faster than time the monitor lives through its past: an hour of it a minute. */
export const SPEED = 60;
/** A day before it, at full speed and with nothing wrong: then the chart that is shown is full, and fills no more. */
const DAY = { hours: 24, speed: 6000 };
const TICK_MS = 200;
/** The server is down for so long when it begins anew. */
const DOWN_MS = 3000;

export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const lineAt = (minute: number) =>
  new Date(momentOf(minute)).toISOString().slice(0, 16).replace('T', ' ');

export interface Acknowledged {
  line: string;
  /** Where it came from, so that one that is lost can be traced. */
  epoch: string;
  number: number;
}

/** The app with a monitor that lives through its past, what it measured, and what of that was acknowledged. */
export class PlayedAtPace {
  /** The minutes that have to be found, as they stand in a spreadsheet, by their name in it. */
  readonly acknowledged = new Map<string, Acknowledged>();
  private readonly pairing = new Pairing(null);
  private household: Household;
  private epoch = '';
  private ofEpoch = new Map<number, [string, string]>();
  private listening: Listening | null = null;
  private readonly ticking = setInterval(() => this.tick(), TICK_MS);

  private speed = DAY.speed;
  private readonly tormentedFrom: number;

  constructor(hours: number) {
    this.tormentedFrom = Date.now() - hours * 3_600_000;
    this.household = this.from(this.tormentedFrom - DAY.hours * 3_600_000);
  }

  private from(moment: number): Household {
    const now = Date.now();
    return new Household(
      { seed: USUAL.seed, pastDays: (now - moment) / 86_400_000, speed: this.speed },
      now,
    );
  }

  get monitor() {
    return this.household.monitor;
  }

  /** Until the day before is over, and from then on at the pace of the torment. */
  async liveADay(): Promise<void> {
    while (this.monitor.shown().reached < this.tormentedFrom) await sleep(TICK_MS);
    this.speed = SPEED;
    await this.restart();
  }

  /** How far it has lived, as it stands in a spreadsheet. */
  reached(): string {
    return lineAt(minuteOf(this.monitor.shown().reached));
  }

  get port(): number {
    return this.listening?.port ?? 0;
  }

  async listen(port = 0): Promise<void> {
    const router = instrumentsRouter({
      household: this.household,
      pairing: this.pairing,
      relayed: [],
      log: pino({ level: 'silent' }),
      now: () => Date.now(),
      perMinute: 1_000_000,
    });
    this.listening = await listenFrom(
      createServer('dist', { path: MOUNTED, router }),
      '127.0.0.1',
      port,
    );
  }

  private tick(): void {
    this.monitor.advance(Date.now());
    this.note();
  }

  /** Takes down what was measured since the last look. */
  private note(): void {
    const { epoch, now } = this.monitor.hello();
    if (epoch !== this.epoch) this.ofEpoch = new Map();
    this.epoch = epoch;
    const from = this.ofEpoch.size + 1;
    for (const { number, at, values } of this.monitor.history(epoch, from, 2000).samples) {
      const minute = lineAt(minuteOf(at + Date.now() - now + 1000));
      const shown = CHANNEL_IDS.map((id) => {
        const value = values[id];
        return value === undefined ? '' : String(valueOf(id, stepsOf(id, value)));
      });
      this.ofEpoch.set(number, [minute, [minute, ...shown].join(',')]);
    }
  }

  /** What was acknowledged of this epoch so far has to be there for ever. */
  settle(): void {
    this.note();
    const upTo = this.monitor.hello().newest - this.monitor.shown().waiting;
    for (const [number, [minute, line]] of this.ofEpoch)
      if (number <= upTo) this.acknowledged.set(minute, { line, epoch: this.epoch, number });
  }

  /** Its memory is gone, and it goes on from where it was. */
  forget(): void {
    this.settle();
    this.monitor.forget();
  }

  async restart(): Promise<void> {
    this.settle();
    const { port } = this;
    const { reached } = this.monitor.shown();
    await this.stopListening();
    await sleep(DOWN_MS);
    this.household = this.from(reached);
    await this.listen(port);
  }

  private async stopListening(): Promise<void> {
    const server = this.listening?.server;
    if (!server) return;
    const closed = new Promise((resolve) => server.close(resolve));
    server.closeAllConnections();
    await closed;
  }

  async end(): Promise<void> {
    clearInterval(this.ticking);
    await this.stopListening();
  }
}
