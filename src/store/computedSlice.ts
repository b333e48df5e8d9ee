import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { MethodOutcome } from '../core/cycle/dosing/methods';
import type { Forecast, Posterior } from '../core/cycle/forecast';
import type { PlanMove } from '../core/livestock/planner/search/moves';
import type { Plan } from '../core/livestock/planner/types';
import type { AsksOfTank } from '../core/tasks/types';

/** What can be computed away from the screen, each under a key of its own. */
export interface ComputedValues {
  forecast: Forecast;
  posterior: Posterior;
  methods: MethodOutcome[];
  plan: Plan;
  /** What the newest plan moved of the one before it. */
  moves: PlanMove[];
  /** What a tank's batches, medicines and corals ask for. */
  asks: AsksOfTank;
}
export type ComputedName = keyof ComputedValues;

/** One computed thing, and how the newest question about it stands. */
export interface Computed<T = unknown> {
  /** The newest answer; it stays while the next is worked out. */
  value: T | null;
  status: 'running' | 'ready' | 'failed';
  /** Share done of the one being worked out, 0 to 1. */
  progress: number;
  /** Names what was asked last: an equal question is not asked again. */
  asked: string;
  /** Which history the answer is of, and which the question; see `historyMark`. */
  of: number;
  askedOf: number;
}

type State = { [N in ComputedName]: Record<string, Computed<ComputedValues[N]>> };

const initialState: State = {
  forecast: {},
  posterior: {},
  methods: {},
  plan: {},
  moves: {},
  asks: {},
};

const NOTHING: Computed<never> = {
  value: null,
  status: 'running',
  progress: 0,
  asked: '',
  of: 0,
  askedOf: 0,
};

type At<P> = PayloadAction<{ name: ComputedName; key: string } & P>;

function changed<N extends ComputedName>(
  state: State,
  name: N,
  key: string,
  change: (before: Computed<ComputedValues[N]> | undefined) => Computed<ComputedValues[N]>,
): State {
  const list: State[N] = { ...state[name], [key]: change(state[name][key]) };
  return { ...state, [name]: list };
}

/**
 * Everything that was computed away from the screen. Plain functions without proxies: a forecast is
 * large, and nobody changes a part of it.
 */
const slice = createSlice({
  name: 'computed',
  initialState,
  reducers: {
    jobBegun: (
      state,
      { payload: { name, key, asked, of = 0 } }: At<{ asked: string; of?: number }>,
    ) =>
      changed(state as State, name, key, (before = NOTHING) => ({
        ...before,
        status: 'running',
        progress: 0,
        asked,
        askedOf: of,
      })),
    /** The same question, of a history that differs in nothing it asks about. */
    jobHoldsFor: (state, { payload: { name, key, of } }: At<{ of: number }>) =>
      changed(state as State, name, key, (before = NOTHING) => ({
        ...before,
        askedOf: of,
        of: before.status === 'ready' ? of : before.of,
      })),
    jobProgressed: (state, { payload: { name, key, share } }: At<{ share: number }>) =>
      changed(state as State, name, key, (before = NOTHING) => ({
        ...before,
        status: 'running',
        progress: share,
      })),
    jobFailed: (state, { payload: { name, key } }: At<object>) =>
      changed(state as State, name, key, (before = NOTHING) => ({
        ...before,
        status: 'failed',
        progress: 0,
        asked: '',
      })),
    jobForgotten: (state, { payload: { name, key } }: At<object>) => {
      const { [key]: _gone, ...rest } = (state as State)[name];
      return { ...(state as State), [name]: rest };
    },
    allForgotten: () => initialState,
    computed: (
      state,
      action: PayloadAction<
        {
          [N in ComputedName]: { name: N; key: string; asked: string; value: ComputedValues[N] };
        }[ComputedName]
      >,
    ): State => {
      const { name, key, asked, value } = action.payload;
      const of = (state as State)[name][key]?.askedOf ?? 0;
      const entry = { value, status: 'ready', progress: 1, asked, of, askedOf: of };
      return {
        ...(state as State),
        [name]: { ...(state as State)[name], [key]: entry },
      };
    },
  },
});

export const computedReducer = slice.reducer;
export const {
  jobBegun,
  jobHoldsFor,
  jobProgressed,
  jobFailed,
  jobForgotten,
  allForgotten,
  computed,
} = slice.actions;
