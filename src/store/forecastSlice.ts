import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Forecast } from '../core/cycle/forecast';

export interface ForecastState {
  /** The tank it belongs to. */
  tankId: string | null;
  /** The newest one of that tank; it stays while the next is worked out. */
  forecast: Forecast | null;
  status: 'idle' | 'running' | 'ready' | 'failed';
  /** Share done of the one being worked out, 0 to 1. */
  progress: number;
}

const initialState: ForecastState = { tankId: null, forecast: null, status: 'idle', progress: 0 };

const slice = createSlice({
  name: 'forecast',
  initialState,
  reducers: {
    forecastBegun: (state, action: PayloadAction<string>): ForecastState => ({
      tankId: action.payload,
      forecast: state.tankId === action.payload ? (state.forecast as Forecast | null) : null,
      status: 'running',
      progress: 0,
    }),
    forecastProgressed: (state, action: PayloadAction<number>) => {
      state.progress = action.payload;
    },
    forecastMade: (_state, action: PayloadAction<Forecast>): ForecastState => ({
      tankId: action.payload.tankId,
      forecast: action.payload,
      status: 'ready',
      progress: 1,
    }),
    forecastFailed: (state) => {
      state.status = 'failed';
    },
    forecastCleared: () => initialState,
  },
});

export const forecastReducer = slice.reducer;
export const { forecastBegun, forecastProgressed, forecastMade, forecastFailed, forecastCleared } =
  slice.actions;
