import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { headsOfType, type Entry } from '@/core';
import { selectHistory, selectLog } from '@/store/selectors';
import type { AppStore } from '@/store/store';
import { choose, demoStore, heading, logged, press, show, type } from '@/testing/appHarness';
import { allEvents } from '@/shared/eventWords';
import { DoseScreen } from './DoseScreen';
import { EntryScreen } from './EntryScreen';
import { HappeningScreen } from './HappeningScreen';
import { NoteScreen } from './NoteScreen';
import { WaterChangeScreen } from './WaterChangeScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/log/happening',
}));
jest.setTimeout(60_000);
beforeEach(() => jest.clearAllMocks());

const last = (store: AppStore): Entry | undefined =>
  [...headsOfType(selectLog(store.getState()), 'entry')]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .at(-1)?.body;
const left = () => waitFor(() => expect(mockRouter.back).toHaveBeenCalled());

describe('a happening', () => {
  it.each<[string, () => Promise<void> | void, Partial<Entry> | object]>([
    [
      'Growth seen',
      async () => {
        await choose(/^Red sheet/);
        await choose('Covering');
      },
      { kind: 'sighting', growth: 'sheet', extent: 'covering' },
    ],
    [
      'Light',
      async () => {
        await choose('On');
        type('Hours a day, if you know', '6');
      },
      { kind: 'light', state: 'on', hoursADay: 6 },
    ],
    ['Prawn in', () => type('How much', '12'), { action: { what: 'prawnIn', grams: 12 } }],
    ['Prawn out', () => undefined, { action: { what: 'prawnOut' } }],
    [
      'Food for the colony',
      async () => {
        await choose('Flakes');
        type('How much', '0,3');
      },
      { action: { what: 'food', food: 'flakes', grams: 0.3 } },
    ],
    [
      'Detritus siphoned',
      () => choose('Most of it'),
      { action: { what: 'siphoned', amount: 'much' } },
    ],
    [
      'Rock, sand or media in',
      async () => {
        await choose('Live sand');
        type('How much', '4');
      },
      { move: { to: 'in', media: 'liveSand', amount: 4, unit: 'kg' } },
    ],
    ['Rock or media out', () => choose('A quarter'), { move: { to: 'out', share: 0.25 } }],
    [
      'Medicine, chlorine',
      async () => {
        await choose('Copper');
        type('What you call it', 'From the drawer');
      },
      { kind: 'treatment', agent: 'copper', product: 'From the drawer' },
    ],
  ])('%s is logged as it was said', async (what, say, body) => {
    const store = await demoStore();
    await show(store, <HappeningScreen />);
    await choose(what);
    await act(async () => {
      await say();
    });
    await press('Save it');
    await left();
    expect(last(store)).toMatchObject(body);
    const history = selectHistory(store.getState());
    if (!history) throw new Error('no history');
    // It has words of its own wherever it is listed.
    expect(allEvents(history)[0]?.title.length).toBeGreaterThan(3);
  });

  it('with an amount that is none says so, and saves nothing', async () => {
    const store = await demoStore();
    const before = headsOfType(selectLog(store.getState()), 'entry').length;
    await show(store, <HappeningScreen />);
    await choose('Prawn in');
    type('How much', '-3');
    await press('Save it');
    expect(screen.getByText('It must be more than zero.')).toBeTruthy();
    expect(headsOfType(selectLog(store.getState()), 'entry')).toHaveLength(before);
  });

  it('half entered outlives its screen', async () => {
    const store = await demoStore();
    await show(store, <HappeningScreen />);
    await choose('Food for the colony');
    type('How much', '0.7');
    cleanup();
    await show(store, <HappeningScreen />);
    expect((screen.getByLabelText('How much') as HTMLInputElement).value).toBe('0.7');
  });

  it('shows its cautions where they arise', async () => {
    await show(await demoStore(), <HappeningScreen />);
    await choose(/^Brown snot/);
    expect(screen.getByText('Easily mistaken for diatoms')).toBeTruthy();
    await choose('Medicine, chlorine');
    expect(screen.getByText('By its label and a veterinarian')).toBeTruthy();
  });
});

describe('an entry that is opened again', () => {
  async function opened(entry: Parameters<typeof logged>[1][number][1]) {
    const store = await demoStore();
    await logged(store, [[2, entry]]);
    const head = [...headsOfType(selectLog(store.getState()), 'entry')]
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .at(-1);
    if (!head) throw new Error('nothing logged');
    await show(store, <EntryScreen id={head.id} />);
    return store;
  }

  it('is corrected as what it is', async () => {
    const store = await opened({
      kind: 'organics',
      action: { what: 'food', food: 'pellets', grams: 0.5 },
    });
    type('How much', '0.8');
    await press('Save the change');
    await left();
    expect(last(store)).toMatchObject({ action: { what: 'food', food: 'pellets', grams: 0.8 } });
  });

  it('is removed, and then gone', async () => {
    const store = await opened({ kind: 'light', state: 'on' });
    const before = headsOfType(selectLog(store.getState()), 'entry').length;
    await press('Remove');
    await left();
    expect(headsOfType(selectLog(store.getState()), 'entry')).toHaveLength(before - 1);
    expect(heading()).toBe('This entry is gone.');
  });

  it('keeps what it says of a bottle', async () => {
    const store = await opened({
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 80 },
      strength: null,
      about: false,
      bottle: {
        keeps: 'refrigerated',
        storedCold: true,
        madeOn: '2026-08-01',
        forLitres: 200,
      },
    });
    type('How much', '90');
    await press('Save the change');
    await left();
    expect(last(store)).toMatchObject({
      amount: { by: 'mL', mL: 90 },
      bottle: { keeps: 'refrigerated', madeOn: '2026-08-01', forLitres: 200 },
    });
  });
});

describe('a dose', () => {
  it('of unknown strength is kept, and marked about', async () => {
    const store = await demoStore();
    await show(store, <DoseScreen />);
    type('How much', '12');
    await act(async () => {
      fireEvent.click(screen.getByRole('checkbox', { name: /^Counted roug/ }));
    });
    await press('Save the dose');
    await left();
    expect(last(store)).toMatchObject({ kind: 'dose', about: true });
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
    expect(last(store)).toMatchObject({
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
    await show(store, <NoteScreen />);
    await press('Save the note');
    expect(screen.getByText('Write a word or two first.')).toBeTruthy();
    type('What you saw or did', 'x'.repeat(4001));
    expect(screen.getByText(/holds 4000 letters/)).toBeTruthy();
    type('What you saw or did', 'Wiped the glass.');
    await press('Save the note');
    await left();
    expect(last(store)).toMatchObject({ kind: 'note', text: 'Wiped the glass.' });
  });
});
