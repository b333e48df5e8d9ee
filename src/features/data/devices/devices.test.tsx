import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { allRevisions, headsOfType } from '@/core/records/log';
import { compareInFull } from '@/core/records/order';
import { photoId, photoText } from '@/core/photos/photo';
import type { ChosenFile } from '@/frame/browserFiles';
import { PhotoStore } from '@/storage/photos';
import { ticked } from '@/store/clockSlice';
import { openLog, wipeLog } from '@/store/open';
import { recordAct, storeRevisions } from '@/store/record';
import { selectLog } from '@/store/selectors';
import { createStore, type AppStore } from '@/store/store';
import { press, SCREEN_NOW, show } from '@/testing/appHarness';
import { LogBuilder, onDay } from '@/testing/logBuilder';
import { testServices } from '@/testing/services';
import type { Opening } from '@/workers/logs/client';
import { ChangesScreen } from '../ChangesScreen';
import { DevicesScreen } from './DevicesScreen';

/** What was saved last, and what is chosen next. */
let mockSaved: { name: string; text: string } | null = null;
let mockChosen: ChosenFile | null = null;

jest.mock('@/frame/browserFiles', () => ({
  canSendFiles: () => false,
  download: (name: string, text: string) => {
    mockSaved = { name, text };
  },
  chooseSavedFile: async () => mockChosen,
}));
// There are no workers where screens are tested: what one does is done here.
jest.mock('@/workers/logs/client', () => {
  const { openFile } =
    jest.requireActual<typeof import('@/core/carry/openFile')>('@/core/carry/openFile');
  return {
    openInWorker: (bytes: Uint8Array): Opening => ({
      opened: Promise.resolve(openFile(bytes, () => undefined)),
      stop: () => undefined,
    }),
  };
});
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn() }),
  useNavigation: () => ({ canGoBack: () => false }),
}));

const utf8 = (text: string) => Uint8Array.from(Buffer.from(text, 'utf8'));

/** A device of its own: what its browser keeps is kept for it alone. */
async function device(name: string): Promise<AppStore> {
  const kept = new Map<string, string>();
  kept.set('zoarium-device', JSON.stringify({ id: name.toLowerCase(), name }));
  const shelf = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
  const store = createStore(testServices(SCREEN_NOW, { shelf }));
  store.dispatch(ticked(SCREEN_NOW));
  await store.dispatch(openLog('own'));
  return store;
}

/** Makes a carry on one device, by a button of its screen. */
async function carried(store: AppStore, button: string, photos = false): Promise<string> {
  cleanup();
  mockSaved = null;
  await show(store, <DevicesScreen />);
  const [first] = await screen.findAllByRole('button', { name: button });
  fireEvent.click(first as HTMLElement);
  await screen.findByRole('button', { name: 'Save it as a file' });
  if (photos) fireEvent.click(screen.getByText('Photos too'));
  await press('Save it as a file');
  await waitFor(() => expect(mockSaved).not.toBeNull());
  return (mockSaved as { text: string } | null)?.text ?? '';
}

/** Begins to take a carry over on another. */
async function chosen(store: AppStore, text: string): Promise<void> {
  cleanup();
  mockChosen = { name: 'carry.json', bytes: utf8(text) };
  await show(store, <DevicesScreen />);
  await press('Take over a file');
}

const contents = (store: AppStore) =>
  [...allRevisions(selectLog(store.getState()))].sort(compareInFull);

const noted = async (store: AppStore, text: string) => {
  cleanup();
  await store.dispatch(
    recordAct((act) => {
      const [tank] = selectLog(store.getState()).tanks;
      act.create('entry', {
        kind: 'note',
        tankId: tank?.id ?? '',
        at: new Date(SCREEN_NOW - 1000).toISOString(),
        text,
      });
    }),
  );
};

describe('one log on two devices', () => {
  it('goes over whole once, then only what is new, and both come to the same', async () => {
    const [phone, desk] = [await device('Phone'), await device('Desk')];
    const builder = new LogBuilder();
    builder.nitrate(onDay(3), 5);
    await phone.dispatch(storeRevisions(builder.revisions));
    const whole = await carried(phone, 'Carry to another device');
    expect((mockSaved as { name: string } | null)?.name).toMatch(
      /^zoarium-for-another-device-\d{4}-\d\d-\d\d\.json$/,
    );

    await chosen(desk, whole);
    await screen.findByText(/Take over from Phone/);
    expect(screen.getByText(/1 test/)).toBeTruthy();
    // Nothing is here before one says so.
    expect(selectLog(desk.getState()).size).toBe(0);
    await press(`Take over ${builder.revisions.length} records`);
    await screen.findByText('Phone has all of this.');

    await noted(desk, 'from the desk');
    await noted(phone, 'from the phone');
    const back = await carried(desk, 'Carry to Phone');
    expect((JSON.parse(back) as { records: unknown[] }).records).toHaveLength(1);
    await chosen(phone, back);
    await screen.findByText('1 note.');
    await press('Take over 1 record');
    await waitFor(() => expect(selectLog(phone.getState()).size).toBeGreaterThan(0));
    await chosen(desk, await carried(phone, 'Carry to Desk'));
    await press('Take over 1 record');
    await waitFor(() => expect(contents(desk)).toEqual(contents(phone)));

    // The same once more brings nothing.
    await chosen(desk, await carried(phone, 'Carry to another device'));
    await screen.findByText('Everything in what Phone carried is here already.');
    await press('Note that Phone has it too');
    expect(contents(desk)).toEqual(contents(phone));

    // What came stands among the changes by its name, with its undo.
    cleanup();
    await show(phone, <ChangesScreen />);
    await screen.findByText('Took over from Desk: 1 note');
    await press('Undo: Took over from Desk: 1 note');
    await waitFor(() => {
      const notes = headsOfType(selectLog(phone.getState()), 'entry').flatMap(({ body }) =>
        body.kind === 'note' ? [body.text] : [],
      );
      expect(notes).toEqual(['from the phone']);
    });
  });

  it('says what both changed, and keeps what one took away and the other did not know of', async () => {
    const [phone, desk] = [await device('Phone'), await device('Desk')];
    const builder = new LogBuilder();
    const id = builder.entry(onDay(2), { kind: 'note', text: 'as it was' });
    for (const store of [phone, desk]) await store.dispatch(storeRevisions(builder.revisions));
    const corrected = (store: AppStore, text: string) =>
      store.dispatch(
        recordAct((act) => {
          const head = headsOfType(selectLog(store.getState()), 'entry').find(
            (one) => one.id === id,
          );
          if (head?.body.kind === 'note') act.revise(head, { ...head.body, text });
        }),
      );
    await corrected(phone, 'as the phone says');
    await corrected(desk, 'as the desk says');
    await chosen(desk, await carried(phone, 'Carry to another device'));
    await screen.findByText('1 that both changed.');
    expect(screen.getByText(/the entry shows the other until you settle it/)).toBeTruthy();
    await press('Take over 1 record');
    await screen.findByText('Phone lacks some of this.');
  });

  it('takes photos along, or asks for those that stayed', async () => {
    const [phone, desk] = [await device('Phone'), await device('Desk')];
    const bytes = Uint8Array.of(255, 216, 7);
    const [id, text] = [photoId(bytes), photoText(bytes)];
    const photosOf = (store: AppStore) =>
      store.dispatch((_d, _s, { databases }) => new PhotoStore(databases.opened.storage));
    const builder = new LogBuilder();
    builder.entry(onDay(4), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Goby',
      photo: id,
    });
    await phone.dispatch(storeRevisions(builder.revisions));
    await photosOf(phone).put(id, text);
    await chosen(desk, await carried(phone, 'Carry to another device'));
    await press(`Take over ${builder.revisions.length} records`);
    await screen.findByText('Phone has all of this.');
    expect(await photosOf(desk).get(id)).toBeNull();
    // What is lacking is asked for by the next carry, and comes with the one after it, unticked.
    await chosen(phone, await carried(desk, 'Carry to Phone'));
    await press('Note that Desk has it too');
    await screen.findByText('Desk has all of this.');
    await chosen(desk, await carried(phone, 'Carry to Desk'));
    await screen.findByText('1 photo came along.');
    await press('Take over 1 photo');
    await waitFor(async () => expect(await photosOf(desk).get(id)).toBe(text));
  });

  it('begins anew once a log was erased: what the other knows of it is true no more', async () => {
    const desk = await device('Desk');
    const before = desk.dispatch((_d, _s, { services }) => services.device.read());
    await desk.dispatch(wipeLog());
    const after = desk.dispatch((_d, _s, { services }) => services.device.read());
    expect(after.id).not.toBe(before.id);
    expect(after.name).toBe('Desk');
  });

  it('says so where a file is taken over on the device that made it', async () => {
    const phone = await device('Phone');
    await phone.dispatch(storeRevisions(new LogBuilder().revisions));
    await chosen(phone, await carried(phone, 'Carry to another device'));
    expect((await screen.findByRole('alert')).textContent).toMatch(/made on this device/);
  });

  it('says what is wrong with a file that is none, and changes nothing', async () => {
    const desk = await device('Desk');
    await chosen(desk, '{"format":"zoarium-carry"');
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /carry\.json: The file ends in the middle.*Nothing was changed/,
    );
  });

  it('has a name on the others, which its keeper gives it', async () => {
    const desk = await device('Desk');
    cleanup();
    await show(desk, <DevicesScreen />);
    fireEvent.change(screen.getByLabelText('Its name on the others'), {
      target: { value: 'Fish room' },
    });
    await press('Call it Fish room');
    expect(desk.dispatch((_d, _s, { services }) => services.device.read()).name).toBe('Fish room');
  });
});
