import type { Snapshot } from '../core/copies/snapshots';
import { headsOfType } from '../core/records/log';
import { askCopies } from '../workers/copies/client';
import { selectZone } from './selectors';
import type { AppThunk } from './state';

export type Copies = { ok: true; copies: Snapshot[] } | { ok: false; why: string };

/** The copies of the log within this browser, the newest first. */
export function listCopies(): AppThunk<Promise<Copies>> {
  return async () => copiesIn(await askCopies({ ask: 'list' }));
}

/** Makes a copy of the log as it is stored, unless the newest holds the same. */
export function takeCopy(): AppThunk<Promise<Copies>> {
  return async (_dispatch, getState, { services }) => {
    const { log } = getState();
    const at = services.now();
    const about = {
      id: services.newId(),
      at,
      size: log.size,
      entries: headsOfType(log, 'entry').length,
    };
    return copiesIn(await askCopies({ ask: 'take', about, zone: selectZone(getState()) }));
  };
}

/** Lets all copies within this browser go. */
export function forgetCopies(): AppThunk<Promise<Copies>> {
  return async () => copiesIn(await askCopies({ ask: 'forget' }));
}

const copiesIn = (answer: Awaited<ReturnType<typeof askCopies>>): Copies =>
  answer.kind === 'list'
    ? { ok: true, copies: answer.copies }
    : { ok: false, why: answer.kind === 'failed' ? answer.why : '' };
