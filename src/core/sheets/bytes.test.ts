import fc from 'fast-check';
import { draws } from '../../testing/draws';
import { CONTEXT } from '../../testing/sheetContext';
import { workbookFile } from '../../testing/workbookFile';
import { EMPTY_LOG } from '../records/log';
import { revisionSchema } from '../records/schema/revision';
import { bringIn } from './bring';
import { mappingSchema } from './mapping';
import { MOST_BYTES, openBytes, openText } from './bytes';
import { readWorkbook } from './sheet';
import { xlsxWorkbook } from './xlsx';

const bytes = (...first: number[]) => Uint8Array.from([...first, ...Array<number>(40).fill(7)]);
const text = (words: string) => new TextEncoder().encode(words);
const book = workbookFile({
  Tests: [
    ['Date', 'KH'],
    [{ serial: 46082 }, 8],
  ],
});

const STAMP = {
  actId: '00000000-0000-7000-8000-00000000000a',
  device: 'x',
  recordedAt: '2026-11-24T12:00:00Z',
};

describe('a file from anywhere', () => {
  it.each<[what: string, bytes: Uint8Array, why: RegExp]>([
    ['nothing', new Uint8Array(), /empty/],
    ['a blank text', text(' \n \n'), /nothing in it/],
    ['a picture', bytes(0x89, 0x50, 0x4e, 0x47), /a picture.*save it as CSV/],
    ['a picture of another kind', bytes(0xff, 0xd8, 0xff), /a picture/],
    ['a PDF', text('%PDF-1.7'), /a PDF/],
    ['an old workbook', bytes(0xd0, 0xcf, 0x11, 0xe0), /old kind/],
    ['another archive', bytes(0x50, 0x4b, 0x03, 0x04), /no workbook/],
    ['half a workbook', book.slice(0, book.length / 2), /damaged/],
    ['a program', text('MZ\0\0\0 rest of it'), /no text/],
    ['a web page', text('<!DOCTYPE html><table></table>'), /web page/],
    ['an exported log', text('{"format": "zoarium-log", "records": []}'), /Import it under Data/],
    ['too much', new Uint8Array(MOST_BYTES + 1), /larger than 40 MB/],
  ])('%s is refused in words', async (_, file, why) => {
    const opened = await openBytes(file, xlsxWorkbook);
    expect(opened.ok ? 'it was opened' : opened.why).toMatch(why);
  });

  it('a workbook is one whatever it is called', async () => {
    const opened = await openBytes(book, xlsxWorkbook);
    if (!opened.ok) throw new Error(opened.why);
    expect(opened.workbook.sheets[0]?.rows).toEqual([
      ['Date', 'KH'],
      ['2026-03-01', '8'],
    ]);
  });

  it('keys and cells that are not meant well are text and nothing else', () => {
    const opened = openText('__proto__,Date,constructor,KH\n=1+1,2026-03-05,<b>x</b>,8.1');
    if (!opened.ok) throw new Error(opened.why);
    const found = readWorkbook(opened.workbook, null, CONTEXT);
    expect(found.readings).toHaveLength(1);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
    expect(Object.getPrototypeOf(found.mapping)).toBe(Object.prototype);
  });

  it('days that no tank has seen are refused, and not brought in', () => {
    const opened = openText(
      'Date,KH\n2026-03-05,8\n20260-03-05,8\n2026-02-30,8\n2030-01-01,8\n0001-01-01,8',
    );
    if (!opened.ok) throw new Error(opened.why);
    const { readings, refused } = readWorkbook(opened.workbook, null, CONTEXT);
    expect(readings.map(({ at }) => at.slice(0, 10))).toEqual(['2026-03-05']);
    expect(refused.map((one) => one.text)).toEqual([
      '20260-03-05',
      '2026-02-30',
      '2030-01-01',
      '0001-01-01',
    ]);
  });

  it('a figure that cannot be, or a dilution that none is, keeps nothing else out', () => {
    const sheets = [
      'Date,Ammonia\n2026-03-05,<0.25\n2026-03-06,99999999\n2026-03-07,0.5-1',
      'Date,Test,Value,Dilution\n2026-03-05,Nitrate,5,0.2\n2026-03-06,Nitrate,5,2\n2026-03-07,Nitrate,5,99999',
    ];
    for (const sheet of sheets) {
      const opened = openText(sheet);
      if (!opened.ok) throw new Error(opened.why);
      const found = readWorkbook(opened.workbook, null, CONTEXT);
      expect(found.readings.length).toBeGreaterThan(0);
      expect(found.refused.length).toBeGreaterThan(0);
      for (const one of bringIn(EMPTY_LOG, found, [], STAMP).revisions) {
        expect(revisionSchema.safeParse(one).error).toBeUndefined();
      }
    }
  });

  it('no text at all breaks the reading, makes a reading out of no figure, or a mapping that is none', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.constantFrom(
        'Test',
        'Value',
        'Dilution',
        '2026-03-05T10:00+01:00',
        '9999999999',
        'Date',
        'NO3',
        'KH',
        'SG',
        '1/2/26',
        'Day 3',
        '0',
        '5',
        '8,1',
        '<0.25',
        'n/a',
        '"',
        '1.025',
      ),
    );
    const sheet = fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 12 });
    fc.assert(
      fc.property(sheet, fc.constantFrom(',', ';', '\t'), (rows, sign) => {
        const opened = openText(rows.map((row) => row.join(sign)).join('\n'));
        if (!opened.ok) return expect(opened.why).not.toBe('');
        const found = readWorkbook(opened.workbook, null, CONTEXT);
        expect(mappingSchema.safeParse(found.mapping).error).toBeUndefined();
        for (const { text: read } of found.readings)
          expect(read).toMatch(/\d|trace|nd|not detected/i);
        // One cell that no schema takes would keep all the others out.
        const { revisions } = bringIn(EMPTY_LOG, found, [], STAMP);
        for (const one of revisions) expect(revisionSchema.safeParse(one).error).toBeUndefined();
        const again = readWorkbook(opened.workbook, found.mapping, CONTEXT);
        expect(again.readings).toEqual(found.readings);
      }),
      { numRuns: draws(200) },
    );
  });
});
