import type { Absence } from '@/core/records/schema/absence';
import { emptyChore, formOfChore, readChore, type ChoreBody } from './choreForm';
import { formOfAbsence, readAbsence } from './awayForm';

const TODAY = '2026-11-24';

describe('the form of a chore', () => {
  const chores: ChoreBody[] = [
    { name: 'Change water', minutes: 40, litres: 25, rule: { by: 'days', every: 14 } },
    {
      name: 'Feed the anemone',
      minutes: 4,
      rule: { by: 'calendar', unit: 'week', every: 2, weekdays: [2, 5], start: '2026-03-07' },
      off: true,
    },
    {
      name: 'Pumps',
      minutes: 60,
      rule: { by: 'calendar', unit: 'month', every: 4, weekdays: [], start: '2026-01-31' },
    },
  ];

  it('gives back what it was made of', () => {
    for (const chore of chores) {
      expect(readChore(formOfChore(chore, TODAY, 'L'))).toEqual({ ok: true, value: chore });
    }
  });

  it('turns gallons into litres and back', () => {
    const form = formOfChore(chores[0] as ChoreBody, TODAY, 'gal');
    expect(form.water).toBe('6.604');
    const read = readChore(form);
    expect(read.ok && read.value.litres).toBeCloseTo(25, 2);
  });

  it('says at each field what is wrong, and keeps the rest', () => {
    const wrong = readChore({
      ...emptyChore(TODAY, 'L'),
      minutes: '1.5',
      every: '0',
      water: 'much',
      start: 'soon',
    });
    expect(wrong).toMatchObject({
      ok: false,
      errors: {
        name: 'What is it called?',
        minutes: 'A whole number.',
        every: 'It must be at least 1.',
        water: '"much" is not a number.',
        start: 'From which day on?',
      },
    });
  });
});

describe('the form of days away', () => {
  const absence: Absence = {
    from: '2026-12-01',
    until: '2026-12-12',
    minder: 'Ines',
    call: 'The number on the door',
    tanks: { a: { food: 'One pinch', leave: 'The valves' } },
  };

  it('gives back what it was made of', () => {
    expect(readAbsence(formOfAbsence(absence))).toEqual({ ok: true, value: absence });
  });

  it('says what is wrong with its days', () => {
    const form = formOfAbsence(absence);
    const errors = (changes: Partial<typeof form>) => {
      const read = readAbsence({ ...form, ...changes });
      return read.ok ? {} : read.errors;
    };
    expect(errors({ until: '2026-11-30' }).until).toMatch(/ends before it begins/);
    expect(errors({ until: '2027-12-30' }).until).toMatch(/a tank needs a keeper/);
    expect(errors({ from: 'next week' }).from).toMatch(/first day away/);
  });
});
