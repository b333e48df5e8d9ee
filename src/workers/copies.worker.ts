import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { webExclusive } from '../storage/locks';
import { ChosenFolderStore } from '../storage/chosenFolder';
import { LogStore } from '../storage/logStore';
import { PhotoStore } from '../storage/photos';
import { SnapshotStore } from '../storage/snapshotStore';
import { answerCopies } from './copies/desk';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}

const scope = globalThis as unknown as Scope;
// The log is read as it lies in its database: what waits in a page to be saved is in no copy yet.
const database = createAsyncStorage('zoarium');
const log = new LogStore(database, 'own', { newId: () => '' });
const kept = new PhotoStore(database);
const store = new SnapshotStore();
const chosen = new ChosenFolderStore();

scope.onmessage = ({ data }) =>
  void answerCopies(data, {
    store,
    chosen,
    photos: () => kept.all(),
    blocks: () => log.blockTexts(),
    exclusive: webExclusive,
  })
    .catch(() => ({
      kind: 'failed',
      why: 'The browser did not keep it: it may have no room, or keep nothing in this window.',
    }))
    .then((answer) => scope.postMessage(answer));
