import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { act, render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { demoLog } from '../core/demo/demoLog';
import { DraftStore } from '../storage/drafts';
import { LogStore } from '../storage/logStore';
import { ticked } from '../store/clockSlice';
import { openLog } from '../store/open';
import { selectTanks } from '../store/selectors';
import type { Services } from '../store/services';
import { tankChosen } from '../store/sessionSlice';
import { createStore, type AppStore } from '../store/store';
import { testId } from './logBuilder';

/** The moment every screen test is dated for. */
export const SCREEN_NOW = Date.parse('2026-11-24T12:00:00Z');

let databases = 0;
let ids = 100_000;

function services(): Services {
  databases += 1;
  const suffix = databases;
  return {
    now: () => SCREEN_NOW,
    newId: () => testId((ids += 1)),
    device: 'screen',
    openDatabase: (name) => {
      const database = createAsyncStorage(`screen-${suffix}-${name}`);
      return {
        log: new LogStore(database, name, async () => false),
        drafts: new DraftStore(database),
      };
    },
    openChannel: () => ({
      tell: () => undefined,
      tellWiped: () => undefined,
      close: () => undefined,
    }),
    whyNotSaved: async () => 'No room.',
    forecaster: { run: async () => null, stop: () => undefined },
  };
}

/** A store with the demo open at one of its tanks. */
export async function demoStore(tank = 'Kittiwake'): Promise<AppStore> {
  const store = createStore(services());
  store.dispatch(ticked(SCREEN_NOW));
  await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
  const found = selectTanks(store.getState()).find((t) => t.body.name === tank);
  if (found) store.dispatch(tankChosen(found.id));
  return store;
}

/** Renders a screen on a store. */
export async function show(store: AppStore, screen: ReactNode): Promise<void> {
  await act(async () => {
    render(<Provider store={store}>{screen}</Provider>);
  });
}
