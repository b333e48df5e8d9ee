import { seededRandom } from '../core/math/random';
import { InstrumentServer } from '../testing/instrumentServer';
import { caughtUp, openTab, tormented, until, type Tab } from '../testing/tormentedMonitor';

const NOW = Date.parse('2026-03-02T12:00:00Z');
const MINUTE = 60_000;
let databases = 0;

describe('the stream of a monitor', () => {
  let server: InstrumentServer;
  let open: Tab[] = [];
  const database = () => `link-${(databases += 1)}`;
  const tab = async () => {
    const opened = await openTab(server, database());
    open.push(opened);
    return opened;
  };
  /** A monitor two days back, a minute of it a second, three of which a tab has heard. */
  const catchingUp = async () => {
    await server.stop();
    server = new InstrumentServer(NOW, 3, [], { pastDays: 2, speed: 60 });
    await server.start();
    const one = await tab();
    await until(() => one.states.includes('live'));
    const seconds = async (count: number) => {
      for (let n = 0; n < count; n += 1) {
        server.pass(1000);
        await until(caughtUp(server, one.store));
      }
    };
    await seconds(3);
    return { monitor: server.household.monitor, one, seconds };
  };
  beforeEach(async () => {
    server = new InstrumentServer(NOW);
    await server.start();
  });
  afterEach(async () => {
    await Promise.all(open.map(({ end }) => end()));
    open = [];
    await server.stop();
  });

  it('fetches by number what it missed, then goes on with what is measured', async () => {
    server.pass(30 * MINUTE);
    const one = await tab();
    await until(caughtUp(server, one.store));
    server.pass(2 * MINUTE);
    await until(caughtUp(server, one.store));
    await one.end();
    const all = Array.from({ length: 32 }, (_, n) => n + 1);
    expect(one.heard.map(({ number }) => number)).toEqual(all);
    expect(one.heard.map(({ at }) => at)).toEqual(all.map((number) => NOW + number * MINUTE));
    expect(one.states.slice(0, 2)).toEqual(['connecting', 'live']);
    await until(() => server.household.monitor.listening === 0);
  });

  it('is made anew where it broke, and stops where the token counts no longer', async () => {
    const one = await tab();
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
  });

  it('puts right a clock that is wrong, also one that is set while it listens', async () => {
    const one = await tab();
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
    expect(one.heard.map(({ at }) => at)).toEqual(
      Array.from({ length: 6 }, (_, n) => NOW + (n + 1) * MINUTE),
    );
  });

  it('puts right a clock that is set while the monitor catches up, when every sample is late', async () => {
    const { monitor, one, seconds } = await catchingUp();
    monitor.fail('wrongClock', 30);
    await seconds(3);
    monitor.mend('wrongClock');
    await seconds(3);
    expect(one.heard.map(({ at }) => at)).toEqual(
      Array.from({ length: 9 }, (_, n) => NOW - 2 * 1440 * MINUTE + (n + 1) * MINUTE),
    );
  });

  it.each([
    { wrongBefore: true, heardFirst: false },
    { wrongBefore: true, heardFirst: true },
    { wrongBefore: false, heardFirst: false },
    { wrongBefore: false, heardFirst: true },
  ])('puts right a clock set right after a greeting: %p', async ({ wrongBefore, heardFirst }) => {
    const { monitor, one, seconds } = await catchingUp();
    const set = (wrong: boolean) =>
      wrong ? monitor.fail('wrongClock', 30) : monitor.mend('wrongClock');
    const before = one.greeted();
    set(wrongBefore);
    monitor.restart();
    await until(() => one.greeted() > before);
    if (heardFirst) server.pass(1000);
    set(!wrongBefore);
    await seconds(heardFirst ? 2 : 3);
    expect(one.heard.map(({ at }) => at)).toEqual(
      Array.from({ length: 6 }, (_, n) => NOW - 2 * 1440 * MINUTE + (n + 1) * MINUTE),
    );
  });

  it('keeps the first sample after a greeting where the monitor forgets it at once', async () => {
    const { monitor, one, seconds } = await catchingUp();
    const before = one.greeted();
    monitor.restart();
    await until(() => one.greeted() > before);
    server.pass(1000);
    monitor.forget();
    await seconds(2);
    expect(one.heard.map(({ at }) => (at - NOW) / MINUTE + 2 * 1440)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it('needs no new greeting after a silence, which is no change of its clock', async () => {
    const one = await tab();
    await until(() => one.states.includes('live'));
    server.pass(MINUTE);
    await until(() => one.heard.length === 1);
    server.household.monitor.fail('silence', 30);
    for (let minute = 0; minute < 10; minute += 1) server.pass(MINUTE);
    server.household.monitor.mend('silence');
    for (let minute = 0; minute < 2; minute += 1) {
      server.pass(MINUTE);
      await until(caughtUp(server, one.store));
    }
    expect(one.greeted()).toBe(1);
    expect(one.heard.at(-1)?.at).toBe(NOW + 13 * MINUTE);
  });

  it('writes all that was measured, once, through every fault, with two tabs that know nothing of each other', async () => {
    const came = await tormented(server, database(), seededRandom(11), 40);
    expect(came).toMatchObject({ lost: 0, wrong: 0 });
    expect(came.measured).toBeGreaterThan(150);
    // Reloads and restarts of the server were among it.
    expect(Math.min(...Object.values(came.times))).toBeGreaterThan(0);
  });
});
