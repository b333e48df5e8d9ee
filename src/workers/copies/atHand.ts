import type { Photo } from '../../core/photos/file';
import type { ChosenFolderStore } from '../../storage/chosenFolder';
import type { Exclusive } from '../../storage/locks';
import type { SnapshotStore } from '../../storage/snapshotStore';

/** What a desk of copies has at hand. */
export interface Desk {
  store: SnapshotStore;
  chosen: Pick<ChosenFolderStore, 'get' | 'keep' | 'forget'>;
  /** Photos of the log, as they are kept. */
  photos: () => Promise<Photo[]>;
  /** The texts of the log's blocks as they lie there now. */
  blocks: () => Promise<string[]>;
  exclusive: Exclusive;
}
