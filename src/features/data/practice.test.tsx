import { screen } from '@testing-library/react';
import { openLog } from '@/store/open';
import { LOGS } from '@/store/services';
import { createStore } from '@/store/store';
import { heading, SCREEN_NOW, show } from '@/testing/appHarness';
import { testServices } from '@/testing/services';
import { DataScreen } from './DataScreen';
import { DevicesScreen } from './devices/DevicesScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => true }),
}));
jest.mock('@/workers/logs/client', () => ({ openInWorker: jest.fn() }));
jest.mock('@/workers/copies/client', () => ({}));

describe('a made-up tank', () => {
  it.each([
    ['its data', <DataScreen key="data" />],
    ['another device', <DevicesScreen key="devices" />],
  ])('does not leave as a log, nor take one in: %s', async (_name, element) => {
    const store = createStore(testServices(SCREEN_NOW));
    await store.dispatch(openLog('practice'));
    await show(store, element);
    expect(heading()).toBe('A practice has a file of its own.');
    expect(screen.queryByRole('button', { name: /Export|Import|Carry|Erase/ })).toBeNull();
  });

  it('is the one log that neither leaves, rings nor is copied', () => {
    const kept = Object.entries(LOGS).filter(([, row]) => row.leaves || row.rings || row.copied);
    expect(kept.map(([name]) => name)).toEqual(['own', 'demo']);
  });
});
