import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { actsOf, headsOfType } from '../core';
import {
  cardReading,
  choose,
  FISH_IN,
  demoStore,
  heading,
  logged,
  press,
  show,
  withTank,
} from '../testing/appHarness';
import { CycleScreen } from './cycle/CycleScreen';
import { DataScreen } from './data/DataScreen';
import { GuideScreen } from './glossary/GuideScreen';
import { InstrumentsScreen } from './instruments/InstrumentsScreen';
import { KIND_FORMS } from './log/forms';
import { TestSheetScreen } from './log/TestSheetScreen';
import { SettingsScreen } from './settings/SettingsScreen';
import { TanksScreen } from './tank/TanksScreen';
import { TodayScreen } from './today/TodayScreen';
import { WaterScreen } from './water/WaterScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
const DoseScreen = KIND_FORMS.dose.New;
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/log/test',
}));

// Finding by role walks a whole screen, which is slow outside a browser.
jest.setTimeout(30_000);
beforeEach(() => jest.clearAllMocks());

describe('Today', () => {
  it('answers first, then says what is due and what to watch', async () => {
    await show(await demoStore(), <TodayScreen />);
    expect(heading()).toBe('Not yet ready for fish.');
    expect(screen.getByText(/Nitrite reads between 2 and 5 ppm NO2 and is falling/)).toBeTruthy();
    expect(screen.getByText('Alkalinity is low')).toBeTruthy();
    await press(/^Test nitrite and temperature, today/);
    expect(mockRouter.push).toHaveBeenCalledWith('/log/test');
  });

  it('leads from a figure to its history, and from an entry to its correction', async () => {
    await show(await demoStore(), <TodayScreen />);
    await press(/^Alkalinity 7.1 dKH, low/);
    expect(mockRouter.push).toHaveBeenLastCalledWith('/water/alkalinity');
    await press(/^Nitrite, between 2 and 5 ppm NO2/);
    expect(mockRouter.push.mock.lastCall?.[0]).toMatch(/^\/log\/entry\//);
  });

  it('of a running tank speaks of steadiness', async () => {
    await show(await demoStore('Fulmar'), <TodayScreen />);
    expect(heading()).toBe('Steady.');
  });

  it('of another tank tells who in quarantine was not looked at', async () => {
    await show(await demoStore('Fulmar'), <TodayScreen />);
    await press(/^Spare tank/);
    expect(mockRouter.push.mock.lastCall?.[0]).toMatch(/^\/quarantine\/batches\//);
    expect(screen.getByText('2 animals not looked at today')).toBeTruthy();
  });

  it('of a quarantine tank leads to its batch, and asks for the look of the day', async () => {
    await show(await demoStore('Spare tank'), <TodayScreen />);
    expect(heading()).toBe('In quarantine.');
    await press(/^Look at 2 animals in quarantine/);
    expect(mockRouter.push.mock.lastCall?.[0]).toMatch(/^\/quarantine\/batches\//);
  });

  it('leads to the dose of a programme that is kept', async () => {
    const store = await demoStore();
    await withTank(store, { programme: { firstMl: 50, laterMl: 10, every: 1, days: 30 } });
    await show(store, <TodayScreen />);
    await press(/^20.8 mL of bacteria, today/);
    expect(mockRouter.push).toHaveBeenCalledWith('/log/bacteria?by=mL&amount=20.8');
  });

  it('knows of fish in a tank that cycles, and says when to act', async () => {
    const store = await demoStore();
    await logged(store, [FISH_IN, [1, cardReading(store, 'ammonia', 2)]]);
    await show(store, <TodayScreen />);
    expect(heading()).toBe('Watch: an animal is in before the cycle is done.');
    expect(screen.getByText(/^(Act now|Emergency): free ammonia$/)).toBeTruthy();
  });

  it('asks for the test of a challenge by the hour', async () => {
    const store = await demoStore();
    await withTank(store, { doneRule: { rule: 'challenge', windowHours: 24 } });
    await logged(store, [
      [
        20,
        {
          kind: 'dose',
          substance: 'ammoniumChloride',
          amount: { by: 'target', rise: { value: 2, unit: 'ammonia NH4' } },
          strength: null,
          about: false,
        },
      ],
    ]);
    await show(store, <TodayScreen />);
    await press(/^Test ammonia and nitrite for the challenge, today 16:00/);
    expect(mockRouter.push).toHaveBeenCalledWith('/cycle/challenge');
  });

  it('switches tanks from its head', async () => {
    const store = await demoStore();
    await show(store, <TodayScreen />);
    await press(/Switch tank/);
    await press(/^Fulmar/);
    expect(heading()).toBe('Steady.');
  });
});

describe('Water', () => {
  it('shows the last of every parameter, and what does not count', async () => {
    await show(await demoStore(), <WaterScreen />);
    expect(
      screen.getByRole('button', { name: /^Nitrate 20 ppm NO3.*not counted beside nitrite/ }),
    ).toBeTruthy();
    expect(
      screen.getByRole('button', { name: /^Alkalinity 7.1 dKH.*below its band/ }),
    ).toBeTruthy();
  });

  it('shows one parameter with its readings, as a table too', async () => {
    await show(await demoStore(), <WaterScreen parameter="nitrite" />);
    await press('As a table');
    const table = screen.getByRole('table');
    expect(within(table).getAllByRole('row').length).toBe(10);
    expect(within(table).getByText('between 2 and 5 ppm NO2')).toBeTruthy();
  });

  it('says so of what was never measured', async () => {
    await show(await demoStore(), <WaterScreen parameter="calcium" />);
    expect(heading()).toBe('Calcium is not measured yet.');
  });
});

describe('Cycle', () => {
  it('opens a criterion to what it rests on', async () => {
    await show(await demoStore(), <CycleScreen />);
    await press(/^Nitrite reads zero: not yet/);
    const sheet = screen.getByRole('dialog');
    expect(within(sheet).getByText(/What would settle it/)).toBeTruthy();
    expect(within(sheet).getByText('Nitrite, between 2 and 5 ppm NO2')).toBeTruthy();
  });

  it('changes the rule for done, which can be undone', async () => {
    const store = await demoStore();
    await show(store, <CycleScreen />);
    await press(/^Rule for done: both zero for 7 days/);
    await act(async () => {
      fireEvent.click(screen.getByRole('radio', { name: /^Bottle programme/ }));
    });
    fireEvent.change(screen.getByLabelText('Length of the programme'), { target: { value: '0' } });
    await press('Judge it this way');
    expect(screen.getByText('Whole days, 1 to 90.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Length of the programme'), { target: { value: '21' } });
    await press('Judge it this way');
    await waitFor(() =>
      expect(store.getState().session.notice?.text).toBe('Changed the rule for done'),
    );
    const tank = headsOfType(store.getState().log, 'tank').find((t) => t.body.name === 'Kittiwake');
    expect(tank?.body.doneRule).toEqual({ rule: 'bottleProgramme', programmeDays: 21 });
  });
});

describe('the test sheet', () => {
  it('saves a test session as one act and empties its draft', async () => {
    const store = await demoStore();
    const before = headsOfType(store.getState().log, 'entry').length;
    await show(store, <TestSheetScreen />);
    await press('Ammonia 0.25');
    await press('Nitrite between 0.5 and 1');
    fireEvent.change(screen.getByLabelText('pH'), { target: { value: '8,1' } });
    await press('Save 3 readings');
    await waitFor(() => expect(mockRouter.back).toHaveBeenCalled());
    const entries = headsOfType(store.getState().log, 'entry');
    expect(entries).toHaveLength(before + 3);
    const acts = actsOf(store.getState().log);
    expect(acts[0]?.revisions).toHaveLength(3);
    expect(Object.keys(store.getState().drafts).filter((name) => name.startsWith('test/'))).toEqual(
      [],
    );
  });

  it('marks a value that the keeper insisted on', async () => {
    const store = await demoStore();
    await show(store, <TestSheetScreen />);
    fireEvent.change(screen.getByLabelText('Temperature'), { target: { value: '31' } });
    await press('Keep 31');
    await press('Save 1 reading');
    await waitFor(() => expect(mockRouter.back).toHaveBeenCalled());
    const kept = headsOfType(store.getState().log, 'entry').find(
      (entry) => entry.body.kind === 'reading' && entry.body.confirmed,
    );
    expect(kept?.body.kind === 'reading' && kept.body.value).toMatchObject({ value: 31 });
  });
});

describe('the dose', () => {
  it('starts from the last bottle and says what it does to this tank', async () => {
    await show(await demoStore(), <DoseScreen />);
    expect((screen.getByLabelText('How much') as HTMLInputElement).value).toBe('416');
    expect(screen.getByText(/Raises ammonia by about/).textContent).toMatch(/1.6 ppm N .*208 L/);
  });

  it('warns of too much, and of strong ammonia', async () => {
    await show(await demoStore(), <DoseScreen />);
    fireEvent.change(screen.getByLabelText('How much'), { target: { value: '4000' } });
    expect(screen.getByText('More than the filter bacteria can use')).toBeTruthy();
    await act(async () => {
      fireEvent.click(screen.getByRole('radio', { name: 'Household ammonia' }));
    });
    expect(screen.getByText(/Never near bleach or acid/)).toBeTruthy();
  });
});

describe('the other places', () => {
  it('Tanks names each with its water and its gates', async () => {
    await show(await demoStore(), <TanksScreen />);
    expect(heading()).toBe('4 tanks.');
    expect(screen.getByText(/208 L net of 250 L, display, no lid, heater verified/)).toBeTruthy();
  });

  it('Instruments move on the sheet by exchanging places', async () => {
    const store = await demoStore();
    await show(store, <InstrumentsScreen />);
    await press('Move Nitrite card up');
    await waitFor(() => expect(store.getState().session.notice?.text).toBe('Moved Nitrite card'));
    const kits = headsOfType(store.getState().log, 'kit').sort(
      (a, b) => a.body.order - b.body.order,
    );
    expect(kits.slice(0, 2).map((kit) => kit.body.name)).toEqual(['Nitrite card', 'Ammonia card']);
  });

  it('Settings change a unit and a band, and refuse a band upside down', async () => {
    const store = await demoStore();
    await show(store, <SettingsScreen />);
    await press('All US');
    await waitFor(() => expect(store.getState().session.notice?.text).toBe('Changed the settings'));
    expect(headsOfType(store.getState().log, 'settings')[0]?.body.volumeUnit).toBe('gal');
    await press(/^Unit of volume: US gallons/);
    await choose('Litres');
    await waitFor(() =>
      expect(headsOfType(store.getState().log, 'settings')[0]?.body.volumeUnit).toBe('L'),
    );
    await press('Bands one by one');
    await press(/^Calcium/);
    const sheet = screen.getByRole('dialog');
    fireEvent.change(within(sheet).getByLabelText('From'), { target: { value: '500' } });
    expect(within(sheet).getByText('The lower end is above the upper one.')).toBeTruthy();
  });

  it('Data undoes an act of its list', async () => {
    const store = await demoStore();
    const before = headsOfType(store.getState().log, 'entry').length;
    await show(store, <DataScreen />);
    const first = screen.getAllByRole('button', { name: /^Undo: Water change/ })[0];
    if (!first) throw new Error('nothing to undo');
    await act(async () => {
      fireEvent.click(first);
    });
    await waitFor(() =>
      expect(headsOfType(store.getState().log, 'entry').length).toBeLessThan(before),
    );
  });

  it('Data says what would be lost, and what a copy has', async () => {
    const store = await demoStore();
    await show(store, <DataScreen />);
    expect(screen.getByText(/all of it would be lost: there is no copy yet/)).toBeTruthy();
    URL.createObjectURL = () => 'blob:';
    URL.revokeObjectURL = () => undefined;
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
    await press('Export the whole log');
    expect(screen.getByText(/the copy of \w+ \d+ \w+( \d+)? would have it all/)).toBeTruthy();
    await logged(store, [[1, { kind: 'note', text: 'one more' }]]);
    expect(screen.getByText(/1 change since the copy of .* would be lost/)).toBeTruthy();
  });

  it('Guide finds a word, and says when it does not', async () => {
    await show(await demoStore(), <GuideScreen />);
    fireEvent.change(screen.getByLabelText('Find a page or a word'), { target: { value: 'nh3' } });
    expect(screen.getByText('Free ammonia')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Find a page or a word'), { target: { value: 'qqq' } });
    expect(screen.getByText('Nothing here speaks of "qqq".')).toBeTruthy();
  });
});
