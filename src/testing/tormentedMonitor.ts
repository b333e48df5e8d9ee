import { FAULT_IDS, type FaultId } from '../../server/instruments/standIns/faults';
import { minuteOf, NONE, stepsOf } from '../core/monitor/samples/block';
import type { Random } from '../core/math/random';
import { Instruments } from '../storage/instruments';
import { holdStream, type LinkListener, type LinkState } from '../storage/monitorLink';
import { SampleStore } from '../storage/sampleStore';
import type { InstrumentServer } from './instrumentServer';

const MINUTE = 60_000;
/** What a connection is called in these tests. */
export const CONNECTION = 'm';

/** A tab that holds the stream of a monitor, with what it heard. */
export interface Tab {
  store: SampleStore;
  states: LinkState[];
  heard: { number: number; at: number }[];
  behind: () => number;
  /** How often it was greeted. */
  greeted: () => number;
  end: () => Promise<void>;
}

/** Opens a tab on a database of samples. */
export async function openTab(server: InstrumentServer, database: string): Promise<Tab> {
  const instruments = new Instruments(server.fetch);
  const { code } = server.pairing.codeOf('monitor', server.now);
  const { token } = await instruments.pair('monitor', code);
  const store = new SampleStore(database);
  const states: LinkState[] = [];
  const heard: Tab['heard'] = [];
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
      connection: CONNECTION,
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
  return { store, states, heard, behind: () => behind, greeted: () => greeted, end };
}

/** Waits, turn by turn, until something is so. @throws Error where it never is */
export async function until(what: () => Promise<boolean> | boolean): Promise<void> {
  for (let turn = 0; turn < 4000; turn += 1) {
    if (await what()) return;
    await new Promise((resolve) => setImmediate(resolve));
  }
  throw new Error('It never came to be so.');
}

/** Whether all that the monitor measured in its epoch is in a store. */
export const caughtUp = (server: InstrumentServer, store: SampleStore) => async () => {
  const { epoch, oldest, newest } = server.household.monitor.hello();
  if (newest === 0) return true;
  const held = await store.held(CONNECTION);
  return (
    held?.epoch === epoch && held.have.some(([from, to]) => from <= (oldest ?? 1) && to >= newest)
  );
};

/** What came of it: hours, minutes measured, those that are lost or wrong, and how often what befell it. */
export interface Torment {
  hours: number;
  measured: number;
  lost: number;
  wrong: number;
  times: Readonly<Record<keyof typeof OF_A_HUNDRED, number>>;
}

/** How often in a hundred steps: a monitor that begins anew, one that forgets, a tab that is reloaded, a server too. */
const OF_A_HUNDRED = { restart: 20, forget: 10, reload: 15, serverRestart: 5 } as const;

/** Lets everything go wrong with a monitor and two tabs that read it, and counts what is not as it was measured. */
export async function tormented(
  server: InstrumentServer,
  database: string,
  random: Random,
  steps: number,
  each: (step: number) => void = () => undefined,
): Promise<Torment> {
  const from = server.now;
  const tabs: [Tab, Tab] = [await openTab(server, database), await openTab(server, database)];
  const times = { restart: 0, forget: 0, reload: 0, serverRestart: 0 };
  const befalls = (what: keyof typeof times) => {
    const it = random() * 100 < OF_A_HUNDRED[what];
    if (it) times[what] += 1;
    return it;
  };
  const measured = new Map<number, number>();
  const settle = async () => {
    // Time stands still until both tabs have heard what was sent: no network takes minutes.
    for (let turn = 0; turn < 20; turn += 1) await new Promise((go) => setImmediate(go));
    await until(() => server.household.monitor.listening === 2);
    await until(() => tabs.every(({ states }) => states.at(-1) === 'live'));
    await until(caughtUp(server, tabs[0].store));
    const { monitor } = server.household;
    const { epoch, now, newest } = monitor.hello();
    const since = Math.max(1, newest - 60);
    for (const { at, values } of monitor.history(epoch, since, 2000).samples)
      measured.set(minuteOf(at + (server.now - now)), values.ph ?? NaN);
  };
  try {
    for (let step = 0; step < steps; step += 1) {
      const fault = FAULT_IDS[Math.floor(random() * FAULT_IDS.length)] as FaultId;
      server.household.monitor.fail(fault, 5);
      server.pass(Math.ceil(random() * 12) * MINUTE);
      // What is held back comes in the end.
      if (fault === 'late') server.pass(10 * MINUTE);
      if (befalls('restart')) server.household.monitor.restart();
      await settle();
      each(step);
      if (befalls('reload')) {
        const which = random() < 0.5 ? 0 : 1;
        await tabs[which].end();
        tabs[which] = await openTab(server, database);
      }
      const greetings = tabs.map(({ greeted }) => greeted());
      const anew = () =>
        until(() => tabs.every(({ greeted }, n) => greeted() > (greetings[n] ?? 0)));
      if (befalls('serverRestart')) {
        await server.restart(3 * MINUTE);
        await anew();
      } else if (befalls('forget')) {
        server.household.monitor.forget();
        await anew();
      }
    }
    for (const fault of FAULT_IDS) server.household.monitor.mend(fault);
    server.pass(12 * MINUTE);
    await settle();
  } finally {
    await Promise.all(tabs.map(({ end }) => end()));
  }
  const start = minuteOf(from);
  const { values } = await tabs[0].store.stretch(CONNECTION, 'ph', 1, start, minuteOf(server.now));
  let [lost, wrong] = [0, 0];
  values.forEach((steps, n) => {
    const ph = measured.get(start + n);
    const wanted = ph === undefined ? NONE : stepsOf('ph', ph);
    if (steps === wanted) return;
    if (steps === NONE) lost += 1;
    else wrong += 1;
  });
  return {
    hours: Math.round((server.now - from) / 3_600_000),
    measured: measured.size,
    lost,
    wrong,
    times,
  };
}
