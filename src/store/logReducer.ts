import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import { EMPTY_LOG, mergeRevisions, type Log } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';

export const logMerged = createAction<Revision[]>('log/merged');
export const logReplaced = createAction<Revision[]>('log/replaced');

/**
 * The log in memory. Written without drafts or proxies: merging already shares whatever did not
 * change, and a log of years would be slow to walk on every act.
 */
export function logReducer(log: Log = EMPTY_LOG, action: UnknownAction): Log {
  if (logMerged.match(action)) return mergeRevisions(log, action.payload);
  if (logReplaced.match(action)) return mergeRevisions(EMPTY_LOG, action.payload);
  return log;
}
