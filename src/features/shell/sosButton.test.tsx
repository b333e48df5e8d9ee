import { demoStore, press, show } from '@/testing/appHarness';
import { SosButton } from './SosButton';

const mockRouter = { push: jest.fn() };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/' }));
jest.setTimeout(30_000);

it('leads to the emergencies and says what it is for', async () => {
  await show(await demoStore('Fulmar'), <SosButton />);
  await press('SOS, emergencies');
  expect(mockRouter.push).toHaveBeenCalledWith('/emergency');
});
