import { useCallback, useEffect, useState } from 'react';
import type { Folder, Permission } from '@/storage/folderHandle';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { folderStanding, renewFolder, type FolderAnswer } from '@/store/folder';
import type { AppThunk } from '@/store/state';
import { useCopy } from '@/frame/useCopy';
import { useFolderChosen } from '@/frame/useFolderChosen';

type Asking = Folder & {
  requestPermission?(options: { mode: 'readwrite' }): Promise<Permission>;
};

/** How the folder of copies stands, and what can be done with it. */
export function useFolder() {
  const dispatch = useAppDispatch();
  const size = useAppSelector((state) => state.log.size);
  const copy = useCopy();
  const [answer, setAnswer] = useState<FolderAnswer | null>(null);
  const [, setChosen] = useFolderChosen();
  const run = useCallback(
    async (thunk: AppThunk<Promise<FolderAnswer>>) => {
      const found = await dispatch(thunk);
      setAnswer(found);
      if (found.ok) setChosen(found.folder === null ? null : true);
      return found;
    },
    [dispatch, setChosen],
  );
  useEffect(() => {
    let current = true;
    void dispatch(folderStanding()).then((found) => current && setAnswer(found));
    return () => {
      current = false;
    };
  }, [dispatch]);
  const folder = answer?.ok ? answer.folder : null;
  const renew = async (thunk = renewFolder()) => {
    const found = await run(thunk);
    // What lies in a folder of the keeper's outlives this browser.
    if (found.ok && found.folder?.permission === 'granted' && found.folder.size === size)
      copy.made();
    return found;
  };
  return {
    /** Null until it is known. */
    answer,
    folder,
    /** It was chosen, and the browser asks once more before it is written to. */
    dropped: folder !== null && folder.permission !== 'granted',
    run,
    renew,
    /** Asks on a tap for what the browser dropped, and renews the folder. */
    allow: async () => {
      const handle = folder?.handle as Asking | undefined;
      const given = await handle?.requestPermission?.({ mode: 'readwrite' }).catch(() => 'denied');
      if (given === 'granted') await renew();
      else await run(folderStanding());
    },
  };
}
