import { FILE_VERSION } from '../../core/records/file/parse';
import { makeCarry, writeCarry } from '../../core/carry/carry';
import { photoId, photoText } from '../../core/photos/photo';
import { writePhotosFile } from '../../core/photos/file';
import { EMPTY_LOG, mergeRevisions, recordOf } from '../../core/records/log';
import { toLogFile, writeLogFile } from '../../core/records/file/file';
import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { answerLogs } from './desk';
import { logAnswerSchema, type LogAnswer } from './messages';

const AT = '2026-11-24T12:00:00Z';
const utf8 = (text: string) => Uint8Array.from(Buffer.from(text, 'utf8'));

/** What the desk says of some bytes, each answer through the schema of the page. */
function told(bytes: unknown): LogAnswer[] {
  const answers: LogAnswer[] = [];
  answerLogs({ bytes }, (message) => answers.push(logAnswerSchema.parse(message)));
  return answers;
}
const last = (bytes: unknown) => told(bytes).at(-1);
const refusal = (bytes: unknown) => {
  const answer = last(bytes);
  return answer?.kind === 'refused' ? answer.why : `read as ${answer?.kind}`;
};

function large(entries: number) {
  const builder = new LogBuilder();
  for (let n = 0; n < entries; n += 1) {
    builder.entry(onDay(1) + n * 1000, { kind: 'note', text: `Note ${n}` });
  }
  return builder;
}

const photo = { id: photoId(Uint8Array.of(255, 216)), text: photoText(Uint8Array.of(255, 216)) };
const carryOf = (builder: LogBuilder, photos = {}) =>
  writeCarry(
    makeCarry(
      builder.log(),
      { id: testId(1), from: { id: 'phone', name: 'Phone' }, madeAt: AT, wants: [] },
      null,
    ),
    photos,
  );

describe('the desk that opens files of records', () => {
  it('hands a large log over in parts and says how far it is', () => {
    const { revisions } = large(2500);
    const answers = told(utf8(writeLogFile(toLogFile(revisions, AT))));
    const shares = answers.flatMap((one) => (one.kind === 'progress' ? one.share : []));
    expect(shares.length).toBeGreaterThan(2);
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    const parts = answers.flatMap((one) => (one.kind === 'some' ? [one.records] : []));
    expect(Math.max(...parts.map((part) => part.length))).toBeLessThanOrEqual(1000);
    expect(parts.flat()).toHaveLength(revisions.length);
    expect(answers.at(-1)).toMatchObject({ kind: 'records', carry: null, refused: [], photos: [] });
  });

  it('opens a carry with who made it and the photos that are what they say', () => {
    const other = { [photo.id.replace(/^./, 'f')]: photo.text, strange: 5 };
    const answers = told(utf8(carryOf(large(3), { [photo.id]: photo.text, ...other })));
    expect(answers.at(-1)).toMatchObject({
      kind: 'records',
      carry: { from: { name: 'Phone' }, to: null },
      photos: [photo],
    });
  });

  it('knows a file of photos, and a log with a byte-order mark or in UTF-16', () => {
    expect(last(utf8(writePhotosFile([photo], AT)))).toMatchObject({ kind: 'photos' });
    const text = writeLogFile(toLogFile(large(1).revisions, AT));
    expect(last(utf8(`\uFEFF${text}`))).toMatchObject({ kind: 'records' });
    expect(last(Uint8Array.from(Buffer.from(`\uFEFF${text}`, 'utf16le')))).toMatchObject({
      kind: 'records',
    });
  });

  const log = writeLogFile(toLogFile(large(2).revisions, AT));
  it.each([
    ['nothing', new Uint8Array(), /It is empty/],
    ['no JSON', utf8('not json'), /not a JSON file/],
    ['a list', utf8('[]'), /not a Zoarium log/],
    ['half a log', utf8(log.slice(0, -40)), /ends in the middle/],
    ['half a carry', utf8(carryOf(large(2)).slice(0, -40)), /ends in the middle/],
    ['a picture', Uint8Array.of(0xff, 0xd8, 0xff, 0xe0, 0), /It is a picture/],
    ['a workbook', Uint8Array.of(0x50, 0x4b, 3, 4, 0), /packed, as a workbook/],
    ['a spreadsheet', utf8('date,nitrate\n2026-01-02,5\n'), /open it under Spreadsheets/],
    ['another encoding', Uint8Array.of(0x7b, 0xe4, 0xf6, 0xfc), /It is no text/],
    [
      'a log of the future',
      utf8(log.replace(`"version": ${FILE_VERSION}`, '"version": 99')),
      /Update it first/,
    ],
    [
      'a carry of the future',
      utf8(carryOf(large(1)).replace(`"version":${FILE_VERSION}`, '"version":99')),
      /Update it first/,
    ],
    [
      'a carry without its head',
      utf8('{"format":"zoarium-carry","records":[]}'),
      /another device is damaged/,
    ],
    [
      'a carry of the year 20260',
      utf8(carryOf(large(1)).replace(AT, '20260-11-24T12:00:00Z')),
      /is damaged: madeAt/,
    ],
    [
      'a carry with a month that is none',
      utf8(carryOf(large(1)).replace('"months":{', '"months":{"soon":"x",')),
      /is damaged: months/,
    ],
    [
      'a file of a device with a thirteenth month',
      utf8(carryOf(large(1)).replace(/"months":\{"\d{4}-\d\d/, '"months":{"2026-13')),
      /is damaged: months/,
    ],
    ['no bytes', 'text', /asked for in no way known/],
  ])('says what is wrong with %s', (_what, bytes, why) => {
    expect(refusal(bytes)).toMatch(why);
  });

  it('opens a log whose revisions name each other in a circle, and merges it', () => {
    const { revisions } = large(1);
    const [note] = revisions.filter(({ type }) => type === 'entry').slice(-1);
    if (!note) throw new Error('a note');
    const circle = [2, 3].map((rev) => ({ ...note, rev, parentRev: 5 - rev, actId: testId(rev) }));
    const file = writeLogFile(toLogFile([...revisions, ...circle] as never, AT));
    const answers = told(utf8(file));
    expect(answers.at(-1)).toMatchObject({ kind: 'records', refused: [] });
    const records = answers.flatMap((one) => (one.kind === 'some' ? one.records : []));
    expect(recordOf(mergeRevisions(EMPTY_LOG, records), note.id)?.revisions).toHaveLength(3);
  });

  it('reads the rest where a record poisons a prototype or bears a mad date', () => {
    const { revisions } = large(3);
    const text = writeLogFile(toLogFile(revisions, AT));
    const poisoned = text
      .replace('"text": "Note 0"', '"text": "Note 0", "__proto__": { "polluted": 1 }')
      .replace(new Date(onDay(1) + 1000).toISOString(), '20260-03-02T00:00:00.000Z');
    expect(last(utf8(poisoned))).toMatchObject({ kind: 'records', refused: [{}, {}] });
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});
