import * as z from 'zod';
import { NewerLogError } from '../storage/logStore';
import type { Revision } from '../core/records/schema/revision';
import { instant } from '../core/time/zone';
import { ticked } from './clockSlice';
import { draftHeard, draftsLoaded } from './draftsSlice';
import { standAt } from './wallClock';
import { allForgotten } from './computedSlice';
import { logMerged, logReplaced } from './logReducer';
import { pendingForgotten } from './pendingSlice';
import { storeRevisions } from './record';
import { chooseFirstTank } from './firstTank';
import { tanksInOrder } from '../core/history/tanksInOrder';
import { LOGS, type LogName } from './services';
import { opened, opening, openingFailed } from './sessionSlice';
import { breath } from '../storage/breath';
import { forgetSamples } from '../storage/forgetSamples';
import { PLACE_DRAFT, RUN_DRAFT, type AppThunk } from './state';
import { selectHistoryOf } from './world';

/** Writes a demo log for a moment, a zone and a source of ids. */
export type DemoMaker = (context: {
  now: number;
  zone: string;
  device: string;
  newId: () => string;
}) => Revision[];

/** How long a browser may take to answer before the person is told that it does not. */
const SILENCE_MS = 8000;

/**
 * Opens a log and everything that goes with it. What waits to be stored in it stays in sight.
 * @param seed fills the log if it has no records yet: how the demo is dated once and for all
 */
export function openLog(
  which: LogName,
  seed?: { make: DemoMaker; zone: string },
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services, databases }) => {
    standAt(null);
    dispatch(opening(which));
    dispatch(logReplaced([]));
    dispatch(allForgotten());
    const database = databases.open(which, {
      acts: (revisions) => {
        dispatch(logMerged(revisions));
        // A tab at Welcome goes on with the tank that another one set up or took in.
        if (getState().session.status === 'ready') dispatch(chooseFirstTank());
      },
      wiped: () => dispatch(forgetLog()),
      unclear: () => void dispatch(readAgain()),
      moved: () => void dispatch(hearClock()),
    });
    const silence = setTimeout(() => {
      if (databases.isOpen(database)) dispatch(openingFailed('silent'));
    }, SILENCE_MS);
    try {
      const [{ revisions, damage }, drafts] = await Promise.all([
        database.log.load(),
        database.drafts.load(),
      ]);
      // Another log was opened meanwhile: these records are not its own.
      if (!databases.isOpen(database)) return;
      // Merged and not put in place of what is there: another tab may have told of acts meanwhile.
      await dispatch(mergedInSlices(revisions, () => databases.isOpen(database)));
      if (!databases.isOpen(database)) return;
      dispatch(draftsLoaded(drafts));
      if (which === 'practice') dispatch(goByRun(drafts[RUN_DRAFT]));
      dispatch(ticked(services.now()));
      for (const act of getState().pending.queue) {
        if (act.which === which) dispatch(logMerged(act.revisions));
      }
      if (revisions.length === 0 && seed) {
        const { now, newId, device } = services;
        const context = { now: now(), zone: seed.zone, device: device.read().id, newId };
        await dispatch(storeRevisions(seed.make(context)));
        if (!databases.isOpen(database)) return;
      }
      const place = drafts[PLACE_DRAFT];
      const tanks = tanksInOrder(getState().log);
      const chosen = tanks.find((tank) => tank.id === place) ?? tanks[0];
      dispatch(opened({ damage, tankId: chosen?.id ?? null }));
    } catch (error) {
      if (!databases.isOpen(database)) return;
      dispatch(openingFailed(error instanceof NewerLogError ? 'newer' : 'failed'));
    } finally {
      clearTimeout(silence);
    }
  };
}

const runSchema = z.looseObject({
  clock: z.iso.datetime({ offset: true }),
  seed: z.number(),
  startedAt: z.string(),
});

/** Puts the clock of a practice log where its run stands; by the real one without a run. */
function goByRun(run: unknown): AppThunk {
  return () => {
    const { success, data } = runSchema.safeParse(run);
    standAt(success ? instant(data.clock) : null);
  };
}

/** Takes over what another tab moved the clock of the practice log to. */
function hearClock(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { databases, services }) => {
    const database = databases.opened;
    const value = (await database.drafts.load().catch(() => ({}) as Record<string, unknown>))[
      RUN_DRAFT
    ];
    if (!value || !databases.isOpen(database)) return;
    // Where a browser has no locks the earlier of two moves may have been stored last: no clock goes back.
    const { success, data } = runSchema.safeParse(value);
    if (!success) return;
    const here = runSchema.safeParse(getState().drafts[RUN_DRAFT]).data;
    const same = here?.seed === data.seed && here.startedAt === data.startedAt;
    if (same && instant(data.clock) < services.now()) return;
    dispatch(draftHeard({ name: RUN_DRAFT, value }));
    dispatch(goByRun(value));
    dispatch(ticked(services.now()));
  };
}

/** Revisions merged in one go: of more, the page would not answer meanwhile. */
const SLICE = 2500;

/**
 * Takes a log into memory in slices, and derives what is known of its tanks along with them: what rests
 * on few records comes first, entries in order of their time, so that each slice adds to the last.
 */
function mergedInSlices(
  revisions: readonly Revision[],
  goesOn: () => boolean,
): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    if (revisions.length <= SLICE) {
      dispatch(logMerged([...revisions]));
      return;
    }
    const order = (revision: Revision) =>
      revision.type !== 'entry' || revision.body.kind === 'calibration'
        ? -Infinity
        : instant(revision.body.at);
    const dated = revisions.map((revision) => ({ revision, at: order(revision) }));
    dated.sort((a, b) => (a.at === b.at ? 0 : a.at - b.at));
    for (let from = 0; from < dated.length; from += SLICE) {
      if (from > 0) await breath();
      if (!goesOn()) return;
      dispatch(logMerged(dated.slice(from, from + SLICE).map(({ revision }) => revision)));
      for (const { id } of tanksInOrder(getState().log)) selectHistoryOf(getState(), id);
    }
  };
}

/** Reads the store once more, for what another tab said and this one could not understand. */
export function readAgain(): AppThunk<Promise<void>> {
  return async (dispatch, _getState, { databases }) => {
    const database = databases.opened;
    try {
      const { revisions } = await database.log.load();
      if (databases.isOpen(database)) dispatch(logMerged(revisions));
    } catch (error) {
      if (error instanceof NewerLogError) dispatch(openingFailed('newer'));
    }
  };
}

/** Empties memory as the database was emptied, without leaving the screen one is on. */
function forgetLog(): AppThunk {
  return (dispatch, getState, { services }) => {
    // What was worked out from it goes with it, in every tab: one of them may be at work on more.
    void services.jobs.forget().catch(() => undefined);
    dispatch(pendingForgotten(getState().session.which));
    dispatch(logReplaced([]));
    dispatch(draftsLoaded({}));
    dispatch(opened({ damage: [], tankId: null }));
  };
}

/** Empties the open log in this browser and tells the other tabs. */
export function wipeLog(): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, { databases, services }) => {
    const { log, channel, name } = databases.opened;
    try {
      await databases.inTurn(() => log.wipe());
    } catch {
      return false;
    }
    // What other devices know of this one's copy is true of it no more.
    if (name === 'own') services.device.renew();
    // What monitors measured lies beside the log; it is nothing without it.
    void forgetSamples(LOGS[name].database).catch(() => undefined);
    channel.tellWiped();
    dispatch(forgetLog());
    return true;
  };
}
