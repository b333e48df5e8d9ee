import { createSelector } from '@reduxjs/toolkit';
import type { ProcedureId } from '../core/runs/procedures';
import type { RevisionOf } from '../core/records/schema/revision';
import type { Run } from '../core/records/schema/run';
import { derivedId } from '../core/math/hash';
import { headOf, isType, liveHead, recordOf } from '../core/records/log';
import { ended, withClock, withStep } from '../core/runs/procedures/changes';
import type { ActWriter } from '../core/acts/writer';
import { recordAct } from './record';
import type { AppThunk, RootState } from './state';

/** Runs that go on, the oldest first. */
export const selectLiveRuns = createSelector(
  [(state: RootState) => state.log.runs],
  (runs): RevisionOf<'run'>[] =>
    runs
      .filter((run) => run.body.ended === null)
      .sort((a, b) => (a.body.begunAt < b.body.begunAt ? -1 : 1)),
);

/** The run of a procedure that goes on at a tank. */
export function liveRun(
  state: RootState,
  tankId: string,
  procedure: ProcedureId,
): RevisionOf<'run'> | undefined {
  return selectLiveRuns(state).find(
    ({ body }) => body.tankId === tankId && body.procedure === procedure,
  );
}

/** A run as it begins. */
export function newRun(
  procedure: ProcedureId,
  tankId: string,
  at: string,
  given: Run['given'] = {},
): Run {
  return { procedure, tankId, begunAt: at, ended: null, given, steps: {}, clocks: {} };
}

/** Starts a clock in the run of a procedure at a tank, which begins with it if need be. */
export function startClock(
  procedure: ProcedureId,
  tankId: string,
  clock: { id: string; name: string; ends: number },
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const iso = (ms: number) => new Date(ms).toISOString();
    const live = liveRun(getState(), tankId, procedure);
    const run = live?.body ?? newRun(procedure, tankId, iso(services.now()));
    const next = withClock(run, clock.id, iso(clock.ends), clock.name);
    await dispatch(
      recordAct((act) => {
        if (live) act.revise(live, next);
        else createRun(act, next);
      }),
    );
  };
}

/**
 * Begins a run as a part of an act. Its id comes of tank and procedure, so that two tabs that begin at once
 * begin one; a run that goes on is gone on with.
 * @param of tells runs of one procedure apart that may go on beside each other
 */
export function createRun(act: ActWriter, body: Run, of = ''): string {
  for (let n = 0; ; n += 1) {
    const id = derivedId(`run/${body.tankId}/${body.procedure}/${of}/${n}`);
    const known = headOf(act.log, id);
    if (!known) return act.createAs(id, 'run', body);
    if (isType(known, 'run') && !known.deleted && known.body.ended === null) return id;
  }
}

/** Begins a run. */
export function beginRun(
  procedure: ProcedureId,
  tankId: string,
  given: Run['given'],
): AppThunk<Promise<void>> {
  return async (dispatch, _getState, { services }) => {
    const at = new Date(services.now()).toISOString();
    await dispatch(recordAct((act) => void createRun(act, newRun(procedure, tankId, at, given))));
  };
}

/** Ends a run, as a part of the act that it ends with. */
export function endRun(
  act: ActWriter,
  run: RevisionOf<'run'> | undefined,
  at: string,
  how: 'done' | 'stopped' = 'done',
): void {
  if (run) act.revise(run, ended(run.body, at, how));
}

/** Changes a run as it stands by now: whoever asks may have seen it a tap earlier. */
export function changeRun(
  run: RevisionOf<'run'>,
  change: (body: Run, at: string) => Run,
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const at = new Date(services.now()).toISOString();
    const now = liveHead(getState().log, run.id, 'run') ?? run;
    await dispatch(recordAct((act) => act.revise(now, change(now.body, at))));
  };
}

/**
 * Notes a step of a run, with what was measured or chosen. The act is that of the step as its keeper saw
 * it: noted twice from one sight of the run, by a double tap or by two tabs, it is one.
 */
export function noteStep(
  run: RevisionOf<'run'>,
  step: string,
  value?: string | number,
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const actId = derivedId(`${run.id}/${run.rev}/${run.actId}/${step}`);
    const known = recordOf(getState().log, run.id);
    if (known?.revisions.some((revision) => revision.actId === actId)) return;
    const at = new Date(services.now()).toISOString();
    const now = liveHead(getState().log, run.id, 'run') ?? run;
    await dispatch(
      recordAct((act) => act.revise(now, withStep(now.body, step, at, value)), { actId }),
    );
  };
}
