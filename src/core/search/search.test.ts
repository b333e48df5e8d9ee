import fc from 'fast-check';
import { changeAsked } from './changeAsked';
import { searchIn } from './search';

const ROWS = [
  { id: 'kh', title: 'Raise alkalinity', also: 'KH dKH buffer' },
  { id: 'wc', title: 'Water change', also: 'WC' },
  { id: 'mandarin', title: 'Mandarin dragonet', note: 'Synchiropus splendidus' },
  { id: 'outbreak', title: 'An outbreak', also: 'white spots ich velvet' },
  { id: 'export', title: 'Data', also: 'export backup' },
];
const find = (text: string) => searchIn(ROWS)(text, 5).map(({ id }) => id);

describe('the search', () => {
  it.each([
    ['KH', 'kh'],
    ['alkalinty', 'kh'],
    ['how do I raise my alk', 'kh'],
    ['wc', 'wc'],
    ['madarin', 'mandarin'],
    ['Synchiropus', 'mandarin'],
    ['white spots', 'outbreak'],
    ['back', 'export'],
  ])('finds by %s what is meant', (typed, id) => {
    expect(find(typed)[0]).toBe(id);
  });

  it('takes a short form as it is, and finds nothing where nothing is like it', () => {
    expect(find('NH')).not.toContain('kh');
    expect(find('qqqqqq')).toEqual([]);
    expect(find('   ')).toEqual([]);
  });

  it('answers whatever is typed, each row at most once, and no page longer than its start', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (text) => {
        const found = find(text);
        expect(new Set(found).size).toBe(found.length);
        expect(find(`raise alkalinity${' '.repeat(70)}${text}`)).toEqual(find('raise alkalinity'));
      }),
    );
  });
});

describe('a water change that is typed', () => {
  it.each([
    ['12 l at 25 %', 12, 25],
    ['wc 20%', null, 20],
    ['change 5 gal', 18.927, null],
    ['12,5 litres water change', 12.5, null],
    ['25 percent of 200L', 200, 25],
  ])('%s', (typed, litres, percent) => {
    expect(changeAsked(typed)).toEqual({
      litres: litres === null ? null : expect.closeTo(litres, 2),
      percent,
    });
  });

  it.each(['nitrite', '12 l', '0 %', '140 %', 'wc', 'change 0 l'])('is not %s', (typed) => {
    expect(changeAsked(typed)).toBeNull();
  });
});
