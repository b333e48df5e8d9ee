import { cleanup, fireEvent, screen } from '@testing-library/react';
import { choose, demoStore, heading, press, show } from '../../testing/appHarness';
import { CalculatorsScreen } from './CalculatorsScreen';
import { SumScreen } from './SumScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/calculators',
}));

jest.setTimeout(30_000);
beforeEach(() => jest.clearAllMocks());

const type = (label: string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } });

describe('Bench', () => {
  it('finds a sum by a word of its question, and opens it', async () => {
    await show(await demoStore(), <CalculatorsScreen />);
    type('Find a sum', 'coldest');
    expect(screen.getAllByRole('button')).toHaveLength(1);
    await press(/heater/i);
    expect(mockRouter.push).toHaveBeenCalledWith('/calculators/heater');
    type('Find a sum', 'soup');
    expect(screen.getByText('No sum speaks of "soup".')).toBeTruthy();
  });
});

describe('the units', () => {
  it('turn a number into every unit of its quantity', async () => {
    await show(await demoStore(), <SumScreen id="units" />);
    expect(heading()).toBe('1.0264 SG 25/25.');
    expect(screen.getByText(/^53\.0\d mS\/cm$/)).toBeTruthy();
    await choose('Temperature');
    type('The number', '25');
    expect(heading()).toBe('77 °F.');
    type('The number', 'warm');
    expect(screen.getByText('"warm" is not a number.')).toBeTruthy();
  });
});

describe('a sum', () => {
  it('begins with what the tank’s log knows, and says where it is from', async () => {
    await show(await demoStore(), <SumScreen id="water-change" />);
    expect(heading()).toBe('31.2 L.');
    expect(screen.getByText('of Kittiwake')).toBeTruthy();
    expect(screen.getAllByText(/^read on/).length).toBeGreaterThan(0);
    expect(screen.getByText(/^208 L × 15 % = 31.2 L$/)).toBeTruthy();
    expect(screen.getByText(/heater off before the level falls/)).toBeTruthy();
  });

  it('follows what is typed, remembers it, and can begin again', async () => {
    const store = await demoStore();
    await show(store, <SumScreen id="water-change" />);
    type('Share of the water', '50');
    expect(heading()).toBe('104 L.');
    expect(store.getState().drafts['calculators/water-change']).toEqual({ share: '50' });
    await press(/own figures again/);
    expect(heading()).toBe('31.2 L.');
  });

  it('says at the field what is wrong there, and of the whole what cannot be', async () => {
    await show(await demoStore(), <SumScreen id="salinity-raise" />);
    type('Net water volume', 'much');
    expect(screen.getByText('"much" is not a number.')).toBeTruthy();
    expect(heading()).toMatch(/^How much salt/);
    type('Net water volume', '0');
    expect(screen.getByText(/It must lie between 0.5 and/)).toBeTruthy();
    type('Salinity now', '1.025');
    expect(screen.getByText(/reads like a specific gravity/)).toBeTruthy();
    type('Salinity now', '34');
    type('Net water volume', '200');
    type('With water of', '34.9');
    expect(screen.getByText(/brings nothing to 35 ppt/)).toBeTruthy();
  });

  it('takes the slowest pace where an animal is in the tank', async () => {
    await show(await demoStore('Fulmar'), <SumScreen id="salinity-raise" />);
    type('Salinity now', '32');
    expect(screen.getByText(/Spread it over 3 days/)).toBeTruthy();
    await choose('nothing');
    expect(screen.queryByText(/Spread it over/)).toBeNull();
  });

  it('asks for what it cannot know', async () => {
    await show(await demoStore(), <SumScreen id="rodi" />);
    expect(screen.getByText(/Fill in what is empty/)).toBeTruthy();
    type('Water wanted', '120');
    type('and took', '4,5');
    expect(heading()).toBe('9 h.');
  });

  it('logs its answer by the form that it belongs to, filled in', async () => {
    await show(await demoStore(), <SumScreen id="water-change" />);
    await press('Log this change');
    expect(mockRouter.push).toHaveBeenLastCalledWith('/log/water-change?volume=31.2');
  });

  it('logs a day’s part of what is raised over days, and only what the log can weigh', async () => {
    await show(await demoStore(), <SumScreen id="alkalinity" />);
    type('Alkalinity now', '6.5');
    await press(/^Log 6.24 g/);
    expect(mockRouter.push).toHaveBeenLastCalledWith(
      '/log/dose?substance=alkalinity&by=grams&amount=6.24&product=Baking+soda',
    );
    await choose('soda ash');
    expect(screen.queryByRole('button', { name: /^Log / })).toBeNull();
  });

  it('hands a batch, a run of the purifier and a drop on to their forms', async () => {
    const store = await demoStore();
    await show(store, <SumScreen id="salt-mix" />);
    type('Water to mix', '40');
    await press('Log this batch');
    expect(mockRouter.push).toHaveBeenLastCalledWith('/log/salt-mix?volume=40&grams=1520');
    cleanup();
    await show(store, <SumScreen id="rodi" />);
    type('Water wanted', '40');
    type('and took', '3');
    await press('Log what it made');
    expect(mockRouter.push).toHaveBeenLastCalledWith('/log/purified?volume=40&minutes=120');
    cleanup();
    await show(store, <SumScreen id="drop-size" />);
    type('Drops counted', '40');
    type('What they weigh', '2');
    await press('Remember this drop');
    expect(mockRouter.push).toHaveBeenLastCalledWith('/log/weighing?what=drop&count=40&amount=2');
  });

  it('takes a number in another unit, and turns what was typed into it', async () => {
    const store = await demoStore();
    await show(store, <SumScreen id="salt-mix" />);
    type('Water to mix', '100');
    expect(heading()).toBe('3800 g.');
    await press('Water to mix in L: another unit');
    expect(screen.getByDisplayValue('26.42')).toBeTruthy();
    expect(heading()).toBe('3800 g.');
    await press('Wanted salinity in ppt: another unit');
    type('Wanted salinity', '1.0264');
    expect(heading()).toMatch(/^38[01]0 g\.$/);
    type('Water to mix', '0.01');
    expect(screen.getByText(/It must lie between 0.1321 and 5283 gal/)).toBeTruthy();
  });

  it('begins with what the log has learned, and says so', async () => {
    await show(await demoStore('Fulmar'), <SumScreen id="rodi" />);
    expect(screen.getByText('learned from 5 timed runs')).toBeTruthy();
    await show(await demoStore('Fulmar'), <SumScreen id="evaporation" />);
    expect(screen.getByText('learned from 2 top-offs')).toBeTruthy();
  });

  it('that is none says so', async () => {
    await show(await demoStore(), <SumScreen id="soup" />);
    expect(heading()).toBe('There is no such sum.');
  });
});
