import { answered, answerIn } from './guess/answers';
import type { Mapping } from './mapping';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { withUnit } from '../parameters/convert';
import { typedWords } from '../records/kinds/reading';
import { workbookFile } from '../../testing/workbookFile';
import { openBytes } from './bytes';
import { CONTEXT, NANO } from '../../testing/sheetContext';
import { readWorkbook, type SheetReadingResult } from './sheet';
import { xlsxWorkbook } from './xlsx';

const file = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(path.join(__dirname, 'fixtures', name)));
const text = (name: string): string => readFileSync(path.join(__dirname, 'fixtures', name), 'utf8');

async function read(
  bytes: Uint8Array,
  mapping: Mapping | null = null,
): Promise<SheetReadingResult> {
  const opened = await openBytes(bytes, xlsxWorkbook);
  if (!opened.ok) throw new Error(opened.why);
  return readWorkbook(opened.workbook, mapping, CONTEXT);
}

/** What was read, a line a test, as a person would say it. */
const lines = ({ readings }: SheetReadingResult): string[] =>
  readings.map(({ at, parameter, value, unit, tankId }) => {
    const when = at.slice(0, 16).replace('T', ' ');
    const words = withUnit(
      value.form === 'digital' ? `${value.value}` : typedWords(value, 0),
      unit,
    );
    return `${when} ${parameter} ${words}${tankId === NANO ? ' in Nano' : ''}`;
  });

interface Expected {
  of: string;
  bytes: () => Uint8Array;
  tests: readonly string[];
  /** Keys of what is asked: nothing, for what can be told. */
  asked?: readonly string[];
  refused?: readonly string[];
}

const fixture = (name: string, rest: Omit<Expected, 'of' | 'bytes'>): Expected => ({
  of: name,
  bytes: () => file(name),
  ...rest,
});
const utf8 = (words: string): Uint8Array => Uint8Array.from(Buffer.from(words, 'utf8'));
const utf16 = (words: string): Uint8Array => {
  const bytes = new Uint8Array(2 + words.length * 2);
  bytes.set([0xff, 0xfe]);
  [...words].forEach((letter, i) => {
    const code = letter.charCodeAt(0);
    bytes.set([code & 0xff, code >> 8], 2 + i * 2);
  });
  return bytes;
};
const windows = (words: string): Uint8Array =>
  Uint8Array.from([...words].map((letter) => letter.charCodeAt(0)));

const SHEETS: readonly Expected[] = [
  fixture('dayFirst.csv', {
    tests: [
      '2026-03-13 18:30 ammonia 2 ppm NH4',
      '2026-03-13 18:30 nitrite 0 ppm NO2',
      '2026-03-13 18:30 nitrate 0 ppm NO3',
      '2026-03-13 18:30 ph 8.1',
      '2026-03-16 18:30 ammonia 1 ppm NH4',
      '2026-03-16 18:30 nitrite 0.25 ppm NO2',
      '2026-03-16 18:30 nitrate 2 ppm NO3',
      '2026-03-16 18:30 ph 8',
      '2026-04-04 09:05 ammonia 0 ppm NH4',
      '2026-04-04 09:05 nitrite 0 ppm NO2',
      '2026-04-04 09:05 nitrate 20 ppm NO3',
      '2026-04-04 09:05 ph 8.2',
    ],
  }),
  fixture('monthFirst.csv', {
    tests: [
      '2026-03-13 12:00 ammonia 1 ppm NH3',
      '2026-03-13 12:00 nitrite 0 ppm NO2',
      '2026-03-13 12:00 nitrate 0 ppm NO3',
      '2026-03-20 12:00 ammonia 0.5 ppm NH3',
      '2026-03-20 12:00 nitrite 1 ppm NO2',
      '2026-03-20 12:00 nitrate 5 ppm NO3',
      '2026-04-02 12:00 ammonia 0 ppm NH3',
      '2026-04-02 12:00 nitrite 0 ppm NO2',
      '2026-04-02 12:00 nitrate 10 ppm NO3',
    ],
  }),
  fixture('shortYears.csv', {
    tests: [
      '2026-03-04 07:15 alkalinity 7.5 dKH',
      '2026-03-04 07:15 nitrate 2 ppm NO3',
      '2026-03-04 07:15 salinity 34.5 ppt',
      '2026-03-11 19:00 alkalinity 8 dKH',
      '2026-03-11 19:00 nitrate 5 ppm NO3',
      '2026-03-11 19:00 salinity 35 ppt',
      '2026-03-25 19:10 alkalinity 7.9 dKH',
      '2026-03-25 19:10 nitrate 10 ppm NO3',
      '2026-03-25 19:10 salinity 34.8 ppt',
    ],
  }),
  fixture('pastedTimes.txt', {
    tests: [
      '2026-03-14 18:30 temperature 25.1 °C',
      '2026-03-14 18:30 salinity 35 ppt',
      '2026-03-15 07:05 temperature 25.4 °C',
      '2026-03-15 07:05 salinity 34.5 ppt',
      '2026-03-16 00:10 temperature 24.9 °C',
      '2026-03-16 00:10 salinity 35.5 ppt',
    ],
  }),
  fixture('threeHeadings.csv', {
    tests: [
      '2026-03-05 12:00 ammonia 0.5 ppm NH4',
      '2026-03-05 12:00 nitrite 0.25 ppm NO2',
      '2026-03-05 12:00 nitrate 5 ppm NO3',
      '2026-03-05 12:00 calcium 410 ppm',
      '2026-03-05 12:00 magnesium 1290 ppm',
      '2026-03-12 12:00 ammonia 0.25 ppm NH4',
      '2026-03-12 12:00 nitrite 0.5 ppm NO2',
      '2026-03-12 12:00 nitrate 10 ppm NO3',
      '2026-03-12 12:00 calcium 420 ppm',
      '2026-03-12 12:00 magnesium 1320 ppm',
    ],
  }),
  fixture('totals.csv', {
    tests: [
      '2026-05-01 12:00 alkalinity 7.8 dKH',
      '2026-05-01 12:00 calcium 410 ppm',
      '2026-05-01 12:00 magnesium 1320 ppm',
      '2026-05-08 12:00 alkalinity 8.1 dKH',
      '2026-05-08 12:00 calcium 420 ppm',
      '2026-05-08 12:00 magnesium 1290 ppm',
      '2026-05-15 12:00 alkalinity 7.6 dKH',
      '2026-05-15 12:00 calcium 400 ppm',
      '2026-05-15 12:00 magnesium 1350 ppm',
    ],
    refused: ['Average', 'Min'],
  }),
  fixture('unitsInCells.csv', {
    tests: [
      '2026-05-02 12:00 alkalinity 8.2 dKH',
      '2026-05-02 12:00 temperature 78 °F',
      '2026-05-02 12:00 salinity 35 ppt',
      '2026-05-02 12:00 nitrate 5 ppm NO3',
      '2026-05-09 12:00 alkalinity 2.9 meq/L',
      '2026-05-09 12:00 temperature 25.5 °C',
      '2026-05-09 12:00 salinity 1.026 SG 25/25',
      '2026-05-09 12:00 nitrate 10 ppm NO3',
    ],
  }),
  fixture('severalTanks.csv', {
    tests: [
      '2026-06-01 12:00 nitrate 5 ppm NO3',
      '2026-06-01 12:00 phosphate 0.04 ppm PO4',
      '2026-06-01 12:00 nitrate 12 ppm NO3 in Nano',
      '2026-06-01 12:00 phosphate 0.1 ppm PO4 in Nano',
      '2026-06-08 12:00 nitrate 7 ppm NO3',
      '2026-06-08 12:00 phosphate 0.05 ppm PO4',
    ],
    refused: ['Old one'],
  }),
  fixture('oneTestARow.csv', {
    tests: [
      '2026-04-01 19:30 ammonia 0.5 ppm NH4',
      '2026-04-01 19:30 nitrite 0.25 ppm NO2',
      '2026-04-14 08:00 alkalinity 7.9 dKH',
      '2026-04-14 08:00 calcium 420 ppm',
    ],
    refused: ['Strontium'],
  }),
  fixture('daysAcross.csv', {
    tests: [
      '2026-03-01 12:00 ammonia 2 ppm NH4',
      '2026-03-01 12:00 nitrite 0 ppm NO2',
      '2026-03-01 12:00 ph 8.1',
      '2026-03-08 12:00 ammonia 1 ppm NH4',
      '2026-03-08 12:00 nitrite 1 ppm NO2',
      '2026-03-15 12:00 ammonia 0 ppm NH4',
      '2026-03-15 12:00 nitrite 0.5 ppm NO2',
      '2026-03-15 12:00 ph 8.2',
    ],
  }),
  fixture('emptyColumns.csv', {
    tests: [
      '2026-07-01 12:00 alkalinity 8 dKH',
      '2026-07-01 12:00 nitrate 5 ppm NO3',
      '2026-07-09 12:00 alkalinity 7.8 dKH',
      '2026-07-09 12:00 nitrate 8 ppm NO3',
    ],
  }),
  fixture('comments.csv', {
    tests: [
      '2026-07-04 19:00 phosphate 0.04 ppm PO4',
      '2026-07-11 19:00 phosphate 0.08 ppm PO4',
      '2026-08-01 19:00 phosphate 0.03 ppm PO4',
    ],
  }),
  fixture('thousands.csv', {
    tests: [
      '2026-08-02 12:00 calcium 410 ppm',
      '2026-08-02 12:00 magnesium 1320 ppm',
      '2026-08-02 12:00 alkalinity 8.1 dKH',
      '2026-08-09 12:00 calcium 425 ppm',
      '2026-08-09 12:00 magnesium 1290 ppm',
      '2026-08-09 12:00 alkalinity 7.9 dKH',
      '2026-08-16 12:00 calcium 430 ppm',
      '2026-08-16 12:00 magnesium 1300 ppm',
      '2026-08-16 12:00 alkalinity 8.4 dKH',
    ],
  }),
  fixture('thousandsByDots.csv', {
    tests: [
      '2026-08-02 12:00 calcium 410 ppm',
      '2026-08-02 12:00 magnesium 1320 ppm',
      '2026-08-02 12:00 alkalinity 8.1 dKH',
      '2026-08-19 12:00 calcium 425 ppm',
      '2026-08-19 12:00 magnesium 1290 ppm',
      '2026-08-19 12:00 alkalinity 7.9 dKH',
    ],
  }),
  fixture('gravityAsThousand.csv', {
    tests: [
      '2026-04-01 12:00 salinity 1.025 SG 25/25',
      '2026-04-01 12:00 temperature 77 °F',
      '2026-04-08 12:00 salinity 1.026 SG 25/25',
      '2026-04-08 12:00 temperature 78.8 °F',
      '2026-04-15 12:00 salinity 1.024 SG 25/25',
      '2026-04-15 12:00 temperature 76 °F',
    ],
    asked: ['unit/SG'],
  }),
  fixture('shortGravity.csv', {
    tests: [
      '2026-04-01 12:00 salinity 1.025 SG 25/25',
      '2026-04-08 12:00 salinity 1.026 SG 25/25',
      '2026-04-15 12:00 salinity 1.024 SG 25/25',
    ],
    asked: ['unit/Salinity'],
  }),
  fixture('daysOfTheTank.csv', {
    tests: [
      '2026-03-03 12:00 ammonia 2 ppm NH4',
      '2026-03-03 12:00 nitrite 0 ppm NO2',
      '2026-03-06 12:00 ammonia 1 ppm NH4',
      '2026-03-06 12:00 nitrite 0.25 ppm NO2',
      '2026-03-14 12:00 ammonia 0.25 ppm NH4',
      '2026-03-14 12:00 nitrite 2 ppm NO2',
    ],
  }),
  {
    of: 'laboratory.csv, in UTF-16',
    bytes: () => utf16(text('laboratory.csv')),
    tests: [
      '2026-09-01 12:00 nitrate 1.2 ppm N',
      '2026-09-01 12:00 phosphate 42 ppb PO4',
      '2026-09-01 12:00 calcium 418 ppm',
      '2026-10-01 12:00 nitrate 1.6 ppm N',
      '2026-10-01 12:00 phosphate 55 ppb PO4',
      '2026-10-01 12:00 calcium 424 ppm',
    ],
  },
  fixture('words.csv', {
    tests: [
      '2026-03-05 12:00 ammonia between 0 and 0.25 ppm NH4',
      '2026-03-05 12:00 nitrate 0 ppm NO3',
      '2026-03-06 12:00 ammonia between 0.25 and 0.5 ppm NH4',
      '2026-03-06 12:00 nitrate 2 ppm NO3',
      '2026-03-07 12:00 ammonia 0.5 ppm NH4',
      '2026-03-07 12:00 nitrate 5 ppm NO3',
      '2026-03-08 12:00 ammonia between 0 and 0.25 ppm NH4',
      '2026-03-08 12:00 nitrate 80 ppm NO3',
      '2026-03-11 12:00 ammonia 0.25 ppm NH4',
      '2026-03-11 12:00 nitrate 40 ppm NO3',
      '2026-03-12 12:00 ammonia between 0 and 0.25 ppm NH4',
      '2026-03-12 12:00 nitrate 80 ppm NO3',
    ],
    refused: ['ok', 'n/a', '✓', 'lime'],
  }),
  fixture('zeroForUntested.csv', {
    tests: [
      '2026-05-01 12:00 ph 8.1',
      '2026-05-01 12:00 nitrate 20 ppm NO3',
      '2026-05-15 12:00 ph 8.2',
      '2026-05-15 12:00 nitrate 25 ppm NO3',
      '2026-05-22 12:00 ph 8.1',
      '2026-05-22 12:00 nitrate 25 ppm NO3',
    ],
    asked: ['zero/Nitrate', 'zero/Nitrite'],
  }),
  fixture('mixedDegrees.csv', {
    tests: [
      '2026-05-01 12:00 temperature 25.5 °C',
      '2026-05-08 12:00 temperature 78 °F',
      '2026-05-15 12:00 temperature 25 °C',
      '2026-05-22 12:00 temperature 77 °F',
    ],
    asked: ['unit/Temp (°C)'],
  }),
  fixture('ambiguousDays.csv', {
    tests: [
      '2026-02-01 12:00 nitrate 5 ppm NO3',
      '2026-02-02 12:00 nitrate 10 ppm NO3',
      '2026-02-03 12:00 nitrate 20 ppm NO3',
    ],
    asked: ['order'],
  }),
  fixture('quoted.csv', {
    tests: ['2026-06-01 12:00 nitrate 5 ppm NO3', '2026-06-08 12:00 nitrate 10 ppm NO3'],
  }),
  fixture('yearAbove.csv', {
    tests: [
      '2025-03-14 12:00 nitrate 10 ppm NO3',
      '2025-04-01 12:00 nitrate 20 ppm NO3',
      '2025-12-24 12:00 nitrate 5 ppm NO3',
    ],
  }),
  fixture('alkalinityInMeq.csv', {
    tests: [
      '2026-05-01 12:00 alkalinity 2.9 meq/L',
      '2026-05-08 12:00 alkalinity 3.1 meq/L',
      '2026-05-15 12:00 alkalinity 2.7 meq/L',
    ],
    asked: ['unit/Alk'],
  }),
  {
    of: 'a workbook with a sheet a month',
    bytes: () =>
      workbookFile({
        'Notes to self': [['buy salt']],
        'Jan 2026': [
          ['Day', 'KH', 'Nitrate'],
          [3, 8.1, 5],
          [17, 7.9, 10],
        ],
        'Feb 2026': [
          ['Day', 'KH', 'Nitrate'],
          [2, 8, 5],
        ],
      }),
    tests: [
      '2026-01-03 12:00 alkalinity 8.1 dKH',
      '2026-01-03 12:00 nitrate 5 ppm NO3',
      '2026-01-17 12:00 alkalinity 7.9 dKH',
      '2026-01-17 12:00 nitrate 10 ppm NO3',
      '2026-02-02 12:00 alkalinity 8 dKH',
      '2026-02-02 12:00 nitrate 5 ppm NO3',
    ],
  },
  {
    of: 'a workbook with merged cells, days as it counts them',
    bytes: () =>
      workbookFile({
        Tests: [
          [null, null, 'Nitrogen', null, 'Other', null],
          ['Date', 'Time', 'NO2', 'NO3', 'KH', 'Temp'],
          [{ serial: 46082 }, '08:00', 0.25, 5, null, 25.1],
          [null, '20:00', 0.5, 10, 8.0999999999999996, 25.6],
          [{ serial: 46089 }, '08:00', 0, 20, 7.8, 25.3],
        ],
      }),
    tests: [
      '2026-03-01 08:00 nitrite 0.25 ppm NO2',
      '2026-03-01 08:00 nitrate 5 ppm NO3',
      '2026-03-01 08:00 temperature 25.1 °C',
      '2026-03-01 20:00 nitrite 0.5 ppm NO2',
      '2026-03-01 20:00 nitrate 10 ppm NO3',
      '2026-03-01 20:00 alkalinity 8.1 dKH',
      '2026-03-01 20:00 temperature 25.6 °C',
      '2026-03-08 08:00 nitrite 0 ppm NO2',
      '2026-03-08 08:00 nitrate 20 ppm NO3',
      '2026-03-08 08:00 alkalinity 7.8 dKH',
      '2026-03-08 08:00 temperature 25.3 °C',
    ],
  },
  {
    of: 'a text in Windows-1252',
    bytes: () =>
      windows(
        'Datum;Temperatur (\u00b0C);Bemerkung\r\n01.05.2026;25,1;k\u00fchler L\u00fcfter an\r\n20.05.2026;26;\r\n',
      ),
    tests: ['2026-05-01 12:00 temperature 25.1 °C', '2026-05-20 12:00 temperature 26 °C'],
  },
];

describe('spreadsheets as they come', () => {
  it.each(SHEETS)('$of', async ({ bytes, tests, asked = [], refused = [] }) => {
    const found = await read(bytes());
    expect(lines(found)).toEqual(tests);
    expect(found.questions.map(({ key }) => key)).toEqual(asked);
    expect(found.refused.map((one) => one.text)).toEqual(refused);
    for (const question of found.questions) {
      expect(question.options.length).toBeGreaterThan(1);
      expect(question.options.map(({ value }) => value)).toContain(question.likely);
    }
  });

  it('never makes a zero of what is none', async () => {
    for (const { bytes } of SHEETS) {
      for (const { text: cell, value } of (await read(bytes())).readings) {
        const isZero = value.form === 'digital' ? value.value === 0 : value.steps[value.high] === 0;
        if (isZero) expect(cell).toMatch(/^0([.,]0*)?$/);
      }
    }
  });

  it('asks for the mark between whole and fraction where both do as well, and goes by the answer', async () => {
    const text = 'Date;Calcium\n2026-03-05;1.250\n2026-03-06;1.300';
    const found = await read(utf8(text));
    expect(found.questions).toMatchObject([
      { key: 'mark', ask: 'How much is 1.250?', likely: '.' },
    ]);
    expect(answerIn(found.mapping, 'mark')).toBe('.');
    const other = await read(utf8(text), answered(found.mapping, 'mark', ','));
    expect(other.readings.map(({ value }) => value)).toMatchObject([
      { value: 1250 },
      { value: 1300 },
    ]);
    // The other mark would make no difference, or leave nothing likely.
    for (const sure of ['Date;Salinity\n2026-03-05;1.026', 'Date,Mg\n2026-03-05,"1,320"']) {
      const keys = (await read(utf8(sure))).questions.map(({ key }) => key);
      expect(keys).not.toContain('mark');
    }
  });

  it('keeps notes, and offers the water change that one tells of', async () => {
    const { notes, offers } = await read(file('dayFirst.csv'));
    expect(notes.map((note) => note.text)).toEqual(['dosed yesterday', 'WC 20 %']);
    expect(offers).toMatchObject([
      {
        text: 'WC 20 %',
        told: { is: 'waterChange', percent: 20 },
        at: '2026-04-04T09:05:00+02:00',
      },
    ]);
    expect((await read(file('quoted.csv'))).notes.map((note) => note.text)).toEqual([
      'first line\r\nsecond; with a sign',
      'said "fine"',
    ]);
    expect(
      (await read(windows('Datum;KH;Bemerkung\r\n01.05.2026;8,1;k\u00fchler L\u00fcfter an')))
        .notes,
    ).toMatchObject([{ text: 'kühler Lüfter an' }]);
  });
});
