import {
  configureStore,
  createListenerMiddleware,
  type ThunkAction,
  type UnknownAction,
} from '@reduxjs/toolkit';
import { clockReducer } from './clockSlice';
import { Databases } from './databases';
import { draftChanged, draftsReducer } from './draftsSlice';
import { forecastReducer } from './forecastSlice';
import { logReducer } from './logReducer';
import type { Services } from './services';
import { sessionReducer, tankChosen } from './sessionSlice';

const reducer = {
  log: logReducer,
  session: sessionReducer,
  clock: clockReducer,
  drafts: draftsReducer,
  forecast: forecastReducer,
};

/** The name under which the tank last looked at is remembered. */
export const PLACE_DRAFT = 'place';

/** The app's store on the given services. Drafts go to the database whenever they change. */
export function createStore(services: Services) {
  const databases = new Databases(services);
  const listener = createListenerMiddleware();
  listener.startListening({
    actionCreator: draftChanged,
    effect: ({ payload }) => databases.saveDraft(payload.name, payload.value),
  });
  listener.startListening({
    actionCreator: tankChosen,
    effect: ({ payload }) => databases.saveDraft(PLACE_DRAFT, payload),
  });
  return configureStore({
    reducer,
    middleware: (defaults) =>
      defaults({
        thunk: { extraArgument: { services, databases } },
        // Walking a log of years after every action would cost more than it could ever catch.
        immutableCheck: { ignoredPaths: ['log', 'forecast'] },
        serializableCheck: { ignoredPaths: ['log', 'forecast'], ignoredActionPaths: ['payload'] },
      }).prepend(listener.middleware),
  });
}

export type AppStore = ReturnType<typeof createStore>;
export type RootState = ReturnType<AppStore['getState']>;
export type AppDispatch = AppStore['dispatch'];
export interface ThunkExtra {
  services: Services;
  databases: Databases;
}
export type AppThunk<Result = void> = ThunkAction<Result, RootState, ThunkExtra, UnknownAction>;
