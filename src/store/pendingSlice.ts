import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Revision } from '../core/records/schema/revision';
import type { SaveTrouble } from '../storage/room';
import type { LogName } from './services';

/** An act that is in memory and not yet in the database. */
export interface PendingAct {
  id: string;
  which: LogName;
  revisions: Revision[];
  /** Drafts that it empties once it is stored. */
  empties: string[];
}

export interface PendingState {
  queue: PendingAct[];
  /** Why the last try failed; null while none has. */
  trouble: SaveTrouble | null;
}

const initialState: PendingState = { queue: [], trouble: null };

/** What waits to be stored. Plain functions without proxies: an import waits here by the thousand. */
const slice = createSlice({
  name: 'pending',
  initialState,
  reducers: {
    actQueued: (state, action: PayloadAction<PendingAct>): PendingState => ({
      ...(state as PendingState),
      queue: [...(state.queue as PendingAct[]), action.payload],
    }),
    actsStored: (state, action: PayloadAction<string[]>): PendingState => ({
      queue: (state.queue as PendingAct[]).filter((act) => !action.payload.includes(act.id)),
      trouble: null,
    }),
    storingFailed: (state, action: PayloadAction<SaveTrouble>): PendingState => ({
      ...(state as PendingState),
      trouble: action.payload,
    }),
    pendingForgotten: (state, action: PayloadAction<LogName>): PendingState => ({
      queue: (state.queue as PendingAct[]).filter((act) => act.which !== action.payload),
      trouble: null,
    }),
  },
});

export const { actQueued, actsStored, storingFailed, pendingForgotten } = slice.actions;
export const pendingReducer = slice.reducer;
