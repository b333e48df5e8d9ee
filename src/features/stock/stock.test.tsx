import { fireEvent, screen } from '@testing-library/react';
import { choose, demoStore, heading, press, show } from '@/testing/appHarness';
import { AnimalScreen } from './AnimalScreen';
import { CatalogueScreen } from './CatalogueScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/catalogue' }));
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

describe('an animal', () => {
  it('warns first, and stands against the tank in view', async () => {
    await show(await demoStore(), <AnimalScreen id="volitans-lionfish" />);
    expect(heading()).toBe('Red lionfish.');
    expect(screen.getByText(/at most 45 °C/)).toBeTruthy();
    expect(screen.getByText('Too little water')).toBeTruthy();
    expect(screen.getByText('208 L here, 550 at least')).toBeTruthy();
  });

  it('says how much sand and which lid it wants, and what is unsure', async () => {
    await show(await demoStore(), <AnimalScreen id="pearly-jawfish" />);
    expect(screen.getByText('3 cm here, 10 at least')).toBeTruthy();
    expect(screen.getByText('No lid yet')).toBeTruthy();
    await show(await demoStore(), <AnimalScreen id="firefish" />);
    expect(screen.getByText(/less sure than usual/)).toBeTruthy();
  });

  it('that is none says so', async () => {
    await show(await demoStore(), <AnimalScreen id="unicorn" />);
    expect(heading()).toBe('There is no such animal.');
  });
});
