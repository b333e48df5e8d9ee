import fc from 'fast-check';
import { MANIFEST, readManifest } from '../core/copies/folder';
import { dayOf } from '../core/time/zone';
import { draws } from '../testing/draws';
import { FakeFolder } from '../testing/fakeFolder';
import { DAY, onDay } from '../testing/logBuilder';
import { permissionOf, renewFolder, type FolderContent } from './folder';

const bytes = (text: string) => Uint8Array.from(Buffer.from(text, 'utf8'));
const log = (day: number, text = `log of ${day}`): FolderContent => ({
  name: `zoarium-log-${dayOf(onDay(day), 'UTC')}.json`,
  bytes: bytes(text),
  dated: true,
});
const photo: FolderContent = { name: 'photos/abc.jpg', bytes: bytes('jpeg'), dated: false };
const ours = (folder: FakeFolder) => readManifest(folder.text(MANIFEST)).map(({ name }) => name);

describe('a folder of the keeper’s', () => {
  it('holds what was written, and a manifest that names it with its hash', async () => {
    const folder = new FakeFolder();
    await renewFolder(folder, [log(1), photo], onDay(1), 'UTC');
    expect(folder.names()).toEqual(['zoarium-log-2026-03-03.json', MANIFEST]);
    expect(folder.text('zoarium-log-2026-03-03.json')).toBe('log of 1');
    expect(folder.folders.get('photos')?.text('abc.jpg')).toBe('jpeg');
    expect(readManifest(folder.text(MANIFEST))).toEqual([
      expect.objectContaining({ name: 'photos/abc.jpg', dated: false }),
      expect.objectContaining({ hash: expect.stringMatching(/^[0-9a-f]{64}$/), dated: true }),
    ]);
  });

  it('is renewed under the same name on the same day, and thinned over a year', async () => {
    const folder = new FakeFolder();
    for (let day = 0; day < 400; day += 1) {
      await renewFolder(folder, [log(day)], onDay(day), 'UTC');
    }
    await renewFolder(folder, [log(399, 'once more')], onDay(399), 'UTC');
    const logs = folder.names().filter((name) => name !== MANIFEST);
    expect(logs.length).toBeGreaterThanOrEqual(7 + 3 + 8);
    expect(logs.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect(folder.text(logs.at(-1) ?? '')).toBe('once more');
    expect(ours(folder).sort()).toEqual(logs);
  });

  it('leaves alone what somebody else put there, changed, or took away', async () => {
    const folder = new FakeFolder();
    await renewFolder(folder, [log(1), log(2)], onDay(2), 'UTC');
    const [first, second] = [log(1).name, log(2).name];
    folder.put(first, 'with remarks of mine');
    folder.put(log(3).name, 'somebody’s');
    folder.put('notes.txt', 'mine');
    folder.files.delete(second);
    await renewFolder(folder, [log(3)], onDay(3), 'UTC');
    expect(folder.text(first)).toBe('with remarks of mine');
    expect(folder.text(log(3).name)).toBe('somebody’s');
    expect(folder.text('zoarium-log-2026-03-05-2.json')).toBe('log of 3');
    expect(ours(folder)).toEqual(['zoarium-log-2026-03-05-2.json']);
    // However long it goes on, what is not ours stays.
    for (let day = 4; day < 60; day += 1) {
      await renewFolder(folder, [log(day)], onDay(day), 'UTC');
    }
    expect(folder.text(first)).toBe('with remarks of mine');
    expect(folder.text('notes.txt')).toBe('mine');
  });

  it('that loses its manifest loses nothing else', async () => {
    const folder = new FakeFolder();
    await renewFolder(folder, [log(1)], onDay(1), 'UTC');
    folder.put(MANIFEST, '{"format":"zoarium-folder","version":1,"files":[{"name":"../../etc"}]}');
    await renewFolder(folder, [log(1, 'later')], onDay(1), 'UTC');
    expect(folder.text(log(1).name)).toBe('log of 1');
    expect(folder.text('zoarium-log-2026-03-03-2.json')).toBe('later');
  });

  it('that has no room left keeps the file of before whole', async () => {
    const folder = new FakeFolder();
    await renewFolder(folder, [log(1, 'short')], onDay(1), 'UTC');
    folder.room = 8;
    await expect(
      renewFolder(folder, [log(1, 'much longer than there is room for')], onDay(1), 'UTC'),
    ).rejects.toThrow();
    expect(folder.text(log(1).name)).toBe('short');
  });

  it('never lets a foreign file go, whatever happens to it (property)', async () => {
    const step = fc.record({
      day: fc.integer({ min: 0, max: 90 }),
      harm: fc.constantFrom('none', 'change', 'remove', 'add', 'manifest'),
      which: fc.nat(20),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 12 }), async (steps) => {
        const folder = new FakeFolder();
        const foreign = new Map<string, string>();
        let at = 0;
        for (const { day, harm, which } of steps) {
          at = Math.max(at + DAY, onDay(day));
          await renewFolder(folder, [log(day)], at, 'UTC');
          const names = folder.names();
          const name = names[which % names.length] ?? '';
          if (harm === 'change' && name !== MANIFEST) foreign.set(name, `changed ${at}`);
          if (harm === 'add') foreign.set(log(which * 4).name, `added ${at}`);
          if (harm === 'remove' && name !== MANIFEST && !foreign.has(name))
            folder.files.delete(name);
          if (harm === 'manifest') folder.put(MANIFEST, 'damaged');
          for (const [own, text] of foreign) folder.put(own, text);
        }
        await renewFolder(folder, [log(91)], onDay(91) + at, 'UTC');
        for (const [name, text] of foreign) expect(folder.text(name)).toBe(text);
      }),
      { numRuns: draws(50) },
    );
  });

  it('says whether it may be written to', async () => {
    const folder = new FakeFolder();
    folder.permission = 'prompt';
    expect(await permissionOf(folder)).toBe('prompt');
    expect(await permissionOf({ ...folder, queryPermission: undefined } as never)).toBe('granted');
  });
});
