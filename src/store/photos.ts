import type { Photo } from '../core/photos/file';
import { photosShown } from '../core/photos/shown';
import { liveHead } from '../core/records/log';
import type { AnimalsEntry } from '../core/records/kinds/animals';
import type { RevisionOf } from '../core/records/schema/revision';
import { PhotoStore, type KeptPhoto } from '../storage/photos';
import { scalePhoto } from '../workers/photos/client';
import { webInTurn } from '../storage/locks';
import { readAgain } from './open';
import { recordAct } from './record';
import type { AppThunk, ThunkExtra } from './state';

const REFUSALS = {
  tooLarge: 'That file is larger than 40 MB: a photo of a phone has a tenth of it.',
  unreadable: 'The browser cannot read that as a picture. Take it as JPEG or PNG.',
  unable: 'This browser cannot scale a picture down. A newer one can.',
} as const;
/** A file beyond this is no photo, and would fill the memory of a phone, bytes. */
const MOST_BYTES = 40_000_000;

/** Between keeping a photo and naming it no tab may take it for one that nothing shows. */
const PHOTOS_LOCK = 'zoarium-photos';

const photosOf = ({ databases }: ThunkExtra) => new PhotoStore(databases.opened.storage);

/** A photo as it is kept; null where it is not in this browser. */
export function findPhoto(id: string): AppThunk<Promise<string | null>> {
  return (_dispatch, _getState, extra) =>
    photosOf(extra)
      .get(id)
      .catch(() => null);
}

function ofCohort(log: Parameters<typeof liveHead>[0], cohortId: string) {
  const head = liveHead(log, cohortId, 'entry');
  return head?.body.kind === 'animals' ? { head, body: head.body } : null;
}

/**
 * Keeps a picture as the photo of a group: scaled down in a worker, stored by its hash, and then named by
 * the entry that the group came in with. What cannot be stored is named by nobody.
 * @returns what went wrong and what to do; null when all went well
 */
export function takePhoto(cohortId: string, file: Blob): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, extra) => {
    if (file.size > MOST_BYTES) return REFUSALS.tooLarge;
    const scaled = await scalePhoto(file);
    if (scaled.kind === 'refused') return REFUSALS[scaled.why];
    return webInTurn(PHOTOS_LOCK, async () => {
      try {
        await photosOf(extra).put(scaled.id, scaled.text);
      } catch (error) {
        const { why } = await extra.services.whyNotSaved(error);
        return `The photo was not kept, and nothing was changed. ${why}`;
      }
      const cohort = ofCohort(getState().log, cohortId);
      if (!cohort) return 'They are no longer in this log.';
      await dispatch(named(cohort, { ...cohort.body, photo: scaled.id }, 'Photo kept'));
      return null;
    });
  };
}

/** Takes the photo of a group away from it; undoing that shows it again. */
export function leavePhoto(cohortId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const cohort = ofCohort(getState().log, cohortId);
    if (!cohort) return;
    const { photo: _photo, ...rest } = cohort.body;
    await dispatch(named(cohort, rest, 'Photo taken away'));
  };
}

function named({ head }: { head: RevisionOf<'entry'> }, body: AnimalsEntry, words: string) {
  return recordAct((act) => act.revise(head, body), words);
}

/** What is kept of photos, told by whether an animal shows it. */
export interface KeptPhotos {
  shown: KeptPhoto[];
  unused: KeptPhoto[];
  /** Photos that animals name and this browser does not have. */
  missing: number;
}

export function keptPhotos(): AppThunk<Promise<KeptPhotos>> {
  return async (_dispatch, getState, extra) => {
    const named = photosShown(getState().log);
    const kept = await photosOf(extra).list();
    const shown = kept.filter(({ id }) => named.has(id));
    return {
      shown,
      unused: kept.filter(({ id }) => !named.has(id)),
      missing: named.size - shown.length,
    };
  };
}

/** Every photo that is kept, for a file. */
export function allPhotos(): AppThunk<Promise<Photo[]>> {
  return (_dispatch, _getState, extra) => photosOf(extra).all();
}

/** Keeps the photos of a file. @returns how many were new, and what went wrong where it had to stop */
export function importPhotos(
  photos: readonly Photo[],
): AppThunk<Promise<{ fresh: number; trouble: string | null }>> {
  return async (_dispatch, _getState, extra) => {
    const store = photosOf(extra);
    let fresh = 0;
    try {
      const known = new Set((await store.list()).map(({ id }) => id));
      for (const { id, text } of photos) {
        if (known.has(id)) continue;
        await store.put(id, text);
        fresh += 1;
      }
      return { fresh, trouble: null };
    } catch (error) {
      return { fresh, trouble: (await extra.services.whyNotSaved(error)).why };
    }
  };
}

/**
 * Lets go for good of photos that no animal shows. The store is looked at again first: another tab may
 * have shown one since, and told nobody yet.
 */
export function dropUnusedPhotos(ids: readonly string[]): AppThunk<Promise<void>> {
  return async (dispatch, getState, extra) => {
    await webInTurn(PHOTOS_LOCK, async () => {
      await dispatch(readAgain());
      const shown = photosShown(getState().log);
      await photosOf(extra).remove(ids.filter((id) => !shown.has(id)));
    });
  };
}
