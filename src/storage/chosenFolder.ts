import { createStore, del, get, set, type UseStore } from 'idb-keyval';
import * as z from 'zod';
import { isFolder, type Folder } from './folderHandle';

const KEY = 'chosen';

const chosenSchema = z.object({
  folder: z.custom<Folder>(isFolder),
  /** When it was last renewed, ms, and how many revisions the log had then; null before the first time. */
  at: z.number().nullable(),
  size: z.number(),
  files: z.number(),
});
export type ChosenFolder = z.infer<typeof chosenSchema>;

/** The folder that was chosen for copies, kept by the browser from visit to visit. */
export class ChosenFolderStore {
  private readonly store: UseStore;

  constructor(name = 'zoarium-folder') {
    this.store = createStore(name, 'folder');
  }

  /** Null where none was chosen, or what was kept is none. */
  async get(): Promise<ChosenFolder | null> {
    return chosenSchema.safeParse(await get(KEY, this.store)).data ?? null;
  }

  async keep(chosen: ChosenFolder): Promise<void> {
    await set(KEY, chosen, this.store);
  }

  async forget(): Promise<void> {
    await del(KEY, this.store);
  }
}
