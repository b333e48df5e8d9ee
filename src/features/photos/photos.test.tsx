import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { photoId, photoText } from '@/core/photos/photo';
import { rosterOf } from '@/core/livestock/roster/roster';
import { selectHistory } from '@/store/inView';
import type { AppStore } from '@/store/store';
import { demoStore, heading, press, show } from '@/testing/appHarness';
import type { Scaled } from '@/workers/photos/messages';
import { importPhotosFile } from './importing';
import { CohortPhoto } from './CohortPhoto';
import { PhotosScreen } from './PhotosScreen';
import { PhotosPart } from './PhotosPart';
import { Thumb } from './Thumb';

const BYTES = Uint8Array.from([255, 216, 9]);
const PHOTO = { id: photoId(BYTES), text: photoText(BYTES) };

let mockScaled: Scaled;
jest.mock('@/workers/photos/client', () => ({ scalePhoto: async () => mockScaled }));
let mockDownloads: { name: string; text: string }[] = [];
jest.mock('@/frame/browserFiles', () => ({
  choosePicture: async () => new Blob(['a picture']),
  download: (name: string, text: string) => mockDownloads.push({ name, text }),
}));

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

const gramma = (store: AppStore) => {
  const history = selectHistory(store.getState());
  const cohort = history && rosterOf(history).find(({ what }) => what === 'Royal gramma');
  if (!cohort) throw new Error('no gramma');
  return cohort;
};

/** Shows the photo of the group as it stands, and again after what is done. */
async function showCohort(store: AppStore): Promise<void> {
  cleanup();
  const { id, what, photo } = gramma(store);
  await show(store, <CohortPhoto cohortId={id} name={what} photo={photo} />);
}

async function withPhoto(): Promise<AppStore> {
  const store = await demoStore('Fulmar');
  mockScaled = { kind: 'scaled', ...PHOTO };
  await showCohort(store);
  await press('Add a photo');
  await waitFor(() => expect(gramma(store).photo).toBe(PHOTO.id));
  return store;
}

beforeEach(() => {
  mockDownloads = [];
});

describe('the photo of a group', () => {
  it('is added, shown by its name, and taken away', async () => {
    const store = await withPhoto();
    await showCohort(store);
    expect(await screen.findByLabelText('Photo: Royal gramma')).toBeTruthy();
    await press('Take it away');
    await waitFor(() => expect(gramma(store).photo).toBeUndefined());
    await showCohort(store);
    expect(screen.queryByText('Take it away')).toBeNull();
  });

  it('stands among the photos of its tank, which say so while there is none', async () => {
    await show(await demoStore('Fulmar'), <PhotosScreen />);
    expect(heading()).toBe('No photo yet.');
    cleanup();
    const store = await withPhoto();
    cleanup();
    await show(store, <PhotosScreen />);
    expect(heading()).toBe('1 photo.');
    expect(screen.getByRole('button', { name: 'Royal gramma, Fulmar' })).toBeTruthy();
    expect(await screen.findByText('Export the photos')).toBeTruthy();
  });

  it('that is no picture changes nothing and says what to do', async () => {
    const store = await demoStore('Fulmar');
    mockScaled = { kind: 'refused', why: 'unreadable' };
    await showCohort(store);
    await press('Add a photo');
    expect(await screen.findByText(/Take it as JPEG or PNG/)).toBeTruthy();
    expect(gramma(store).photo).toBeUndefined();
  });

  it('that lies in another browser is said to, and an outline stands for it in a row', async () => {
    const store = await demoStore('Fulmar');
    const elsewhere = photoId(Uint8Array.from([1, 2, 3]));
    await show(
      store,
      <>
        <CohortPhoto cohortId={gramma(store).id} name="Royal gramma" photo={elsewhere} />
        <Thumb id={elsewhere} instead={<p>its outline</p>} />
      </>,
    );
    expect(await screen.findByText(/not in this browser/)).toBeTruthy();
    expect(screen.getByText('its outline')).toBeTruthy();
  });
});

describe('photos on Data', () => {
  it('are not spoken of where there are none', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <PhotosPart imported={0} />);
    expect(screen.queryByText('Photos')).toBeNull();
  });

  it('go out as a file, are let go once no animal shows them, and come in again', async () => {
    const store = await withPhoto();
    cleanup();
    await show(store, <PhotosPart imported={0} />);
    expect(await screen.findByText(/^1 photo, in this browser alone/)).toBeTruthy();
    await press('Export the photos');
    await waitFor(() => expect(mockDownloads).toHaveLength(1));
    const [file] = mockDownloads;
    expect(file?.name).toMatch(/^zoarium-demo-photos-2/);
    expect(file?.text).toContain(PHOTO.id);

    await showCohort(store);
    await press('Take it away');
    cleanup();
    await show(store, <PhotosPart imported={0} />);
    await screen.findByText(/shown by no animal any more/);
    await press('Remove what no animal shows');
    await waitFor(() => expect(screen.queryByText('Photos')).toBeNull());

    const take = async (text: string) => {
      let said = {};
      await act(async () => {
        said = await store.dispatch(importPhotosFile(text));
      });
      return said;
    };
    const text = file?.text ?? '';
    expect(await take(text)).toEqual({ done: 'Took in 1 photo', trouble: null });
    expect(await take(text)).toEqual({
      done: 'Every photo in it is here already',
      trouble: null,
    });
    expect(await take(text.slice(0, 90))).toEqual({
      done: null,
      trouble: expect.stringMatching(/damaged.*Nothing was changed/),
    });
    expect(await take(text.replace(PHOTO.id, photoId(Uint8Array.from([4]))))).toEqual({
      done: null,
      trouble: 'Every photo in it is damaged, and none was taken in.',
    });
  });
});
