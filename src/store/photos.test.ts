import { scaledPhotos } from '../testing/scaledPhotos';
import { photoId, photoText } from '../core/photos/photo';
import { readPhotosFile, writePhotosFile } from '../core/photos/file';
import { tankHistory } from '../core/history/derive';
import { rosterOf } from '../core/livestock/roster/roster';
import type { Log } from '../core/records/log';
import { BARE_TANK } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import type { Scaled } from '../workers/photos/messages';
import { openLog, wipeLog } from './open';
import {
  allPhotos,
  dropUnusedPhotos,
  findPhoto,
  importPhotos,
  keptPhotos,
  leavePhoto,
  takePhoto,
} from './photos';
import { recordAct, undoKeys } from './record';
import { keysOfAct } from '../core/records/acts';
import { moveCohort } from './moving';
import { createStore } from './store';

const NOW = Date.parse('2026-11-26T12:00:00Z');

const picture = (...bytes: number[]) => {
  const of = Uint8Array.from(bytes);
  return { id: photoId(of), text: photoText(of) };
};
const scaled = (photo: { id: string; text: string }): Scaled => ({ kind: 'scaled', ...photo });
const FILE = new Blob(['as the camera gave it']);

function tankOf(log: Log, name: string) {
  const tank = log.tanks.find(({ body }) => body.name === name);
  if (!tank) throw new Error(name);
  return { tankId: tank.id, zone: tank.body.zone };
}

async function keeper(options: { full?: { now: boolean }; database?: string } = {}) {
  const store = createStore(testServices(NOW, options));
  await store.dispatch(openLog('own'));
  let cohortId = '';
  await store.dispatch(
    recordAct((act) => {
      const tankId = act.create('tank', { ...BARE_TANK, name: 'Tern' });
      act.create('tank', { ...BARE_TANK, name: 'Petrel' });
      cohortId = act.create('entry', {
        kind: 'animals',
        tankId,
        at: new Date(NOW).toISOString(),
        move: 'in',
        group: 'fish',
        what: 'Goby',
      });
    }),
  );
  const cohorts = (name = 'Tern') => {
    const { log } = store.getState();
    return rosterOf(tankHistory(log, tankOf(log, name).tankId, NOW + 2));
  };
  return { store, cohortId, cohorts };
}

describe('the photo of an animal', () => {
  it('lies outside the records, which name it by its hash', async () => {
    const { store, cohortId, cohorts } = await keeper();
    const photo = picture(255, 216, 7);
    scaledPhotos.answer = scaled(photo);
    expect(await store.dispatch(takePhoto(cohortId, FILE))).toBeNull();
    expect(cohorts()[0]?.photo).toBe(photo.id);
    expect(JSON.stringify(store.getState())).not.toContain(photo.text);
    expect(await store.dispatch(findPhoto(photo.id))).toBe(photo.text);
    expect(await store.dispatch(keptPhotos())).toMatchObject({
      shown: [{ id: photo.id, letters: photo.text.length }],
      unused: [],
      missing: 0,
    });
  });

  it('is found again in another visit, and gone with what erases the log', async () => {
    const photo = picture(1, 2, 3);
    scaledPhotos.answer = scaled(photo);
    const first = await keeper({ database: 'photos-again' });
    await first.store.dispatch(takePhoto(first.cohortId, FILE));
    const again = createStore(testServices(NOW, { database: 'photos-again' }));
    await again.dispatch(openLog('own'));
    expect(await again.dispatch(allPhotos())).toEqual([photo]);
    await again.dispatch(wipeLog());
    expect(await again.dispatch(allPhotos())).toEqual([]);
    expect(await again.dispatch(findPhoto(photo.id))).toBeNull();
  });

  it('goes along to another tank', async () => {
    const { store, cohortId, cohorts } = await keeper();
    scaledPhotos.answer = scaled(picture(5));
    await store.dispatch(takePhoto(cohortId, FILE));
    const { log } = store.getState();
    const [from, to] = [tankOf(log, 'Tern'), tankOf(log, 'Petrel')];
    const [cohort] = cohorts();
    if (!cohort) throw new Error('nobody there');
    await store.dispatch(
      recordAct((act) => moveCohort(act, { cohort, from, to, at: NOW + 1, cm: 0 })),
    );
    expect(cohorts('Petrel')).toMatchObject([{ what: 'Goby', photo: picture(5).id }]);
  });

  it('taken away is kept until it is let go, and undoing shows it again', async () => {
    const { store, cohortId, cohorts } = await keeper();
    const photo = picture(9);
    scaledPhotos.answer = scaled(photo);
    await store.dispatch(takePhoto(cohortId, FILE));
    await store.dispatch(leavePhoto(cohortId));
    expect(cohorts()[0]?.photo).toBeUndefined();
    expect((await store.dispatch(keptPhotos())).unused).toHaveLength(1);
    const { log } = store.getState();
    const last = Object.values(log.entries).flat().at(-1);
    await store.dispatch(undoKeys([...keysOfAct(log, last?.actId ?? '')]));
    expect(cohorts()[0]?.photo).toBe(photo.id);
    // It is shown again by now: what was unused when the list was made is looked at once more.
    await store.dispatch(dropUnusedPhotos([photo.id]));
    expect(await store.dispatch(findPhoto(photo.id))).toBe(photo.text);
    await store.dispatch(leavePhoto(cohortId));
    await store.dispatch(dropUnusedPhotos([photo.id]));
    expect(await store.dispatch(findPhoto(photo.id))).toBeNull();
  });

  test.each([
    [{ kind: 'refused', why: 'unreadable' } as const, /cannot read that as a picture/],
    [{ kind: 'refused', why: 'unable' } as const, /cannot scale/],
  ])('that cannot be scaled changes nothing and says why: %#', async (said, why) => {
    const { store, cohortId, cohorts } = await keeper();
    scaledPhotos.answer = said;
    expect(await store.dispatch(takePhoto(cohortId, FILE))).toMatch(why);
    expect(cohorts()[0]?.photo).toBeUndefined();
  });

  it('that the browser has no room for is named by nobody', async () => {
    const full = { now: false };
    const { store, cohortId, cohorts } = await keeper({ full });
    scaledPhotos.answer = scaled(picture(4));
    full.now = true;
    expect(await store.dispatch(takePhoto(cohortId, FILE))).toMatch(/not kept.*no room left/);
    expect(cohorts()[0]?.photo).toBeUndefined();
    const file = { size: 41_000_000 } as Blob;
    expect(await store.dispatch(takePhoto(cohortId, file))).toMatch(/larger than 40 MB/);
  });

  it('comes to another browser by a file of its own, once', async () => {
    const { store, cohortId } = await keeper();
    const photo = picture(6, 6);
    scaledPhotos.answer = scaled(photo);
    await store.dispatch(takePhoto(cohortId, FILE));
    const text = writePhotosFile(await store.dispatch(allPhotos()), new Date(NOW).toISOString());
    const reading = readPhotosFile(text);
    if (!reading.ok) throw new Error(reading.why);
    const full = { now: false };
    const other = await keeper({ full });
    const take = () => other.store.dispatch(importPhotos(reading.photos));
    full.now = true;
    expect(await take()).toEqual({ fresh: 0, trouble: expect.stringMatching(/no room/) });
    full.now = false;
    expect(await take()).toEqual({ fresh: 1, trouble: null });
    expect(await take()).toEqual({ fresh: 0, trouble: null });
    expect(await other.store.dispatch(findPhoto(photo.id))).toBe(photo.text);
  });
});
