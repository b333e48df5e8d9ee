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
  status: 'opening' | 'ready' | 'newer' | 'failed' | 'silent';
  /** The tank that is looked at; null until one is chosen. */
  tankId: string | null;
  damage: Damage[];
  notice: Notice | null;
  /** Whether the browser promised to keep this address; null until it was asked, or can't be. */
  persisted: boolean | null;
  /** Whether the last save was confirmed to be on the disk; null before the first. */
  flushed: boolean | null;
}

const initialState: Session = {
  which: 'own',
  status: 'opening',
  tankId: null,
  damage: [],
  notice: null,
  persisted: null,
  flushed: null,
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
    openingFailed(state, action: PayloadAction<'newer' | 'failed' | 'silent'>) {
      state.status = action.payload;
    },
    tankChosen(state, action: PayloadAction<string | null>) {
      state.tankId = action.payload;
    },
    damageSeen(state) {
      state.damage = [];
    },
    storageAnswered(
      state,
      action: PayloadAction<{ persisted?: boolean | null; flushed?: boolean }>,
    ) {
      Object.assign(state, action.payload);
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
  storageAnswered,
  noticed,
  noticeDismissed,
} = slice.actions;
export const sessionReducer = slice.reducer;
