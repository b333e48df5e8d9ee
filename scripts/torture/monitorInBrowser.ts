import { readFileSync } from 'node:fs';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { pino } from 'pino';
import { clickWhatHasSettled } from '../../e2e/clicks';
import { setUpTank } from '../../e2e/support';
import { pair } from '../../e2e/pairing';
import { createServer } from '../../server/app';
import { Household, USUAL } from '../../server/instruments/household';
import { instrumentsRouter, MOUNTED } from '../../server/instruments/mount';
import { Pairing } from '../../server/instruments/pairing';
import { FAULT_IDS, type FaultId } from '../../server/instruments/standIns/faults';
import { listenFrom, type Listening } from '../../server/listen';
import { CHANNEL_IDS } from '../../src/core/monitor/channels';
import { momentOf, minuteOf, stepsOf, valueOf } from '../../src/core/monitor/samples/block';
import type { Random } from '../../src/core/math/random';

/** So many times faster than time the monitor lives through its past: an hour of it a minute. */
const SPEED = 60;
/** A day before it, at full speed and with nothing wrong: then the chart that is shown is full, and fills no more. */
const DAY = { hours: 24, speed: 6000 };
const TICK_MS = 200;
const STEP_MS = 8000;
/** How often in a hundred steps; the server is down for a while when it begins anew. */
const OF_A_HUNDRED = { restart: 20, forget: 10, reload: 20, serverRestart: 5 } as const;
const DOWN_MS = 3000;

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const lineAt = (minute: number) =>
  new Date(momentOf(minute)).toISOString().slice(0, 16).replace('T', ' ');

/** The app with a monitor that lives through its past, what it measured, and what of that was acknowledged. */
class Played {
  /** Lines of the minutes that have to be found, by minute as it stands in them. */
  readonly acknowledged = new Map<string, string>();
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
      if (number <= upTo) this.acknowledged.set(minute, line);
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

async function heapOf(page: Page): Promise<number> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  await devtools.detach();
  return usedSize;
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;
const megabytes = (bytes: number): number => Math.round(bytes / 1e5) / 10;

async function savedBy(page: Page, button: string | RegExp): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByText(button).click(),
  ]);
  return readFileSync(await download.path(), 'utf8');
}

/** Entries that say the same thing of the same moment: one that was revised says it once. */
function twiceIn(log: string): number {
  const { records } = JSON.parse(log) as {
    records: {
      id: string;
      body: { kind?: string; at?: string; alarm?: string; parameter?: string; past?: unknown };
    }[];
  };
  const saidBy = new Map<string, Set<string>>();
  for (const { id, body } of records) {
    const { kind, at, alarm, parameter, past } = body;
    const what = alarm ?? parameter;
    if (what === undefined || at === undefined || past !== undefined) continue;
    const said = `${kind} ${what} ${at}`;
    saidBy.set(said, (saidBy.get(said) ?? new Set()).add(id));
  }
  return [...saidBy.values()].reduce((sum, ids) => sum + ids.size - 1, 0);
}

/**
 * A browser with three tabs of one monitor of which everything goes wrong: two are reloaded at random, one stays,
 * and its heap is told by tenths of the time, the first of which begins with a full chart. What was acknowledged is looked for in the
 * spreadsheet of minutes that the app saves in the end.
 */
export async function torturedInBrowser(hours: number, chance: Random): Promise<object> {
  const played = new Played(hours);
  await played.listen();
  const base = `http://127.0.0.1:${played.port}`;
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const context: BrowserContext = await browser.newContext({
    viewport: { width: 390, height: 844 },
  });
  const troubles: string[] = [];
  context.on('weberror', (error) => troubles.push(error.error().message));
  const first = await context.newPage();
  clickWhatHasSettled(first);
  await setUpTank(first, 'Dunlin', base);
  await first.goto(`${base}/connected`);
  await (await pair(first, 'A monitor with four probes', 'monitor')).close();
  const address = first.url();
  const open = async () => {
    const page = await context.newPage();
    await page.goto(address);
    return page;
  };
  const torn = [first, await open()] as const;
  const stays = await open();
  await played.liveADay();
  const times = { restart: 0, forget: 0, reload: 0, serverRestart: 0 };
  const befalls = (what: keyof typeof times) => {
    const it = chance() * 100 < OF_A_HUNDRED[what];
    if (it) times[what] += 1;
    return it;
  };
  const heaps: number[] = [];
  const steps = Math.round((hours * 3_600_000) / SPEED / STEP_MS);
  let lasting: FaultId | null = null;
  for (let step = 0; step < steps; step += 1) {
    const fault = FAULT_IDS[Math.floor(chance() * FAULT_IDS.length)] as FaultId;
    const until = Date.now() + STEP_MS;
    played.monitor.fail(fault, 60);
    if (befalls('restart')) played.monitor.restart();
    if (befalls('reload')) await torn[chance() < 0.5 ? 0 : 1].reload().catch(() => undefined);
    await sleep(chance() * 4000);
    if (befalls('serverRestart')) await played.restart();
    else if (befalls('forget')) played.forget();
    heaps.push(await heapOf(stays));
    await sleep(Math.max(0, until - Date.now()));
    // Each lasts for two steps, so that two go on at a time and what rings after ten seconds does.
    if (lasting && lasting !== fault) played.monitor.mend(lasting);
    lasting = fault;
  }
  if (lasting) played.monitor.mend(lasting);
  // Nothing more goes wrong: until all that it measured is acknowledged, or for a minute.
  for (let n = 0; n < 60 && played.monitor.shown().waiting > 0; n += 1) await sleep(1000);
  const unsaid = played.monitor.shown().waiting;
  played.settle();
  const minutes = (await savedBy(stays, 'Save its minutes as a spreadsheet'))
    .trimEnd()
    .split('\r\n');
  await stays.goto(`${base}/data`);
  const log = await savedBy(stays, 'Export the whole log');
  await browser.close();
  await played.end();
  const found = new Map(minutes.slice(1).map((line) => [line.slice(0, 16), line]));
  const wanted = [...played.acknowledged];
  const upTo = (share: number) => Math.round((heaps.length * share) / 10);
  const tenths = Array.from({ length: 10 }, (_, n) =>
    megabytes(middle(heaps.slice(upTo(n), Math.max(upTo(n) + 1, upTo(n + 1))))),
  );
  return {
    hours,
    acknowledged: wanted.length,
    notYet: unsaid,
    lost: wanted.filter(([minute]) => !found.has(minute)).length,
    wrong: wanted.filter(([minute, line]) => (found.get(minute) ?? line) !== line).length,
    twice: minutes.length - 1 - found.size + twiceIn(log),
    kindsOfAlarm: new Set(log.match(/"alarm":\s*"\w+"/g)).size,
    times,
    heapMbByTenths: tenths,
    troubles: troubles.length,
    firstTrouble: troubles[0],
  };
}
