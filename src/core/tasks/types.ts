import type { Forecast } from '../cycle/forecast/types';
import type { Verdict } from '../cycle/verdict/types';
import type { TankHistory } from '../history/tankHistory';
import type { RevisionOf } from '../records/schema/revision';
import type { ParameterId } from '../parameters/registry';
import type { Place } from '../opens';
import type { Plan } from '../livestock/planner/types';
import type { ProcedureId } from '../runs/procedures';

/** What doing a task opens. */
export type Opens = Place | { run: ProcedureId };

/** One time that something is to be done at a tank, and why. */
export interface Occurrence {
  /** The same for every time of one thing. */
  id: string;
  /** Names this one time, whenever it is worked out: what was said of it is kept under this. */
  key: string;
  title: string;
  because: string;
  /** The calendar day it falls due, as midnight in the tank's zone; may lie in the past. */
  dueOn: number;
  /** Days from today; negative when overdue. */
  inDays: number;
  /** The moment of that day, ms, where the hour matters. */
  at?: number;
  /** Minutes it takes, roughly. */
  minutes: number;
  /** What it tests. */
  parameters: ParameterId[];
  opens: Opens;
  /** Done by saying so; the rest by what it opens. */
  tick?: true;
}

/** Something that falls due on a day, worked out apart from the rest: what it rests on is heavy. */
export type Ask = Pick<Occurrence, 'id' | 'title' | 'because' | 'minutes' | 'opens'> &
  Partial<Pick<Occurrence, 'parameters' | 'key' | 'tick'>> & {
    /** ms */
    due: number;
  };

/** What is asked of a tank apart from its tests: by batches, medicines and corals, and by daily life. */
export interface AsksOfTank {
  asks: readonly Ask[];
  daily: readonly Ask[];
}

/** What tasks are worked out from. */
export interface TaskWorld {
  history: TankHistory;
  verdict: Verdict;
  /** Without one everything keeps its cadence. */
  forecast: Forecast | null;
  /** The plan of its wishes; null where there is none. */
  plan?: Plan | null;
  /** Batches in quarantine, here and elsewhere. */
  batches?: readonly Pick<RevisionOf<'batch'>, 'id' | 'body'>[];
  /** What batches, medicines and corals ask for, where that was worked out. */
  asks?: readonly Ask[];
  /** What daily life asks for: chores, instruments, figures that drift. */
  daily?: readonly Ask[];
  /** Days before its day at which what is asked for is listed; a week without it. */
  listDays?: number;
  /** Runs, those that are over among them. */
  runs?: readonly Pick<RevisionOf<'run'>, 'id' | 'body'>[];
  /** Parameters the keeper owns a kit for; others are not asked for. */
  owned: ReadonlySet<ParameterId>;
}

/** Something that asks for things to be done. */
export interface TaskSource {
  /** What falls due until a moment, seen from another, both ms. */
  occurrences: (world: TaskWorld, from: number, until: number) => Occurrence[];
}
