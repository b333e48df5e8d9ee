import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { animalOf } from '@/core/livestock/catalogue';
import { SETTINGS_ID } from '@/core/records/schema/settings';
import { recordAct } from '@/store/record';
import { selectSettings, selectSettingsRecord } from '@/store/selectors';
import { choose, demoStore, heading, press, show } from '@/testing/appHarness';
import { AnimalScreen } from './AnimalScreen';
import { CatalogueScreen } from './CatalogueScreen';
import { describedAnimal, OwnAnimalScreen } from './OwnAnimalScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
let mockGiven: Record<string, string> = {};
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/catalogue',
  useLocalSearchParams: () => mockGiven,
}));
beforeEach(() => {
  mockGiven = {};
});
jest.setTimeout(30_000);

const seek = (text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: 'Find an animal' }), {
    target: { value: text },
  });

describe('Catalogue', () => {
  it('finds an animal by a name spelt by ear, and opens it', async () => {
    await show(await demoStore(), <CatalogueScreen />);
    seek('oscelaris');
    await press(/^Ocellaris clownfish/);
    expect(mockRouter.push).toHaveBeenCalledWith('/catalogue/ocellaris-clownfish');
    await choose('Corals');
    expect(screen.getByText(/Nothing here is called "oscelaris"/)).toBeTruthy();
  });
});

describe('the catalogue narrowed', () => {
  it('to what fits the tank, to beginners, to what leaves the rest alone', async () => {
    await show(await demoStore(), <CatalogueScreen />);
    await choose('Fish');
    const number = () =>
      Number(/(\d+) animals?/.exec(screen.getByText(/^\d+ animals?$/).textContent ?? '')?.[1]);
    const all = number();
    await press('Fits this tank');
    const fitting = number();
    await press('For a first one');
    await press('Leaves corals and the clean-up crew alone');
    expect(number()).toBeLessThan(fitting);
    expect(fitting).toBeLessThan(all);
    seek('naso');
    expect(screen.getByText('None of them passes all of that.')).toBeTruthy();
  });

  it('sets animals side by side, with what stands between them', async () => {
    mockGiven = { beside: 'yellow-tang' };
    await show(await demoStore(), <CatalogueScreen />);
    expect(screen.getByText('pick another from the list')).toBeTruthy();
    seek('scopas');
    await press(/^Scopas tang/);
    expect(screen.getByText(/are close kin/)).toBeTruthy();
    await press('Take Scopas tang away');
    expect(screen.queryByText(/are close kin/)).toBeNull();
  });
});

describe('an animal of one’s own', () => {
  const like = animalOf('firefish');
  if (!like) throw new Error('no firefish');
  const plain = {
    name: 'Helfrich firefish',
    scientific: '',
    adult: '',
    bought: '',
    litres: '',
    temper: 'peaceful' as const,
  };

  it('is what it is most like but for what differs, and less sure', () => {
    const made = describedAnimal(like, { ...plain, adult: '7', litres: '100' }, 'own-1');
    expect('animal' in made && made.animal).toMatchObject({
      id: 'own-1',
      adultCm: 7,
      leastLitres: 100,
      unsure: true,
      jumps: like.group === 'fish' && like.jumps,
    });
  });

  it('says what is wrong with it', () => {
    const why = (changes: object) => {
      const made = describedAnimal(like, { ...plain, ...changes }, 'own-1');
      return 'why' in made ? made.why : null;
    };
    expect(why({ name: ' ' })).toBe('Give it a name.');
    expect(why({ adult: '3' })).toMatch(/bought larger than it grows/);
    expect(why({ litres: 'many' })).toMatch(/^Least water: that is no number/);
    expect(why({ adult: '1000' })).toMatch(/^Full size: lies between 0.5 and 500 cm/);
    expect(why({ name: 'a'.repeat(20_000) })).toMatch(/60 letters at most/);
    expect(why({ scientific: 'firefish' })).toMatch(/two words/);
  });

  it('is found in the catalogue once it was described', async () => {
    const store = await demoStore();
    await show(store, <OwnAnimalScreen />);
    fireEvent.change(screen.getByRole('textbox', { name: 'Most like' }), {
      target: { value: 'firefish' },
    });
    await press(/^Firefish/);
    fireEvent.change(screen.getByRole('textbox', { name: 'Its name' }), {
      target: { value: 'Grey dartling' },
    });
    await press('Save it');
    await waitFor(() =>
      expect(mockRouter.push).toHaveBeenCalledWith(
        expect.stringMatching(/^\/catalogue\/own-[0-9a-f-]{36}$/),
      ),
    );
    const [described] = store.getState().log.species;
    await show(store, <AnimalScreen id={described?.body.id ?? ''} />);
    expect(screen.getByText('Grey dartling.')).toBeTruthy();
  });

  it('bears a name in any letters, and another of those letters as well', async () => {
    const store = await demoStore();
    await show(store, <OwnAnimalScreen />);
    for (const name of ['イソギンチャク', 'クマノミ']) {
      fireEvent.change(screen.getByRole('textbox', { name: 'Most like' }), {
        target: { value: 'firefish' },
      });
      await press(/^Firefish/);
      fireEvent.change(screen.getByRole('textbox', { name: 'Its name' }), {
        target: { value: name },
      });
      mockRouter.push.mockClear();
      await press('Save it');
      await waitFor(() => expect(mockRouter.push).toHaveBeenCalled());
      expect(store.getState().log.species.map(({ body }) => body.names[0])).toContain(name);
      mockRouter.push.mockClear();
    }
    expect(new Set(store.getState().log.species.map(({ body }) => body.id)).size).toBe(2);
  });
});

describe('an animal', () => {
  it('warns first, and stands against the tank in view', async () => {
    await show(await demoStore(), <AnimalScreen id="volitans-lionfish" />);
    expect(heading()).toBe('Red lionfish.');
    expect(screen.getByText(/at most 45 °C/)).toBeTruthy();
    expect(screen.getByText(/needs 550 L at least, and this is a tank of/)).toBeTruthy();
  });

  it('says how much sand and which lid it wants, and what is unsure', async () => {
    await show(await demoStore(), <AnimalScreen id="pearly-jawfish" />);
    expect(screen.getByText(/burrows in 10 cm of mixed sand; there are 3/)).toBeTruthy();
    expect(screen.getByText(/it jumps, and there is no lid/)).toBeTruthy();
    await show(await demoStore(), <AnimalScreen id="firefish" />);
    expect(screen.getByText(/less sure than usual/)).toBeTruthy();
  });

  it('that is none says so', async () => {
    await show(await demoStore(), <AnimalScreen id="unicorn" />);
    expect(heading()).toBe('There is no such animal.');
  });
});

describe('the facts of an animal', () => {
  it('are read in the units that the keeper reads', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <AnimalScreen id="firefish" />);
    const facts = () => document.body.textContent ?? '';
    expect(facts()).toMatch(/\d L and \d+ cm to swim/);
    cleanup();
    const settings = {
      ...selectSettings(store.getState()),
      volumeUnit: 'gal',
      lengthUnit: 'in',
    } as const;
    await store.dispatch(
      recordAct((act) => {
        const head = selectSettingsRecord(store.getState());
        if (head) act.revise(head, settings);
        else act.createAs(SETTINGS_ID, 'settings', settings);
      }),
    );
    await show(store, <AnimalScreen id="firefish" />);
    expect(facts()).toMatch(/\d gal and \d+ in to swim/);
    expect(facts()).not.toMatch(/\d (L|cm)\b/);
  });
});
