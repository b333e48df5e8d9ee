import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What is typed but not saved, by name. Each screen parses its own draft with its own schema. */
const slice = createSlice({
  name: 'drafts',
  initialState: {} as Record<string, unknown>,
  reducers: {
    draftsLoaded: (_state, action: PayloadAction<Record<string, unknown>>) => action.payload,
    draftChanged(state, action: PayloadAction<{ name: string; value: unknown }>) {
      const { name, value } = action.payload;
      if (value === null || value === undefined) delete state[name];
      else state[name] = value;
    },
    /** One that another tab changed, and has stored. */
    draftHeard(state, action: PayloadAction<{ name: string; value: unknown }>) {
      state[action.payload.name] = action.payload.value;
    },
    /** Out of sight only: the stored one is emptied together with the act that it became. */
    draftRecorded(state, action: PayloadAction<string>) {
      delete state[action.payload];
    },
  },
});

export const { draftsLoaded, draftChanged, draftHeard, draftRecorded } = slice.actions;
export const draftsReducer = slice.reducer;
