import { LogBuilder, onDay } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { byKind, isRunning, monthsOf, paidFor } from './costs';
import { moneyWords } from './money';
import { packsFor } from './packs';

function paid(build: (builder: LogBuilder) => void) {
  const builder = new LogBuilder({ zone: 'Europe/Berlin' });
  build(builder);
  return paidFor([tankHistory(builder.log(), builder.tankId)]);
}

describe('what a tank cost', () => {
  const all = paid((builder) => {
    builder.entry(onDay(0), { kind: 'cost', of: 'tank', amount: 400 });
    builder.entry(onDay(40), { kind: 'cost', of: 'salt', amount: 60, what: '20 kg' });
    builder.entry(onDay(41), { kind: 'cost', of: 'salt', amount: 2.5 });
    builder.entry(onDay(50), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Clownfish',
      count: 2,
      price: 48,
    });
  });

  it('counts animals by their price beside what was logged as a cost', () => {
    expect(byKind(all)).toEqual([
      { of: 'tank', amount: 400 },
      { of: 'salt', amount: 62.5 },
      { of: 'animals', amount: 48 },
    ]);
    expect([isRunning('salt'), isRunning('animals')]).toEqual([true, false]);
  });

  it('falls into months of the tank’s zone, bought and running apart, none of it lost', () => {
    const months = monthsOf(all, 'Europe/Berlin', onDay(60), 3);
    expect(months).toEqual([
      { month: '2026-03', bought: 400, running: 0 },
      { month: '2026-04', bought: 48, running: 62.5 },
      { month: '2026-05', bought: 0, running: 0 },
    ]);
    const eve = paid((builder) => {
      // 23:30 UTC on the last of March is April in Berlin.
      builder.entry(Date.parse('2026-03-31T23:30:00Z'), { kind: 'cost', of: 'food', amount: 9 });
    });
    expect(monthsOf(eve, 'Europe/Berlin', onDay(60), 3).map(({ running }) => running)).toEqual([
      0, 9, 0,
    ]);
    const january = monthsOf([], 'UTC', Date.parse('2026-01-15T12:00:00Z'), 3);
    expect(january.map(({ month }) => month)).toEqual(['2025-11', '2025-12', '2026-01']);
  });
});

describe('money in words', () => {
  it('is whole from a hundred on and by hundredths below, with its currency before it', () => {
    expect(moneyWords(48.5, '€')).toBe('€ 48.50');
    expect(moneyWords(22, '€')).toBe('€ 22');
    expect(moneyWords(884.4, undefined)).toBe('884');
  });
});

describe('packs', () => {
  const salt = { name: 'A mix', by: 'salt', size: 20, price: 60, yield: 38 } as const;

  it('of salt are as many as the water takes: 208 L take 7.9 kg', () => {
    expect(packsFor(salt, 208)).toMatchObject({ packs: 1, paid: 60 });
    expect(packsFor(salt, 208).exact).toBeCloseTo(0.3952, 6);
    expect(packsFor(salt, 208).used).toBeCloseTo(23.712, 6);
    expect(packsFor({ ...salt, size: 4 }, 208)).toMatchObject({ packs: 2, paid: 120 });
  });

  it('by the litres they are for are whole ones, and exactly enough is enough', () => {
    const bottle = { name: 'Bacteria', by: 'litres', size: 100, price: 15, yield: 0 } as const;
    expect(packsFor(bottle, 208)).toMatchObject({ packs: 3, paid: 45 });
    expect(packsFor(bottle, 200).packs).toBe(2);
    expect(() => packsFor({ ...bottle, size: 0 }, 200)).toThrow(RangeError);
  });
});
