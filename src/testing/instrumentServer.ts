import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { pino } from 'pino';
import { Household, type HouseholdOptions } from '../../server/instruments/household';
import { instrumentsRouter, MOUNTED } from '../../server/instruments/mount';
import type { Relayed } from '../../server/instruments/relay';
import { Pairing } from '../../server/instruments/pairing';
import type { Fetch } from '../storage/instruments';

/** Made-up instruments behind a port of their own, with a clock that a test moves. */
export class InstrumentServer {
  household: Household;
  readonly pairing = new Pairing(null);
  private server: Server | null = null;
  private base = '';

  constructor(
    public now: number,
    private readonly seed = 3,
    private readonly relayed: readonly Relayed[] = [],
    /** Of the past that its monitor brings along, and how fast it lives through it. */
    private readonly past: Pick<HouseholdOptions, 'pastDays' | 'speed'> = { pastDays: 0, speed: 1 },
  ) {
    this.household = this.newHousehold();
  }

  private newHousehold(): Household {
    return new Household({ seed: this.seed, ...this.past }, this.now);
  }

  async start(): Promise<void> {
    const app = express();
    app.use(
      MOUNTED,
      instrumentsRouter({
        household: this.household,
        pairing: this.pairing,
        relayed: this.relayed,
        log: pino({ level: 'silent' }),
        now: () => this.now,
        perMinute: 1_000_000,
      }),
    );
    this.server = await new Promise<Server>((resolve) => {
      const made = createServer(app).listen(0, '127.0.0.1', () => resolve(made));
    });
    this.base = `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  async stop(): Promise<void> {
    const { server } = this;
    this.server = null;
    if (!server) return;
    const closed = new Promise((resolve) => server.close(resolve));
    server.closeAllConnections();
    await closed;
  }

  /** Goes down for a while and comes back as a server does: its tokens are known, what it measured is gone. */
  async restart(downMs: number): Promise<void> {
    await this.stop();
    this.now += downMs;
    this.household = this.newHousehold();
    await this.start();
  }

  readonly fetch: Fetch = (address, init) => fetch(this.base + address, init);

  pass(ms: number): void {
    this.now += ms;
    this.household.monitor.advance(this.now);
  }
}
