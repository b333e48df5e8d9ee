import type { TankHistory } from '../history/tankHistory';
import type { Run } from '../records/schema/run';
import { instant } from '../time/zone';
import { stepsOf, type Procedure, type Step } from './procedure';

/** A clock of a run. */
export interface Clock {
  id: string;
  name: string;
  /** When it ends, ms. */
  ends: number;
  /** ms left; 0 once it has ended. */
  left: number;
}

/** Where a run stands at a moment. */
export interface RunStanding {
  procedure: Procedure;
  /** The step to be done now; null once all are. */
  step: Step | null;
  /** Its place, from 1, and how many there are. */
  place: number;
  count: number;
  /** Which steps are done, in their order: by the keeper, by a clock, or as the log shows. */
  done: boolean[];
  /** Soonest first. */
  clocks: Clock[];
}

function clocksOf(run: Run, procedure: Procedure, now: number): Clock[] {
  return Object.entries(run.clocks)
    .map(([id, end]) => {
      const ends = instant(end);
      return { id, name: procedure.clockName(run, id), ends, left: Math.max(0, ends - now) };
    })
    .sort((a, b) => a.ends - b.ends);
}

/** Whether a waiting step is over: all clocks of the run have ended. */
function waited(clocks: readonly Clock[]): boolean {
  return clocks.length > 0 && clocks.every((clock) => clock.left === 0);
}

function isDone(
  { id, kind, minutes, shown }: Step,
  place: number,
  run: Run,
  clocks: readonly Clock[],
  count: number,
  tank: TankHistory | null,
): boolean {
  if (run.steps[id]) return true;
  if (shown && tank && shown(tank) !== null) return true;
  if (kind !== 'wait') return false;
  if (minutes) return clocks.some((clock) => clock.id === id && clock.left === 0);
  return place < count - 1 && waited(clocks);
}

/** Where a run of a procedure stands: the first step that is not done. A wait is done when its clocks are. */
export function standingIn(
  procedure: Procedure,
  run: Run,
  now: number,
  tank: TankHistory | null = null,
): RunStanding {
  const clocks = clocksOf(run, procedure, now);
  const steps = stepsOf(procedure, run);
  const done = steps.map((step, place) => isDone(step, place, run, clocks, steps.length, tank));
  const open = done.indexOf(false);
  return {
    procedure,
    step: open === -1 ? null : (steps[open] ?? null),
    place: open === -1 ? steps.length : open + 1,
    count: steps.length,
    done,
    clocks,
  };
}
