import { screen, waitFor } from '@testing-library/react';
import { MINUTE_MS } from '@/core/time/zone';
import { beginRun, selectLiveRuns, startClock } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import type { AppStore } from '@/store/store';
import { demoStore, SCREEN_NOW, show } from '@/testing/appHarness';
import { RunBar } from './RunBar';
import { LiveRuns } from './LiveRuns';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/' }));
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

const tankId = (store: AppStore) => selectTank(store.getState())?.id ?? '';

describe('a run, wherever one is,', () => {
  async function waiting(minutes: number): Promise<AppStore> {
    const store = await demoStore('Kittiwake');
    const ends = SCREEN_NOW + minutes * MINUTE_MS;
    const clock = { id: 'kit', name: 'Nitrate card', ends };
    await store.dispatch(startClock('testWait', tankId(store), clock));
    return store;
  }

  it('the bar counts down, leads to the run, and rings once when the clock ends', async () => {
    const store = await waiting(5);
    await show(store, <RunBar hidden={false} />);
    expect(screen.getByText('5:00')).toBeTruthy();
    mockNow = SCREEN_NOW + 5 * MINUTE_MS + 100;
    await waitFor(
      () => expect(store.getState().session.notice?.text).toBe('Nitrate card: read it now'),
      { timeout: 4000 },
    );
    expect(screen.getByText('now')).toBeTruthy();
    screen.getByRole('link', { name: 'Test waits. Open' }).click();
    expect(mockRouter.push).toHaveBeenCalledWith(
      `/runs/${selectLiveRuns(store.getState())[0]?.id}`,
    );
  });

  it('the bar says nothing of a clock that ended long before the page was opened', async () => {
    const store = await waiting(-90);
    await show(store, <RunBar hidden={false} />);
    expect(store.getState().session.notice?.text ?? '').not.toMatch(/read it now/);
  });

  it('several at once are counted, and named with their tanks on Today', async () => {
    const store = await waiting(5);
    await store.dispatch(beginRun('drops', tankId(store), { target: 40 }));
    await show(store, <RunBar hidden={false} />);
    expect(screen.getByText('Nitrate card and 1 more')).toBeTruthy();
    await show(store, <LiveRuns now={SCREEN_NOW} />);
    expect(screen.getByText('Test waits, Kittiwake')).toBeTruthy();
    expect(screen.getByText('Counting drops, Kittiwake')).toBeTruthy();
  });
});
