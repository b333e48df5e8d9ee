import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { headsOfType, type EntryKind } from '@/core';
import { selectLog } from '@/store/selectors';
import { selectHistory } from '@/store/inView';
import { choose, demoStore, lastLogged, press, show, type } from '@/testing/appHarness';
import { allEvents } from '@/core/history/events';
import { KIND_FORMS } from './forms';

const WaterChangeScreen = KIND_FORMS.waterChange.New;

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/log/feed',
}));
jest.setTimeout(60_000);
beforeEach(() => jest.clearAllMocks());

const left = () => waitFor(() => expect(mockRouter.back).toHaveBeenCalled());

describe('each kind of entry', () => {
  it.each<[EntryKind, () => Promise<void> | void, object]>([
    [
      'sighting',
      async () => {
        await choose(/^Cyanobacteria/);
        await choose('Covering');
      },
      { kind: 'sighting', growth: 'sheet', extent: 'covering' },
    ],
    [
      'light',
      async () => {
        await choose('On');
        type('Hours a day, if you know', '6');
      },
      { kind: 'light', state: 'on', hoursADay: 6 },
    ],
    ['organics', () => type('How much', '12'), { action: { what: 'prawnIn', grams: 12 } }],
    ['organics', () => choose('Prawn out'), { action: { what: 'prawnOut' } }],
    [
      'organics',
      async () => {
        await choose('Detritus siphoned');
        await choose('Most of it');
      },
      { action: { what: 'siphoned', amount: 'much' } },
    ],
    [
      'feed',
      async () => {
        await choose('Flakes');
        await choose('Grams');
        type('How much', '0,3');
      },
      { kind: 'feed', food: 'flakes', amount: { by: 'grams', grams: 0.3 } },
    ],
    [
      'feed',
      async () => {
        await choose('Frozen food');
        type('How much', '2');
      },
      { kind: 'feed', food: 'frozen', amount: { by: 'portions', portions: 2 } },
    ],
    [
      'media',
      async () => {
        await choose('Live sand');
        type('How much', '4');
      },
      { move: { to: 'in', media: 'liveSand', amount: 4, unit: 'kg' } },
    ],
    [
      'media',
      async () => {
        await choose('Out');
        await choose('A quarter');
      },
      { move: { to: 'out', share: 0.25 } },
    ],
    [
      'treatment',
      async () => {
        await choose('Copper');
        type('What you call it', 'From the drawer');
      },
      { kind: 'treatment', agent: 'copper', product: 'From the drawer' },
    ],
    ['topOff', () => type('Water added', '3.5'), { kind: 'topOff', litres: 3.5 }],
    [
      'topOff',
      async () => {
        type('Water added', '2');
        await choose('Not fresh');
        type('Its salinity', '35');
      },
      { kind: 'topOff', litres: 2, salinity: { value: 35, unit: 'ppt' } },
    ],
    [
      'animals',
      async () => {
        type('What they are', 'Pair of clownfish');
        type('How many', '2');
        type('Weight together, if you know', '9');
      },
      { kind: 'animals', move: 'in', group: 'fish', count: 2, grams: 9 },
    ],
    [
      'animals',
      async () => {
        await choose('Died');
        await choose('Snail, shrimp, other');
        type('What they are', 'Snail');
      },
      { kind: 'animals', move: 'died', group: 'invertebrate', what: 'Snail', count: 1 },
    ],
    [
      'observation',
      async () => {
        await choose('Equipment');
        type('Which', 'Skimmer');
        type('What you saw', 'Overflowing after the feed.');
      },
      { kind: 'observation', about: 'equipment', which: 'Skimmer' },
    ],
    ['note', () => type('What you saw or did', 'Wiped the glass.'), { text: 'Wiped the glass.' }],
    ['lid', () => undefined, { kind: 'lid', fitted: true }],
    ['heaterCheck', () => undefined, { kind: 'heaterCheck' }],
    ['filled', () => undefined, { kind: 'filled' }],
    ['running', () => undefined, { kind: 'running' }],
    [
      'dose',
      async () => {
        type('How much', '12');
        await act(async () => {
          fireEvent.click(screen.getByRole('checkbox', { name: /^Counted roug/ }));
        });
      },
      { kind: 'dose', about: true },
    ],
  ])(
    '%s is logged as it was said, and has words wherever it is listed',
    async (kind, say, body) => {
      const store = await demoStore();
      const { New } = KIND_FORMS[kind];
      await show(store, <New />);
      await act(async () => {
        await say();
      });
      await press(/^Save the /);
      await left();
      const found = lastLogged(store, kind);
      expect(found?.entry).toMatchObject(body);
      const history = selectHistory(store.getState());
      if (!history || !found) throw new Error('not logged');
      const line = allEvents(history).find((event) => event.id === found.id);
      expect(line?.title.length).toBeGreaterThan(2);
      expect(store.getState().drafts).toEqual({});
    },
  );

  it('with an amount that is none says so, and saves nothing', async () => {
    const store = await demoStore();
    const before = headsOfType(selectLog(store.getState()), 'entry').length;
    const { New } = KIND_FORMS.organics;
    await show(store, <New />);
    type('How much', '-3');
    await press('Save the organics');
    expect(await screen.findByText('It must be more than zero.')).toBeTruthy();
    expect(headsOfType(selectLog(store.getState()), 'entry')).toHaveLength(before);
  });

  it('half entered outlives its screen, and Cancel lets it go', async () => {
    const store = await demoStore();
    const { New } = KIND_FORMS.feed;
    await show(store, <New />);
    type('How much', '7');
    cleanup();
    await show(store, <New />);
    expect((screen.getByLabelText('How much') as HTMLInputElement).value).toBe('7');
    await press('Cancel');
    cleanup();
    await show(store, <New />);
    expect((screen.getByLabelText('How much') as HTMLInputElement).value).toBe('1');
  });

  it('saved by two taps is logged once', async () => {
    const store = await demoStore();
    const before = headsOfType(selectLog(store.getState()), 'entry').length;
    const { New } = KIND_FORMS.feed;
    await show(store, <New />);
    await act(async () => {
      const save = screen.getByRole('button', { name: 'Save the feeding' });
      fireEvent.click(save);
      fireEvent.click(save);
    });
    await left();
    expect(headsOfType(selectLog(store.getState()), 'entry')).toHaveLength(before + 1);
  });

  it('says at its field what could not be read back, and keeps what was typed', async () => {
    const store = await demoStore();
    const { New } = KIND_FORMS.treatment;
    await show(store, <New />);
    type('What you call it', 'x'.repeat(61));
    await press('Save the treatment');
    expect(await screen.findByText(/It holds 60 letters; this is 61/)).toBeTruthy();
    expect(mockRouter.back).not.toHaveBeenCalled();
    type('What you call it', 'x'.repeat(60));
    await press('Save the treatment');
    await left();
  });

  it('shows its cautions where they arise', async () => {
    const Sighting = KIND_FORMS.sighting.New;
    await show(await demoStore(), <Sighting />);
    await choose(/^Dinoflagellates/);
    expect(screen.getByText('Easily mistaken for diatoms')).toBeTruthy();
    cleanup();
    const Treatment = KIND_FORMS.treatment.New;
    await show(await demoStore(), <Treatment />);
    expect(screen.getByText('By its label and a veterinarian')).toBeTruthy();
  });
});

describe('a water change', () => {
  it('says its share, and asks for a match before pouring', async () => {
    const store = await demoStore();
    await show(store, <WaterChangeScreen />);
    type('Water changed', '52');
    expect(screen.getByText('25 %')).toBeTruthy();
    type('Temperature', '20');
    type('pH', '8.55');
    expect(screen.getByText('Match it before pouring')).toBeTruthy();
    // The last pH reading was 8.05.
    expect(screen.getByText(/temperature is 5.2 below the tank’s; pH is 0.5 above/)).toBeTruthy();
    await press('Save the water change');
    await left();
    expect(lastLogged(store, 'waterChange')?.entry).toMatchObject({
      kind: 'waterChange',
      litres: 52,
      newWater: { temperature: { value: 20 }, ph: { value: 8.55 } },
    });
  });

  it('of more than the tank holds is questioned', async () => {
    await show(await demoStore(), <WaterChangeScreen />);
    type('Water changed', '900');
    expect(screen.getByText('More than the tank holds')).toBeTruthy();
  });
});

describe('a note', () => {
  it('needs a word, and holds no novel', async () => {
    const store = await demoStore();
    const Note = KIND_FORMS.note.New;
    await show(store, <Note />);
    await press('Save the note');
    expect(await screen.findByText('Write a word or two first.')).toBeTruthy();
    type('What you saw or did', 'x'.repeat(4001));
    expect(await screen.findByText(/It holds 4000 letters/)).toBeTruthy();
  });
});
