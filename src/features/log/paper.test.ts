import { kitFrom } from '@/core/records/kitTemplates';
import { createRecord } from '@/core/records/acts';
import type { KitTemplateId } from '@/core/parameters/registry';
import { testId } from '@/testing/logBuilder';
import { meantDay } from '@/core/time/typedDay';
import { columnsOf, emptyPaper, readPaper, type PaperForm } from './paperForm';

const stamp = { actId: testId(1), device: 'test', recordedAt: '2026-03-20T12:00:00Z' };
const kits = (['ammoniaCard', 'nitriteCard', 'nitrateCard', 'phPen'] as KitTemplateId[]).map(
  (id, i) => createRecord(stamp, testId(10 + i), 'kit', kitFrom(id, i)),
);
const NOW = Date.parse('2026-03-20T18:00:00Z');
const context = { kits, zone: 'UTC', today: '2026-03-20', now: NOW };
const page = (...rows: [day: string, cells: Record<string, string>][]): PaperForm => ({
  columns: ['ammonia', 'nitrite', 'nitrate', 'ph', 'dose'],
  rows: rows.map(([day, cells]) => ({ day, cells })),
});

describe('a page of tests', () => {
  it('has a column for each kit in use, and one for the dose', () => {
    expect(columnsOf(kits).map(({ id }) => id)).toEqual([
      'ammonia',
      'nitrite',
      'nitrate',
      'ph',
      'dose',
    ]);
    expect(readPaper(emptyPaper(), context)).toEqual({ days: [], errors: {} });
  });

  it('reads a step of a card, what lies between two, and a number of a pen', () => {
    const { days, errors } = readPaper(
      page(['2026-03-10', { ammonia: '0,5', nitrite: '1.5', ph: '8.1' }]),
      context,
    );
    expect(errors).toEqual({});
    const values = days.map(({ body }) => (body.kind === 'reading' ? body.value : null));
    expect(values[0]).toMatchObject({ low: 2, high: 2 });
    expect(values[1]).toMatchObject({ low: 3, high: 4 });
    expect(values[2]).toEqual({ form: 'digital', value: 8.1, unit: 'pH' });
    expect(days.every(({ at }) => at === Date.parse('2026-03-10T12:00:00Z'))).toBe(true);
  });

  it('puts a dose after the test of its day, or before one that shows it', () => {
    const hours = (ammonia: string) =>
      readPaper(page(['2026-03-10', { ammonia, dose: '2' }]), context).days.find(
        ({ body }) => body.kind === 'dose',
      )?.at;
    expect(hours('0')).toBe(Date.parse('2026-03-10T13:00:00Z'));
    expect(hours('2')).toBe(Date.parse('2026-03-10T11:00:00Z'));
  });

  it('says line by line what is wrong, and reads no half of it away', () => {
    const { errors } = readPaper(
      page(
        ['', { ammonia: '1' }],
        ['2026-03-12', { ammonia: 'x', nitrite: '9' }],
        ['2026-03-12', { nitrite: '1' }],
        ['2026-03-25', { nitrite: '1', dose: '200' }],
        ['soon', {}],
        ['2026-03-13', {}],
      ),
      context,
    );
    expect(errors).toEqual({
      '0/day': 'Which day was it?',
      '1/ammonia': '"x" is not a number.',
      '1/nitrite': 'The card ends at 5: write that for it and for more.',
      '2/day': 'This day stands above already.',
      '3/day': 'That day lies ahead.',
      '3/dose': 'Above 20 ppm it is no dose.',
      '4/day': 'That is no day.',
    });
  });

  it('never dates a test after now', () => {
    const early = { ...context, now: Date.parse('2026-03-20T08:00:00Z') };
    const { days } = readPaper(page(['2026-03-20', { ammonia: '1', dose: '4' }]), early);
    expect(days.map(({ at }) => at)).toEqual([early.now, early.now]);
  });

  it('takes days as people say them', () => {
    const said = (text: string) => meantDay(text, 'dmy', '2026-03-20', '2026-03-02');
    expect(said('day 4')).toBe('2026-03-06');
    expect(said('D0')).toBe('2026-03-02');
    expect(said('yesterday')).toBe('2026-03-19');
    expect(said('5.3')).toBe('2026-03-05');
    expect(said('sometime')).toBe('sometime');
    expect(meantDay('day 4', 'dmy', '2026-03-20', null)).toBe('day 4');
  });
});
