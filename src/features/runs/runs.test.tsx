import { act, screen, waitFor } from '@testing-library/react';
import { liveHead } from '@/core/records/log';
import { PROCEDURES } from '@/core/runs/procedures';
import { withClock, withStep } from '@/core/runs/procedures/changes';
import { HOUR_MS, MINUTE_MS } from '@/core/time/zone';
import { beginRun, changeRun, liveRun, selectLiveRuns, startClock } from '@/store/runs';
import { US_SETTINGS } from '@/core/records/schema/settings';
import { recordAct } from '@/store/record';
import { selectLog, selectSettingsRecord, selectTank, selectTanks } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import type { AppStore } from '@/store/store';
import { choose, demoStore, heading, press, SCREEN_NOW, show, type } from '@/testing/appHarness';
import { RunScreen } from './RunScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/runs/x' }));
jest.mock('@/store/wallClock', () => ({
  wallClock: () => mockNow,
  standAt: () => undefined,
}));
let mockNow = 0;
jest.setTimeout(30_000);
beforeEach(() => {
  jest.clearAllMocks();
  mockNow = SCREEN_NOW;
});

const tankOf = (store: AppStore) => {
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  return tank;
};
const first = (store: AppStore) => {
  const [run] = selectLiveRuns(store.getState());
  if (!run) throw new Error('no run');
  return run;
};

/** A challenge that was dosed an hour ago, its test due in a day. */
async function challenged(): Promise<AppStore> {
  const store = await demoStore('Kittiwake');
  await store.dispatch(beginRun('challenge', tankOf(store).id, { size: '2 ppm NH4' }));
  return store;
}

describe('a run', () => {
  it('is begun where its figures and its caution are', async () => {
    await show(await demoStore('Kittiwake'), <RunScreen id="challenge" />);
    expect(heading()).toBe('Challenge.');
    expect(screen.getByText('3 steps, none begun here.')).toBeTruthy();
    expect(screen.getByText(/Ammonia, the usual dose/)).toBeTruthy();
    await press('See whether it is safe');
    expect(mockRouter.push).toHaveBeenCalledWith('/cycle/challenge');
  });

  it('that takes neither is begun here, at the tank in view, and only once', async () => {
    const usual = PROCEDURES.challenge.begins;
    delete PROCEDURES.challenge.begins;
    const store = await demoStore('Kittiwake');
    await show(store, <RunScreen id="challenge" />);
    await press('Begin');
    await waitFor(() => expect(heading()).toBe('Dose ammonia.'));
    expect(selectLiveRuns(store.getState())).toHaveLength(1);
    expect(liveRun(store.getState(), tankOf(store).id, 'challenge')).toBeTruthy();
    PROCEDURES.challenge.begins = usual;
  });

  it('goes on step by step: what is done, what is waited for, what is tested where', async () => {
    const store = await challenged();
    await show(store, <RunScreen id={first(store).id} />);
    expect(screen.getByText(/Ammonia, 2 ppm NH4/)).toBeTruthy();
    await press('Done');
    await waitFor(() => expect(heading()).toBe('Let it work.'));
    const ends = new Date(SCREEN_NOW + 20 * HOUR_MS).toISOString();
    await act(async () => {
      await store.dispatch(changeRun(first(store), (body) => withClock(body, 'test', ends)));
    });
    expect(screen.getByText('20:00:00')).toBeTruthy();
    mockNow = SCREEN_NOW + 21 * HOUR_MS;
    await waitFor(() => expect(heading()).toBe('Test both now.'), { timeout: 4000 });
    await press('Log the test');
    expect(mockRouter.push).toHaveBeenCalledWith('/log/test');
  });

  it('of another tank leads to the sheet of that tank', async () => {
    const store = await demoStore('Kittiwake');
    const own = tankOf(store).id;
    const ends = SCREEN_NOW - MINUTE_MS;
    await store.dispatch(startClock('testWait', own, { id: 'kit', name: 'Nitrate card', ends }));
    const other = selectTanks(store.getState()).find((tank) => tank.id !== own);
    store.dispatch(tankChosen(other?.id ?? ''));
    await show(store, <RunScreen id={first(store).id} />);
    expect(screen.getByText('Nitrate card')).toBeTruthy();
    await press('Log the test');
    expect(tankOf(store).id).toBe(own);
  });

  it('is stopped, and then done for good', async () => {
    const store = await challenged();
    const { id } = first(store);
    await show(store, <RunScreen id={id} />);
    await press('Stop it');
    await press('Stop it now');
    await waitFor(() => expect(heading()).toBe('This is done.'));
    expect(selectLiveRuns(store.getState())).toEqual([]);
    const run = liveHead(selectLog(store.getState()), id, 'run');
    expect(run?.body.ended?.how).toBe('stopped');
  });

  it('counts a fill jug by jug, and what was counted becomes the water of the tank', async () => {
    const store = await demoStore('Kittiwake');
    await store.dispatch(beginRun('fill', tankOf(store).id, {}));
    await store.dispatch(
      changeRun(first(store), (body, at) => withStep(withStep(body, 'water', at), 'gently', at)),
    );
    await show(store, <RunScreen id={first(store).id} />);
    expect(heading()).toBe('Count what goes in.');
    type('A jug holds', '12');
    for (let jug = 0; jug < 3; jug += 1) await press('One more jug: 12 L');
    expect(screen.getByDisplayValue('36')).toBeTruthy();
    type('Went in, in all', 'lots');
    expect(screen.getByText('"lots" is not a number.')).toBeTruthy();
    type('Went in, in all', '205');
    await press('Note it');
    await waitFor(() => expect(heading()).toBe('Watch the overflow.'));
    await press('Log it as filled');
    await waitFor(() => expect(heading()).toBe('This is done.'));
    expect(tankOf(store).body.volume.measuredAtFill).toEqual({ by: 'litres', litres: 205 });
  });

  it('asks in the keeper’s own units, and keeps what the sums work in', async () => {
    const store = await demoStore('Kittiwake');
    await store.dispatch(
      recordAct((writer) => {
        const settings = selectSettingsRecord(store.getState());
        if (settings) writer.revise(settings, US_SETTINGS);
      }),
    );
    await store.dispatch(beginRun('mix', tankOf(store).id, {}));
    await show(store, <RunScreen id={first(store).id} />);
    type('Water to make ready', '10');
    await press('Note it');
    await waitFor(() => expect(heading()).toBe('To which salinity.'));
    expect(first(store).body.steps.litres?.value).toBeCloseTo(37.854, 3);
    type('Wanted salinity', '35');
    expect(screen.getByText(/It must lie between 1\.00\d+ and 1\.03\d+ SG 25\/25\./)).toBeTruthy();
    type('Wanted salinity', '1.0264');
    await press('Note it');
    await waitFor(() => expect(heading()).toBe('Which water.'));
    expect(first(store).body.steps.target?.value).toBeCloseTo(35, 1);
  });

  it('of a build is gone through in any order, and ticks itself off by the log', async () => {
    const store = await demoStore('Kittiwake');
    await store.dispatch(beginRun('build', tankOf(store).id, {}));
    await show(store, <RunScreen id={first(store).id} />);
    expect(heading()).toBe('Stand and floor.');
    expect(screen.getByRole('button', { name: 'Heater against a thermometer, done' })).toBeTruthy();
    await press('Rock or sand first, open');
    expect(heading()).toBe('Rock or sand first.');
    await choose(/^No sand/);
    await waitFor(() => expect(heading()).toBe('Stand and floor.'));
    await press('The sand, open');
    expect(screen.getByText('None: this step is done.')).toBeTruthy();
  });

  it('that is not in this log says so', async () => {
    await show(await demoStore(), <RunScreen id="0190-none" />);
    expect(heading()).toBe('This is gone.');
  });

  it('of a procedure that only a later version knows is kept as it is', async () => {
    const store = await challenged();
    await store.dispatch(changeRun(first(store), (body) => ({ ...body, procedure: 'drip' })));
    await show(store, <RunScreen id={first(store).id} />);
    expect(heading()).toBe('A newer Zoarium began this.');
  });
});
