import { revisionKey } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { BroughtStore, type Brought } from '../storage/brought';
import { undoKeys } from './record';
import type { AppThunk, ThunkExtra } from './state';

const storeOf = ({ databases }: ThunkExtra) => new BroughtStore(databases.opened.storage);

/** Where records came from, a log's or a sheet's file or another device, and what they amount to. */
export type Origin = Pick<Brought, 'kind' | 'name' | 'words'> & {
  /** The act that it all was, where it was one. */
  id?: string;
};

/**
 * Remembers what a file brought in, so that it is known by its name and can be undone later. Where there is no
 * room for that, what came in stands all the same.
 */
export function rememberBrought(
  origin: Origin,
  fresh: readonly Revision[],
): AppThunk<Promise<void>> {
  return async (_dispatch, _getState, extra) => {
    if (fresh.length === 0) return;
    const { services } = extra;
    const brought: Brought = {
      id: services.newId(),
      ...origin,
      at: new Date(services.now()).toISOString(),
      name: origin.name.slice(0, 300),
    };
    await storeOf(extra)
      .put(brought, fresh.map(revisionKey))
      .catch(() => undefined);
  };
}

/** What files brought into this log, the newest first. */
export function listBrought(): AppThunk<Promise<Brought[]>> {
  return (_dispatch, _getState, extra) =>
    storeOf(extra)
      .list()
      .catch(() => []);
}

/** Takes back what a file brought in. What was changed since stays. */
export function undoBrought(id: string): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, extra) => {
    const keys = await storeOf(extra)
      .keys(id)
      .catch(() => []);
    return dispatch(undoKeys(keys));
  };
}
