import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { emergencies } from '@/core/runs/procedures';
import { selectLiveRuns } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import { demoStore, heading, press, show } from '@/testing/appHarness';
import { EmergencyScreen } from './EmergencyScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/emergency' }));
jest.setTimeout(30_000);
beforeEach(() => jest.clearAllMocks());

const rows = () =>
  screen.getAllByRole('button').flatMap((row) => {
    const label = row.getAttribute('aria-label') ?? '';
    return label.includes(': ') ? [label] : [];
  });

describe('an emergency', () => {
  it('lists what can be wrong by its signs, a person before the tank', async () => {
    await show(await demoStore('Fulmar'), <EmergencyScreen />);
    expect(heading()).toBe('What is wrong?');
    expect(rows()).toEqual(emergencies().map(({ name, sign }) => `${name}: ${sign}`));
    expect(emergencies()[0]?.id).toBe('personHurt');
  });

  it('begins with one tap at the tank in view, and goes on with the next', async () => {
    const store = await demoStore('Fulmar');
    const power = emergencies().find(({ id }) => id === 'powerCut');
    const name = `${power?.name}: ${power?.sign}`;
    for (const times of [1, 2]) {
      await show(store, <EmergencyScreen />);
      await press(name);
      await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledTimes(times));
      expect(mockRouter.replace).toHaveBeenLastCalledWith('/runs/powerCut');
      cleanup();
    }
    const begun = selectLiveRuns(store.getState()).filter((r) => r.body.procedure === 'powerCut');
    expect(begun).toHaveLength(1);
    expect(begun[0]?.body.tankId).toBe(selectTank(store.getState())?.id);
  });

  it('is one run for two taps in a row', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <EmergencyScreen />);
    const row = screen.getByRole('button', { name: rows()[1] });
    fireEvent.click(row);
    fireEvent.click(row);
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalled());
    expect(mockRouter.replace).toHaveBeenCalledTimes(1);
    expect(selectLiveRuns(store.getState())).toHaveLength(1);
  });
});
