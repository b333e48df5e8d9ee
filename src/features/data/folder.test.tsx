import { cleanup, screen, waitFor } from '@testing-library/react';
import { ticked } from '@/store/clockSlice';
import { openLog } from '@/store/open';
import { storeRevisions } from '@/store/record';
import { createStore } from '@/store/store';
import { FakeFolder } from '@/testing/fakeFolder';
import { press, SCREEN_NOW, show } from '@/testing/appHarness';
import { LogBuilder, onDay } from '@/testing/logBuilder';
import { testServices } from '@/testing/services';
import type { CopyAnswer, CopyRequest } from '@/workers/copies/messages';
import { FolderReminder } from './DailyFolder';
import { FolderPart } from './FolderPart';

let mockFolder: (FakeFolder & { requestPermission?: () => Promise<string> }) | null = null;
let mockAt: number | null = null;
let mockPicked: FakeFolder | null = null;

// There are no workers where screens are tested; what one does with a folder is tested where it is done.
const mockAsk = async (request: CopyRequest): Promise<CopyAnswer> => {
  if (request.ask === 'chooseFolder') mockFolder = mockPicked;
  if (request.ask === 'leaveFolder') mockFolder = null;
  if (request.ask === 'renewFolder' && mockFolder?.permission === 'granted') mockAt = request.at;
  const folder = mockFolder && {
    handle: mockFolder,
    name: mockFolder.name,
    permission: mockFolder.permission,
    at: mockAt,
    size: 0,
    files: 2,
  };
  return { kind: 'folder', folder };
};
jest.mock('@/workers/copies/client', () => ({
  askCopies: (request: CopyRequest) => mockAsk(request),
}));
jest.mock('@/frame/browserFiles', () => ({
  canChooseFolder: () => true,
  pickFolder: async () => mockPicked && { ok: true, folder: mockPicked },
}));

async function opened() {
  const store = createStore(testServices(SCREEN_NOW));
  store.dispatch(ticked(SCREEN_NOW));
  await store.dispatch(openLog('own'));
  const builder = new LogBuilder();
  builder.entry(onDay(2), { kind: 'note', text: 'kept' });
  await store.dispatch(storeRevisions(builder.revisions));
  return store;
}

describe('a folder of the keeper’s', () => {
  beforeEach(() => {
    mockFolder = null;
    mockAt = null;
    mockPicked = null;
  });

  it('is chosen, renewed and left', async () => {
    await show(await opened(), <FolderPart />);
    // Whoever closes the picker has chosen nothing.
    await press('Choose a folder');
    expect(screen.getByRole('button', { name: 'Choose a folder' })).toBeTruthy();
    mockPicked = new FakeFolder('Reef');
    await press('Choose a folder');
    await screen.findByText('Renewed today 12:00: 2 files in it from Zoarium.');
    await press('Stop renewing it');
    await screen.findByRole('button', { name: 'Choose a folder' });
  });

  it('asks again on a tap once the browser dropped it, under Data and on Today', async () => {
    const folder = new FakeFolder('Reef');
    folder.permission = 'prompt';
    const allowed = jest.fn(async () => {
      folder.permission = 'granted';
      return 'granted';
    });
    mockFolder = Object.assign(folder, { requestPermission: allowed });
    const store = await opened();
    await show(store, <FolderPart />);
    await screen.findByText('Reef is not renewed any more');
    await press('Go on with Reef');
    await screen.findByText('Renewed today 12:00: 2 files in it from Zoarium.');
    expect(allowed).toHaveBeenCalledTimes(1);
    folder.permission = 'prompt';
    mockAt = null;
    cleanup();
    await show(store, <FolderReminder />);
    await screen.findByText('The copies in Reef are behind');
    await press('Go on with Reef');
    await waitFor(() => expect(screen.queryByText('The copies in Reef are behind')).toBeNull());
    expect(allowed).toHaveBeenCalledTimes(2);
  });

  it('stays asked for where the person says no', async () => {
    const folder = new FakeFolder('Reef');
    folder.permission = 'prompt';
    mockFolder = Object.assign(folder, { requestPermission: async () => 'denied' });
    await show(await opened(), <FolderPart />);
    await press('Go on with Reef');
    await waitFor(() => expect(screen.getByText('Reef is not renewed any more')).toBeTruthy());
    expect(mockAt).toBeNull();
  });
});
