import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { Databases } from './databases';
import { draftChanged } from './draftsSlice';
import { followForecasts } from './forecasting';
import type { Services } from './services';
import { followPlans, type AskingLoader } from './plans';
import { tankChosen } from './sessionSlice';
import { PLACE_DRAFT, reducer, type AppDispatch, type RootState, type ThunkExtra } from './state';

/** Parts of the state that are large, and made anew rather than changed. */
const LARGE = ['log', 'computed', 'pending'];

/** The app's store on the given services. Drafts go to the database whenever they change. */
export function createStore(services: Services, loadAsking?: AskingLoader) {
  const databases = new Databases(services);
  const extra: ThunkExtra = { services, databases };
  const listener = createListenerMiddleware<RootState, AppDispatch, ThunkExtra>({ extra });
  listener.startListening({
    actionCreator: draftChanged,
    effect: ({ payload }) => databases.saveDraft(payload.name, payload.value),
  });
  listener.startListening({
    actionCreator: tankChosen,
    effect: ({ payload }) => databases.saveDraft(PLACE_DRAFT, payload),
  });
  if (services.followsForecasts) {
    followForecasts(listener.startListening);
    followPlans(listener.startListening, loadAsking);
  }
  return configureStore({
    reducer,
    middleware: (defaults) =>
      defaults({
        thunk: { extraArgument: extra },
        // Walking a log of years after every action would cost more than it could ever catch.
        immutableCheck: { ignoredPaths: [...LARGE] },
        serializableCheck: { ignoredPaths: [...LARGE], ignoredActionPaths: ['payload'] },
      }).prepend(listener.middleware),
  });
}

export type AppStore = ReturnType<typeof createStore>;
