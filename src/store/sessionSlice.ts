import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Damage } from '../storage/logStore';
import type { LogName } from './services';

/** A short message at the foot of the screen, with the act it can undo. */
export interface Notice {
  /** Changes with every notice, so that the same words twice are two notices. */
  serial: number;
  text: string;
  undo: string[] | null;
}

export interface Session {
  which: LogName;
  status: 'opening' | 'ready' | 'newer' | 'failed';
  /** The tank that is looked at; null until one is chosen. */
  tankId: string | null;
  damage: Damage[];
  /** Revisions that are in memory only, because the browser would not store them. */
  unsaved: number;
  /** Why the last save failed. */
  trouble: string | null;
  notice: Notice | null;
}

const initialState: Session = {
  which: 'own',
  status: 'opening',
  tankId: null,
  damage: [],
  unsaved: 0,
  trouble: null,
  notice: null,
};

const slice = createSlice({
  name: 'session',
  initialState,
  reducers: {
    opening: (_state, action: PayloadAction<LogName>) => ({
      ...initialState,
      which: action.payload,
    }),
    opened(state, action: PayloadAction<{ damage: Damage[]; tankId: string | null }>) {
      state.status = 'ready';
      state.damage = action.payload.damage;
      state.tankId = action.payload.tankId;
    },
    openingFailed(state, action: PayloadAction<'newer' | 'failed'>) {
      state.status = action.payload;
    },
    tankChosen(state, action: PayloadAction<string | null>) {
      state.tankId = action.payload;
    },
    damageSeen(state) {
      state.damage = [];
    },
    saveFailed(state, action: PayloadAction<{ unsaved: number; why: string }>) {
      state.unsaved = action.payload.unsaved;
      state.trouble = action.payload.why;
    },
    allSaved(state) {
      state.unsaved = 0;
      state.trouble = null;
    },
    noticed(state, action: PayloadAction<Omit<Notice, 'serial'>>) {
      state.notice = { ...action.payload, serial: (state.notice?.serial ?? 0) + 1 };
    },
    noticeDismissed(state) {
      state.notice = null;
    },
  },
});

export const {
  opening,
  opened,
  openingFailed,
  tankChosen,
  damageSeen,
  saveFailed,
  allSaved,
  noticed,
  noticeDismissed,
} = slice.actions;
export const sessionReducer = slice.reducer;
