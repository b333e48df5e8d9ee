import { SUMS } from '@/core/sums';
import { searchIn } from '@/core/search/search';
import { ALSO as CALCULATORS_ALSO } from './calculators/offers';
import { fetchOffers } from './offers';
import { PLACES_ALSO } from './placeOffers';
import { PLACES } from './shell/places';

jest.mock('expo-router', () => ({ useRouter: () => ({}), usePathname: () => '/search' }));

test('every place and every calculator says what else it is called, and nothing else does', () => {
  expect(Object.keys(PLACES_ALSO).sort()).toEqual(PLACES.map(({ path }) => path).sort());
  expect(Object.keys(CALCULATORS_ALSO).sort()).toEqual(SUMS.map(({ id }) => id).sort());
});

describe('what keepers type leads where they mean', () => {
  it('with each offer told apart by its id', async () => {
    const { rows } = await fetchOffers();
    expect(rows.length).toBeGreaterThan(120);
    expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
  });

  it.each([
    ['QT', /^\/quarantine/],
    ['CUC', /^\/log\/animals/],
    ['ATO', /^\/(log\/top-off|calculators\/(evaporation|reservoir-in))/],
    ['RODI', /^\/(calculators\/rodi|log\/purified)/],
    [
      'WC',
      /^\/(calculators\/water-change|calculators\/change-series|log\/water-change|runs\/waterChange)/,
    ],
    ['KH', /^\/(calculators\/alkalinity|log\/dose)/],
    ['SG', /^\/(calculators\/salinity|calculators\/hydrometer|runs\/salinitySwing)/],
    ['red slime', /^\/(stock\/growth|log\/sighting)/],
    ['white spots', /^\/(quarantine\/outbreak|guide\/white-spots)/],
    ['nitrite stuck', /^\/guide\/nitrite-stuck/],
    ['snails died', /^\/runs\/contaminant/],
    ['cloudy', /^\/runs\/anemoneInPump/],
    ['gasping', /^\/(runs\/ammoniaSpike|emergency)/],
    ['export', /^\/data/],
    ['ph', /^\/water\/ph/],
    ['nitrate chart', /^\/water\/nitrate/],
    ['dosing', /^\/dosing/],
    ['photos', /^\/photos/],
    ['dark mode', /^\/settings/],
    ['holiday', /^\/away/],
    ['mix saltwater', /^\/(runs\/mix|calculators\/salt-mix)/],
    ['power cut', /^\/runs\/powerCut/],
    ['basis', /^\/guide\?word=Basis/],
    ['dianoga', /^$/],
  ])('%s', async (typed, address) => {
    const { rows } = await fetchOffers();
    const [first] = searchIn(rows)(typed, 8);
    expect(first?.open ?? '').toMatch(address);
  });

  it('where there is no tank, nothing that is about one', async () => {
    const { rows, needsTank } = await fetchOffers();
    const free = rows.filter(({ open }) => !needsTank(open)).map(({ open }) => open);
    expect(free).toEqual(expect.arrayContaining(['/data', '/runs/mix', '/guide/first']));
    for (const about of ['/cycle', '/log/test', '/stock/add?species=firefish']) {
      expect([about, needsTank(about)]).toEqual([about, true]);
      expect(free).not.toContain(about);
    }
  });

  it('an animal by ear, first of all whether it may come', async () => {
    const { animals } = await fetchOffers();
    const [question, first] = animals('madarin');
    expect(question?.open).toMatch(/^\/stock\/add\?species=.*mandarin/);
    expect(first?.open).toMatch(/^\/catalogue\/.*mandarin/);
    expect(animals('')).toEqual([]);
  });
});
