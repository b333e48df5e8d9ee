import {
  headerSchema,
  LONGEST_DAYS,
  withSaid,
  type RunHeader,
  type Said,
} from '../core/practice/run/header';
import { playedLog, type Played } from '../core/practice/run/play';
import { revisionsOf, runOf, writeRun, type PracticeRun } from '../core/practice/run/runFile';
import type { SituationId } from '../core/practice/situations/situations';
import { allRevisions, type Log } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { DAY_MS, HOUR_MS, instant } from '../core/time/zone';
import { webInTurn } from '../storage/locks';
import { liveAlike, type Living } from '../workers/practice/client';
import { ticked } from './clockSlice';
import { draftChanged, draftHeard } from './draftsSlice';
import { openLog, wipeLog } from './open';
import { storeRevisions } from './record';
import { selectSettings } from './selectors';
import { noticeDismissed } from './sessionSlice';
import { chooseFirstTank } from './firstTank';
import { RUN_DRAFT, type AppThunk, type RootState } from './state';
import { standAt } from './wallClock';
import { selectForecastOf, selectVerdictOf } from './world';
import { LAWS_NOW } from '@/core/practice/world/nature';

let parsedFrom: unknown;
let parsed: RunHeader | null = null;

/** What the practice log's run is besides its records; null where none is open. */
export function selectRun(state: RootState): RunHeader | null {
  if (state.session.which !== 'practice') return null;
  const stored = state.drafts[RUN_DRAFT];
  if (stored !== parsedFrom) {
    const read = headerSchema.safeParse(stored);
    parsedFrom = stored;
    parsed = read.success ? read.data : null;
  }
  return parsed;
}

let playedBy: readonly [RunHeader, Log] | null = null;
let playedLast: Played | null = null;

/** The open run with its world, worked out anew when its log or its header has changed; null without one. */
export function selectPlayed(state: RootState): Played | null {
  const header = selectRun(state);
  if (!header) return null;
  if (playedBy?.[0] !== header || playedBy[1] !== state.log) {
    playedBy = [header, state.log];
    playedLast = playedLog(header, allRevisions(state.log));
  }
  return playedLast;
}

/** The open run, to be kept as a file. */
export function openRun(): AppThunk<PracticeRun | null> {
  return (_dispatch, getState) => {
    const header = selectRun(getState());
    return header ? runOf(header, allRevisions(getState().log)) : null;
  };
}

/** Puts a run into the practice log in place of the one that is there, and opens it. */
export function openPractice(run: PracticeRun): AppThunk<Promise<boolean>> {
  return async (dispatch, getState, { databases }) => {
    // Seen as one sees one's own: the units and the day or night of whoever opens it, which change no world.
    const own = selectSettings(getState());
    const seen = (revision: Revision): Revision =>
      revision.type === 'settings' && revision.rev === 1
        ? { ...revision, body: { ...own, bands: {}, bandPreset: revision.body.bandPreset } }
        : revision;
    await dispatch(openLog('practice'));
    if (!(await dispatch(wipeLog()))) return false;
    const clock = instant(run.header.clock);
    standAt(clock);
    dispatch(ticked(clock));
    dispatch(draftHeard({ name: RUN_DRAFT, value: run.header }));
    const { saved } = await dispatch(storeRevisions(revisionsOf(run).map(seen), { begun: true }));
    dispatch(chooseFirstTank());
    // Stored last: what is broken off in the middle is no run yet, and is begun anew.
    if (saved) await databases.saveDraft(RUN_DRAFT, run.header);
    databases.opened.channel.tellMoved();
    return saved;
  };
}

/** Begins a run in a situation, by a seed that makes it one of its kind. */
export function beginPractice(
  situation: SituationId,
  seed: number,
  now: number,
  zone: string,
): AppThunk<Promise<boolean>> {
  const startedAt = new Date(Math.floor(now / HOUR_MS) * HOUR_MS).toISOString();
  return (dispatch) =>
    dispatch(
      openPractice({
        header: {
          ...{ seed, situation, startedAt, zone, laws: LAWS_NOW },
          ...{ clock: startedAt, said: [], answer: null },
        },
        records: [],
      }),
    );
}

const iso = (ms: number) => new Date(ms).toISOString();

/** What is said of the tank at this moment. */
function saidNow(state: RootState, at: number): Said | null {
  const { tankId } = state.session;
  const verdict = selectVerdictOf(state, tankId);
  if (!verdict) return null;
  const forecast = selectForecastOf(state, tankId);
  const { p10 = null, p50 = null, p90 = null } = forecast?.milestones.ready ?? {};
  const next = forecast?.nextTest ?? null;
  return {
    at: iso(at),
    verdict: verdict.word,
    because: (
      verdict.criteria.find(({ state, role }) => role !== 'supports' && state !== 'met')?.because ??
      ''
    ).slice(0, 400),
    forecast: p10 !== null && p50 !== null && p90 !== null ? [iso(p10), iso(p50), iso(p90)] : null,
    nextTest: next ? { at: iso(next.at), tests: [...next.parameters] } : null,
  };
}

/**
 * Moves the practice clock on, and never back: what was said until then is kept with it. Done under a lock,
 * so that of two tabs that move it at once the later moment stands, and told to the others.
 * @returns where it stands
 */
export function moveClock(to: number): AppThunk<Promise<number>> {
  return async (dispatch, getState, { databases, services }) => {
    const database = databases.opened;
    const before = selectRun(getState());
    if (!before) return services.now();
    const said = saidNow(getState(), instant(before.clock));
    return webInTurn('zoarium-practice-clock', async () => {
      const stored = headerSchema.safeParse((await database.drafts.load())[RUN_DRAFT]);
      const header = stored.success ? stored.data : before;
      const most = instant(header.startedAt) + LONGEST_DAYS * DAY_MS;
      const clock = Math.min(most, Math.max(instant(header.clock), instant(before.clock), to));
      const kept = said ? withSaid(header, said) : header;
      const value: RunHeader = { ...kept, clock: iso(clock) };
      await databases.inTurn(() => database.drafts.save(RUN_DRAFT, value));
      if (!databases.isOpen(database)) return clock;
      standAt(clock);
      dispatch(draftHeard({ name: RUN_DRAFT, value }));
      dispatch(ticked(clock));
      // What was done before can be taken back in words alone now.
      dispatch(noticeDismissed());
      database.channel.tellMoved();
      return clock;
    });
  };
}

/** Asks tanks like the open one what a deed did; null without a run. */
export function askAlike(
  deedId: string,
  progress: (share: number) => void,
): AppThunk<Living | null> {
  return (dispatch) => {
    const run = dispatch(openRun());
    return run ? liveAlike(writeRun(run), deedId, progress) : null;
  };
}

/** Keeps which answer was given to the situation's question. */
export function answerQuestion(answer: number): AppThunk {
  return (dispatch, getState) => {
    const header = selectRun(getState());
    if (header) dispatch(draftChanged({ name: RUN_DRAFT, value: { ...header, answer } }));
  };
}
