import { askCopies } from '../workers/copies/client';
import type { CopyAnswer, CopyRequest } from '../workers/copies/messages';
import { selectZone } from './selectors';
import type { AppThunk } from './state';

type Standing = Extract<CopyAnswer, { kind: 'folder' }>['folder'];

/** How the keeper's folder of copies stands; null where none is chosen. */
export type FolderAnswer = { ok: true; folder: Standing } | { ok: false; why: string };

const asked = async (request: CopyRequest): Promise<FolderAnswer> => {
  const answer = await askCopies(request);
  if (answer.kind === 'folder') return { ok: true, folder: answer.folder };
  return { ok: false, why: answer.kind === 'failed' ? answer.why : '' };
};

export const folderStanding = (): AppThunk<Promise<FolderAnswer>> => () => asked({ ask: 'folder' });

/** Writes the log as it is stored into the folder, where that may be written to. */
export function renewFolder(): AppThunk<Promise<FolderAnswer>> {
  return (_dispatch, getState, { services }) =>
    asked({ ask: 'renewFolder', at: services.now(), zone: selectZone(getState()) });
}

/** Takes a folder for copies, and writes them. */
export function chooseFolder(
  folder: NonNullable<Standing>['handle'],
): AppThunk<Promise<FolderAnswer>> {
  return async (dispatch) => {
    const taken = await asked({ ask: 'chooseFolder', folder });
    return taken.ok ? dispatch(renewFolder()) : taken;
  };
}

/** Leaves the folder as it is, and renews it no more. */
export const leaveFolder = (): AppThunk<Promise<FolderAnswer>> => () =>
  asked({ ask: 'leaveFolder' });
