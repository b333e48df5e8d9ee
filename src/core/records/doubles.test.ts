import fc from 'fast-check';
import { EMPTY_LOG, headOf, mergeRevisions, readLogFile, writeLogFile, type Revision } from '..';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { toLogFile } from './file/file';
import { decodeText } from './file/encoding';

/** A log with one reading, told twice under one identity: of nothing, and of 2 ppm. */
function twice(): [Revision[], Revision, Revision] {
  const builder = new LogBuilder();
  builder.card('ammoniaCard', onDay(3), 0);
  const reading = builder.revisions.find(
    (one) => one.type === 'entry' && one.body.kind === 'reading',
  );
  if (reading?.type !== 'entry' || reading.body.kind !== 'reading') throw new Error('no reading');
  const { value } = reading.body;
  if (value.form !== 'card') throw new Error('no card');
  const high = value.steps.length - 1;
  const more = {
    ...reading,
    body: { ...reading.body, value: { ...value, low: high, high } },
  } as Revision;
  return [builder.revisions.filter((one) => one !== reading), reading, more];
}

describe('two bodies under one identity', () => {
  const [rest, zero, two] = twice();
  const fileOf = (records: Revision[]) =>
    readLogFile(writeLogFile(toLogFile(records, '2026-03-20T12:00:00Z')));

  it('count as the one that says more, in any order, and the other is named', () => {
    for (const records of [
      [...rest, zero, two],
      [two, ...rest, zero],
    ]) {
      const reading = fileOf(records);
      if (!reading.ok) throw new Error(reading.why);
      expect(reading.file.records).toContainEqual(two);
      expect(reading.doubled).toEqual([zero]);
    }
  });

  it('come to the same log whichever was there first', () => {
    const all = [...rest, zero, two, { ...zero, deleted: true as const }];
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (order) => {
        const log = order.reduce((before, one) => mergeRevisions(before, [one]), EMPTY_LOG);
        expect(headOf(log, zero.id)).toEqual(two);
        expect(log.size).toBe(rest.length + 1);
      }),
    );
  });

  it('are one where only the order of their fields differs', () => {
    const turned = Object.fromEntries(Object.entries(zero).reverse()) as unknown as Revision;
    const reading = fileOf([...rest, zero, turned]);
    expect(reading.ok && reading.doubled).toEqual([]);
  });
});

describe('the bytes of a file', () => {
  const text = '{"format":"zoarium-log","näme":"Ä"}';
  const utf16 = (little: boolean, mark: boolean) => {
    const letters = `${mark ? '\uFEFF' : ''}${text}`;
    const bytes = new Uint8Array(letters.length * 2);
    const view = new DataView(bytes.buffer);
    [...letters].forEach((_, i) => view.setUint16(i * 2, letters.charCodeAt(i), little));
    return bytes;
  };

  it('are read as UTF-8 and as either UTF-16, with a mark or without', () => {
    const found = [
      new TextEncoder().encode(text),
      utf16(true, true),
      utf16(false, true),
      utf16(true, false),
      utf16(false, false),
    ].map(decodeText);
    for (const one of found) expect(one).toEqual({ ok: true, text });
  });

  it('that are no text are named as such', () => {
    expect(decodeText(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0xff, 0xff]))).toMatchObject({
      ok: false,
      why: expect.stringMatching(/no text/) as string,
    });
    const cut = utf16(true, true).slice(0, 31);
    expect(decodeText(cut)).toMatchObject({ why: expect.stringMatching(/UTF-16/) as string });
  });
});
