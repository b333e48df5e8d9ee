import fc from 'fast-check';
import { dayInWords, monthWeeks, monthWords, parseClock, shiftDay, shiftMonth } from './calendar';
import { parseDay, type DayOrder } from './typedDay';

const TODAY = '2026-11-24';

describe('a day', () => {
  it('without a year is the last such up to today, or the next where days ahead are meant', () => {
    expect(parseDay('1 May', 'dmy', TODAY)).toBe('2026-05-01');
    expect(parseDay('1 May', 'dmy', TODAY, 'ahead')).toBe('2027-05-01');
    expect(parseDay('24.11.', 'dmy', TODAY, 'ahead')).toBe(TODAY);
    expect(parseDay('30 Nov 2026', 'dmy', TODAY, 'ahead')).toBe('2026-11-30');
    expect(parseDay('tomorrow', 'dmy', TODAY)).toBe('2026-11-25');
  });

  it('steps across months and leap days, and begins today', () => {
    expect(shiftDay('2024-02-28', 1, TODAY)).toBe('2024-02-29');
    expect(shiftDay('2026-01-01', -1, TODAY)).toBe('2025-12-31');
    expect(shiftDay('', 1, TODAY)).toBe(TODAY);
    expect(shiftMonth('2026-03-31', -1, TODAY)).toBe('2026-02-28');
  });

  it('shows its weekday, and nothing for a slip', () => {
    expect(dayInWords(TODAY)).toBe('Tue 24 Nov 2026');
    expect(dayInWords('2026-13-40')).toBeNull();
    expect(dayInWords('soon')).toBeNull();
  });

  it.each<[string, DayOrder, string | null]>([
    ['4.11.2026', 'dmy', '2026-11-04'],
    ['4/11/26', 'dmy', '2026-11-04'],
    ['04-11-26', 'dmy', '2026-11-04'],
    ['11/4/26', 'mdy', '2026-11-04'],
    ['2026/11/4', 'ymd', '2026-11-04'],
    ['2026-11-04', 'mdy', '2026-11-04'],
    ['4 Nov', 'dmy', '2026-11-04'],
    ['nov 4', 'mdy', '2026-11-04'],
    ['Nov 4, 2025', 'mdy', '2025-11-04'],
    ['4 november 2025', 'dmy', '2025-11-04'],
    ['4.12.', 'dmy', '2025-12-04'],
    ['24.11', 'dmy', '2026-11-24'],
    ['yesterday', 'dmy', '2026-11-23'],
    ['31.2.2026', 'dmy', null],
    ['4.11.1026', 'dmy', null],
    ['soon', 'dmy', null],
    ['', 'dmy', null],
  ])('is read from %p in the order %s', (text, order, day) => {
    expect(parseDay(text, order, TODAY)).toBe(day);
  });

  it('is read back from what is written in any order', () => {
    const moments = fc.date({
      min: new Date('1995-01-01'),
      max: new Date('2150-01-01'),
      noInvalidDate: true,
    });
    fc.assert(
      fc.property(moments, (moment) => {
        const day = moment.toISOString().slice(0, 10);
        const [y, m, d] = day.split('-').map(Number);
        expect(parseDay(`${d}.${m}.${y}`, 'dmy', TODAY)).toBe(day);
        expect(parseDay(`${m}/${d}/${y}`, 'mdy', TODAY)).toBe(day);
        expect(parseDay(`${y}.${m}.${d}`, 'ymd', TODAY)).toBe(day);
      }),
    );
  });
});

describe('a month', () => {
  it('is whole weeks from the day that the keeper begins with', () => {
    const monday = monthWeeks('2026-11-24', 1);
    expect(monday[0]?.[0]).toBe('2026-10-26');
    expect(monday.at(-1)?.at(-1)).toBe('2026-12-06');
    expect(monthWeeks('2026-11-24', 0)[0]?.[0]).toBe('2026-11-01');
    expect(monthWeeks('2026-02-10', 0).every((week) => week.length === 7)).toBe(true);
    expect(monthWords('2026-11-24')).toBe('November 2026');
  });
});

describe('a clock time', () => {
  it.each([
    ['18:40', 18, 40],
    ['18.40', 18, 40],
    ['1840', 18, 40],
    ['7:05', 7, 5],
    ['6:40 pm', 18, 40],
    ['12am', 0, 0],
    ['7 pm', 19, 0],
  ])('is read from %s', (text, hours, minutes) => {
    expect(parseClock(text)).toEqual({ hours, minutes });
  });

  it.each(['', '24:00', '18:60', 'noon', '13pm', '7'])('is not read from %p', (text) => {
    expect(parseClock(text)).toBeNull();
  });
});
