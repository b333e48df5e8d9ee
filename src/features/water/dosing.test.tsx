import { screen } from '@testing-library/react';
import { demoStore, heading, logged, press, show } from '@/testing/appHarness';
import { DosingScreen } from './DosingScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn() };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/dosing' }));

describe('Dosing', () => {
  it('says what went in last, and leads to where each dose is worked out', async () => {
    const store = await demoStore('Kittiwake');
    await logged(store, [
      [
        2,
        {
          kind: 'dose',
          substance: 'alkalinity',
          amount: { by: 'grams', grams: 4 },
          strength: null,
          about: false,
        },
      ],
    ]);
    await show(store, <DosingScreen />);
    expect(heading()).toBe('Last dosed: alkalinity.');
    await press(/^Ammonia/);
    expect(mockRouter.push).toHaveBeenLastCalledWith('/cycle/dose');
    await press(/^Two-part doses/);
    expect(mockRouter.push).toHaveBeenLastCalledWith('/calculators/two-part');
    expect(screen.getAllByRole('button', { name: /Change$/ }).length).toBeGreaterThan(1);
  });

  it('offers no ammonia in a tank with animals', async () => {
    await show(await demoStore('Fulmar'), <DosingScreen />);
    expect(screen.queryByRole('button', { name: /^Ammonia/ })).toBeNull();
    expect(screen.getByText(/No ammonia is dosed with an animal in/)).toBeTruthy();
  });
});
