import { readFileSync } from 'node:fs';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { clickWhatHasSettled } from '../../e2e/clicks';
import { setUpTank } from '../../e2e/support';
import { pair } from '../../e2e/pairing';
import { FAULT_IDS, type FaultId } from '../../server/instruments/standIns/faults';
import type { Random } from '../../src/core/math/random';
import { PlayedAtPace, sleep, SPEED } from './playedMonitor';

const STEP_MS = 8000;
/** How often in a hundred steps. */
const OF_A_HUNDRED = { restart: 20, forget: 10, reload: 20, serverRestart: 5 } as const;

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
  const played = new PlayedAtPace(hours);
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
  /** What went wrong when, by the time of the monitor's samples. */
  const told: string[] = [];
  const tell = (what: string) => told.push(`${played.reached()} ${what}`);
  const befalls = (what: keyof typeof times) => {
    const it = chance() * 100 < OF_A_HUNDRED[what];
    if (it) {
      times[what] += 1;
      tell(what);
    }
    return it;
  };
  const heaps: number[] = [];
  const steps = Math.round((hours * 3_600_000) / SPEED / STEP_MS);
  let lasting: FaultId | null = null;
  for (let step = 0; step < steps; step += 1) {
    const fault = FAULT_IDS[Math.floor(chance() * FAULT_IDS.length)] as FaultId;
    const until = Date.now() + STEP_MS;
    played.monitor.fail(fault, 60);
    tell(fault);
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
  const lost = wanted.filter(([minute]) => !found.has(minute));
  const wrong = wanted.filter(([minute, { line }]) => (found.get(minute) ?? line) !== line);
  const [firstLost] = [...lost, ...wrong].map(([minute]) => minute).sort();
  return {
    hours,
    acknowledged: wanted.length,
    notYet: unsaid,
    lost: lost.length,
    wrong: wrong.length,
    ...(firstLost && {
      traced: [...lost, ...wrong].slice(0, 40),
      before: told.filter((line) => line < firstLost).slice(-12),
      after: told.filter((line) => line >= firstLost).slice(0, 20),
    }),
    twice: minutes.length - 1 - found.size + twiceIn(log),
    kindsOfAlarm: new Set(log.match(/"alarm":\s*"\w+"/g)).size,
    times,
    heapMbByTenths: tenths,
    troubles: troubles.length,
    firstTrouble: troubles[0],
  };
}
