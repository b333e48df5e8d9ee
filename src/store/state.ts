import type {
  StateFromReducersMapObject,
  ThunkAction,
  ThunkDispatch,
  TypedStartListening,
  UnknownAction,
} from '@reduxjs/toolkit';
import { clockReducer } from './clockSlice';
import { computedReducer } from './computedSlice';
import type { Databases } from './databases';
import { draftsReducer } from './draftsSlice';
import { logReducer } from './logReducer';
import { pendingReducer } from './pendingSlice';
import type { Services } from './services';
import { sessionReducer } from './sessionSlice';

/** The parts of the state. */
export const reducer = {
  log: logReducer,
  session: sessionReducer,
  clock: clockReducer,
  drafts: draftsReducer,
  pending: pendingReducer,
  computed: computedReducer,
};

export type RootState = StateFromReducersMapObject<typeof reducer>;
/** What thunks and listeners are given besides the store. */
export interface ThunkExtra {
  services: Services;
  databases: Databases;
}
export type AppDispatch = ThunkDispatch<RootState, ThunkExtra, UnknownAction>;
export type AppThunk<Result = void> = ThunkAction<Result, RootState, ThunkExtra, UnknownAction>;
export type AppStartListening = TypedStartListening<RootState, AppDispatch, ThunkExtra>;

/** The name under which the tank last looked at is remembered. */
export const PLACE_DRAFT = 'place';
/** The name under which a practice log keeps what its run is besides its records: its clock among it. */
export const RUN_DRAFT = 'practice';
