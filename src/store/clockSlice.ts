import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { MINUTE_MS } from '../core/time/zone';

/** The one clock: whole minutes, so that what depends on it is computed once a minute at most. */
const slice = createSlice({
  name: 'clock',
  initialState: { now: 0 },
  reducers: {
    ticked(state, action: PayloadAction<number>) {
      state.now = Math.floor(action.payload / MINUTE_MS) * MINUTE_MS;
    },
  },
});

export const { ticked } = slice.actions;
export const clockReducer = slice.reducer;
