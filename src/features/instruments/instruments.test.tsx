import { screen } from '@testing-library/react';
import { isPastItsDate } from '@/core/history/reading';
import { kitFrom } from '@/core/records/kitTemplates';
import { liveHead } from '@/core/records/log';
import { dayOf, HOUR_MS } from '@/core/time/zone';
import { ticked } from '@/store/clockSlice';
import { recordAct } from '@/store/record';
import { selectLog, selectTank } from '@/store/selectors';
import { demoStore, SCREEN_NOW, show, withTank } from '@/testing/appHarness';
import { InstrumentsScreen } from './InstrumentsScreen';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

it('a kit is past its date in the tank’s zone, on its screen as in its readings', async () => {
  const zone = 'Pacific/Auckland';
  const store = await demoStore();
  await withTank(store, { zone });
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  expect(tank.body.zone).toBe(zone);
  // Noon in UTC on the last day is past midnight there.
  const expiresOn = dayOf(SCREEN_NOW, 'UTC');
  const kit = { ...kitFrom('ammoniaCard', 0), name: 'Dated card', expiresOn };
  let id = '';
  await store.dispatch(recordAct((act) => (id = act.create('kit', kit))));
  const head = liveHead(selectLog(store.getState()), id, 'kit');
  if (!head) throw new Error('no kit');
  store.dispatch(ticked(SCREEN_NOW));
  await show(store, <InstrumentsScreen />);
  const past = isPastItsDate(head.body, SCREEN_NOW, zone);
  expect(past).toBe(true);
  expect(isPastItsDate(head.body, SCREEN_NOW - 2 * HOUR_MS, zone)).toBe(false);
  expect(screen.getByText(/Ammonia.*past its date since/)).toBeTruthy();
});
