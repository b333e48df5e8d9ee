import fc from 'fast-check';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { readPhotosFile, writePhotosFile } from './file';
import { isPhotosFile } from './format';
import { fitWithin, photoBytes, photoId, photoText } from './photo';
import { photoTextSchema } from './schema';
import { photosShown } from './shown';

const AT = '2026-11-26T12:00:00Z';
const bytes = (...list: number[]) => Uint8Array.from(list);
const photo = (of: Uint8Array) => ({ id: photoId(of), text: photoText(of) });

describe('a photo', () => {
  it('has the id that FIPS 180-4 gives "abc"', () => {
    expect(photoId(new TextEncoder().encode('abc'))).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });

  it('is the same bytes again after it was kept as text', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1, maxLength: 300 }), (of) => {
        expect(photoTextSchema.safeParse(photoText(of)).success).toBe(true);
        expect([...photoBytes(photoText(of))]).toEqual([...of]);
      }),
    );
  });

  it('is scaled into its square with its sides in proportion, and never blown up', () => {
    expect(fitWithin(4000, 3000)).toEqual({ width: 1024, height: 768 });
    expect(fitWithin(640, 480)).toEqual({ width: 640, height: 480 });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20_000 }),
        fc.integer({ min: 1, max: 20_000 }),
        (w, h) => {
          const { width, height } = fitWithin(w, h);
          expect(Math.max(width, height)).toBeLessThanOrEqual(1024);
          expect(Math.min(width, height)).toBeGreaterThanOrEqual(1);
          expect(width).toBeLessThanOrEqual(w);
          expect(height).toBeLessThanOrEqual(h);
          // Half a pixel of either side is rounding; a side of less than one is one.
          expect(Math.abs(width * h - height * w)).toBeLessThanOrEqual(w + h);
        },
      ),
    );
  });

  it('is shown by animals as they stand now, not as they once did', () => {
    const builder = new LogBuilder();
    const [one, other] = [photo(bytes(1)).id, photo(bytes(2)).id];
    const came = { kind: 'animals', move: 'in', group: 'fish', what: 'Goby' } as const;
    builder.entry(onDay(3), { ...came, photo: one });
    builder.entry(onDay(4), { ...came, photo: one });
    builder.entry(onDay(5), { ...came, photo: other });
    builder.entry(onDay(5), came);
    expect([...photosShown(builder.log())].sort()).toEqual([one, other].sort());
  });
});

describe('a file of photos', () => {
  const photos = [photo(bytes(255, 216, 1)), photo(bytes(255, 216, 2))];
  const text = writePhotosFile(photos, AT);

  it('is read as it was written, and told from a log by its head', () => {
    expect(readPhotosFile(text)).toEqual({ ok: true, photos, damaged: 0 });
    expect(isPhotosFile(text)).toBe(true);
    expect(isPhotosFile('{"format":"zoarium-log","note":"a zoarium"}')).toBe(false);
  });

  it('leaves out a photo that is not the one it is named', () => {
    const [first, second] = photos as [(typeof photos)[0], (typeof photos)[0]];
    const swapped = writePhotosFile([{ id: first.id, text: second.text }, second], AT);
    expect(readPhotosFile(swapped)).toEqual({ ok: true, photos: [second], damaged: 1 });
    const strange = writePhotosFile([{ id: first.id, text: 'data:text/html,<p>' }], AT);
    expect(readPhotosFile(strange)).toEqual({ ok: true, photos: [], damaged: 1 });
  });

  test.each([
    [text.slice(0, -20), /cut off or damaged/],
    [text.replace('"version":1', '"version":2'), /newer Zoarium/],
    [JSON.stringify({ format: 'zoarium-photos' }), /no file of photos/],
    ['[]', /no file of photos/],
  ])('says what is wrong with one that is none: %#', (broken, why) => {
    expect(readPhotosFile(broken)).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it('never throws, whatever is in it', () => {
    fc.assert(
      fc.property(fc.anything(), (anything) => {
        const raw = { format: 'zoarium-photos', version: 1, exportedAt: AT, photos: anything };
        expect(() => readPhotosFile(JSON.stringify(raw) ?? '')).not.toThrow();
      }),
    );
  });
});
