import { minuteOf, NONE, stepsOf } from '../core/monitor/samples/block';
import { FAULT_IDS, type FaultId } from '../../server/instruments/standIns/faults';
import { seededRandom } from '../core/math/random';
import { InstrumentServer } from '../testing/instrumentServer';
import { Instruments } from './instruments';
import { holdStream, type LinkListener, type LinkState } from './monitorLink';
import { SampleStore } from './sampleStore';

const NOW = Date.parse('2026-03-02T12:00:00Z');
const MINUTE = 60_000;
let databases = 0;

/** What ends the tabs of a test, also where it failed. */
let open: (() => Promise<void>)[] = [];

/** A tab that holds the stream of a monitor. */
async function tab(server: InstrumentServer, database: string, connection = 'm') {
  const instruments = new Instruments(server.fetch);
  const { code } = server.pairing.codeOf('monitor', server.now);
  const { token } = await instruments.pair('monitor', code);
  const store = new SampleStore(database);
  const states: LinkState[] = [];
  const heard: { number: number; at: number }[] = [];
  let behind = 0;
  let greeted = 0;
  const on: LinkListener = {
    stored: (samples) => heard.push(...samples.map(({ number, at }) => ({ number, at }))),
    quick: () => undefined,
    switched: () => undefined,
    state: (state) => states.push(state),
    clock: (off) => {
      behind = off;
      greeted += 1;
    },
  };
  const stop = new AbortController();
  const done = holdStream(
    {
      connection,
      instrument: 'monitor',
      token,
      instruments,
      store,
      now: () => server.now,
      pause: () => new Promise((resolve) => setImmediate(resolve)),
      on,
    },
    stop.signal,
  );
  const end = async () => {
    stop.abort();
    await done;
  };
  open.push(end);
  return { store, states, heard, behind: () => behind, greeted: () => greeted, end };
}

/** Waits, turn by turn, until something is so. */
async function until(what: () => Promise<boolean> | boolean): Promise<void> {
  for (let turn = 0; turn < 4000; turn += 1) {
    if (await what()) return;
    await new Promise((resolve) => setImmediate(resolve));
  }
  throw new Error('It never came to be so.');
}

const caughtUp = (server: InstrumentServer, store: SampleStore) => async () => {
  const { epoch, oldest, newest } = server.household.monitor.hello();
  const held = await store.held('m');
  if (newest === 0) return true;
  return (
    held?.epoch === epoch && held.have.some(([from, to]) => from <= (oldest ?? 1) && to >= newest)
  );
};

describe('the stream of a monitor', () => {
  let server: InstrumentServer;
  beforeEach(async () => {
    server = new InstrumentServer(NOW);
    await server.start();
  });
  afterEach(async () => {
    await Promise.all(open.map((end) => end()));
    open = [];
    await server.stop();
  });
  const database = () => `link-${(databases += 1)}`;

  it('fetches by number what it missed, then goes on with what is measured', async () => {
    server.pass(30 * MINUTE);
    const one = await tab(server, database());
    await until(caughtUp(server, one.store));
    server.pass(2 * MINUTE);
    await until(caughtUp(server, one.store));
    await one.end();
    expect(one.heard.map(({ number }) => number)).toEqual(
      Array.from({ length: 32 }, (_, n) => n + 1),
    );
    expect(one.heard.map(({ at }) => at)).toEqual(
      Array.from({ length: 32 }, (_, n) => NOW + (n + 1) * MINUTE),
    );
    expect(one.states.slice(0, 2)).toEqual(['connecting', 'live']);
    await until(() => server.household.monitor.listening === 0);
  });

  it('is made anew where it broke, and stops where the token counts no longer', async () => {
    const one = await tab(server, database());
    await until(() => server.household.monitor.listening === 1);
    server.household.monitor.restart();
    await until(() => server.household.monitor.listening === 1);
    server.pass(MINUTE);
    await until(caughtUp(server, one.store));
    await server.stop();
    await until(() => one.states.at(-1) === 'lost');
    server.pairing.forget();
    await server.start();
    await until(() => one.states.at(-1) === 'refused');
    await one.end();
  });

  it('puts right a clock that is wrong, also one that is set while it listens', async () => {
    const one = await tab(server, database());
    await until(() => one.states.includes('live'));
    server.pass(MINUTE);
    server.household.monitor.fail('wrongClock', 30);
    server.pass(MINUTE);
    await until(caughtUp(server, one.store));
    expect(one.behind()).toBe(180 * MINUTE);
    server.pass(3 * MINUTE);
    await until(caughtUp(server, one.store));
    server.household.monitor.mend('wrongClock');
    server.pass(MINUTE);
    await until(caughtUp(server, one.store));
    expect(one.behind()).toBe(0);
    await one.end();
    expect(one.heard.map(({ at }) => at)).toEqual(
      Array.from({ length: 6 }, (_, n) => NOW + (n + 1) * MINUTE),
    );
  });

  it('writes all that was measured, once, through every fault, with two tabs that know nothing of each other', async () => {
    const { household } = server;
    const random = seededRandom(11);
    const name = database();
    const tabs = [await tab(server, name), await tab(server, name)];
    const [first] = tabs;
    if (!first) throw new Error('no tab');
    const kept = new Map<number, number>();
    const settle = async () => {
      // Time stands still until both tabs have heard what was sent: no network takes minutes.
      for (let turn = 0; turn < 20; turn += 1)
        await new Promise((resolve) => setImmediate(resolve));
      await until(() => household.monitor.listening === 2);
      await until(() => tabs.every(({ states }) => states.at(-1) === 'live'));
      await until(caughtUp(server, first.store));
      const { epoch, now } = household.monitor.hello();
      for (const { at, values } of household.monitor.history(epoch, 1, 2000).samples)
        kept.set(minuteOf(at + (server.now - now)), values.ph ?? NaN);
    };
    for (let step = 0; step < 40; step += 1) {
      const fault = FAULT_IDS[Math.floor(random() * FAULT_IDS.length)] as FaultId;
      household.monitor.fail(fault, 5);
      server.pass(Math.ceil(random() * 12) * MINUTE);
      // What is held back comes in the end.
      if (fault === 'late') server.pass(10 * MINUTE);
      if (random() < 0.2) household.monitor.restart();
      await settle();
      if (random() > 0.1) continue;
      const before = tabs.map(({ greeted }) => greeted());
      household.monitor.forget();
      await until(() => tabs.every(({ greeted }, n) => greeted() > (before[n] ?? 0)));
    }
    for (const fault of FAULT_IDS) household.monitor.mend(fault);
    server.pass(12 * MINUTE);
    await settle();
    await Promise.all(tabs.map(({ end }) => end()));
    expect(kept.size).toBeGreaterThan(100);
    const start = minuteOf(NOW);
    const { values } = await first.store.stretch('m', 'ph', 1, start, minuteOf(server.now));
    const held = [...values]
      .map((steps, n) => [start + n, steps] as const)
      .filter(([, steps]) => steps !== NONE);
    expect(held).toEqual(
      [...kept].sort((a, b) => a[0] - b[0]).map(([minute, ph]) => [minute, stepsOf('ph', ph)]),
    );
  });
});
