import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { tankHistory } from '@/core/history/derive';
import { liveHead, headsOfType } from '@/core/records/log';
import { HOUR_MS } from '@/core/time/zone';
import { ticked } from '@/store/clockSlice';
import { selectHistory } from '@/store/inView';
import { selectLog, selectTank, selectTanks } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { demoStore, logged, press, SCREEN_NOW, show, type } from '@/testing/appHarness';
import { LogBuilder, onDay } from '@/testing/logBuilder';
import { KitFormScreen } from './instruments/KitFormScreen';
import { EMPTY_TEST, previewOf, rowState, type TestDraft } from './log/testDraft';
import { KIND_FORMS } from './log/forms';
import { ScreenBoundary } from './shell/ScreenBoundary';
import { factsOf } from '@/core/tank/tankFacts';
import { TodayScreen } from './today/TodayScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/log/note' }));
jest.setTimeout(30_000);

it('a hydrometer is previewed as it is saved, by the temperature of its test session', () => {
  const builder = new LogBuilder();
  builder.digital('hydrometer', onDay(1), 1.025);
  builder.digital('thermometer', onDay(1), 18);
  const log = builder.log();
  const saved = tankHistory(log, builder.tankId).readings.salinity[0];
  const history = tankHistory(log, builder.tankId, onDay(0));
  const kits = headsOfType(log, 'kit');
  const draft: TestDraft = { ...EMPTY_TEST, values: {} };
  for (const kit of kits) {
    const text = kit.body.parameter === 'salinity' ? '1.025' : '18';
    draft.values[kit.id] = { form: 'digital', text };
  }
  const rows = kits.map((kit) => rowState(draft, kit, history, onDay(1)));
  const row = rows.find((r) => r.kit.body.parameter === 'salinity');
  if (!row) throw new Error('no row');
  const preview = previewOf(draft, row, rows, history, new Date(onDay(1)).toISOString());
  expect(preview?.best).toBeCloseTo(saved?.best ?? 0, 9);
  expect(preview?.best).not.toBeCloseTo(33.2, 1);
});

it('a calibration dated ahead of the clock changes nothing until then', async () => {
  const store = await demoStore('Kittiwake');
  const salinity = () => selectHistory(store.getState())?.readings.salinity.at(-1);
  const kitId = salinity()?.kitId ?? '';
  const points = [{ standard: 35, read: 36 }];
  const held = { kind: 'calibration' as const, kitId, unit: 'ppt' as const, points };
  await logged(store, [[-48, { ...held, adjusted: true }]]);
  expect(salinity()?.asRead).toBeNull();
  store.dispatch(ticked(SCREEN_NOW + 49 * HOUR_MS));
  expect(salinity()?.asRead).toBeCloseTo(34.8, 6);
});

it('a temperature that cannot be corrects no instrument', () => {
  const salinity = (temperature: number | null) => {
    const builder = new LogBuilder();
    builder.digital('hydrometer', onDay(1), 1.025);
    if (temperature !== null) builder.digital('thermometer', onDay(1), temperature);
    return tankHistory(builder.log(), builder.tankId).readings.salinity[0]?.best;
  };
  expect(salinity(260)).toBe(salinity(null));
  expect(salinity(18)).not.toBe(salinity(null));
});

it('a day of a tank is its own day west of Greenwich too', () => {
  const zone = 'America/Los_Angeles';
  const builder = new LogBuilder({ zone, runningSince: '2026-04-01', filledOn: '2026-03-02' });
  const facts = factsOf(builder.log(), builder.tankId, zone);
  expect(facts).toMatchObject({ runningSince: '2026-04-01', filledOn: '2026-03-02' });
});

it('an entry form goes on writing to the tank that it was opened for', async () => {
  const store = await demoStore('Kittiwake');
  const tank = selectTank(store.getState());
  const other = selectTanks(store.getState()).find((t) => t.id !== tank?.id);
  if (!tank || !other) throw new Error('no tanks');
  const { New } = KIND_FORMS.note;
  await show(store, <New />);
  type('What you saw or did', 'Of the first tank');
  store.dispatch(tankChosen(other.id));
  await press('Save the note');
  const found = () =>
    headsOfType(selectLog(store.getState()), 'entry').find(
      ({ body }) => body.kind === 'note' && body.text === 'Of the first tank',
    );
  await waitFor(() => expect(found()?.body.tankId).toBe(tank.id));
});

it('a kit that was read with keeps its parameter', async () => {
  const store = await demoStore('Kittiwake');
  const reading = selectHistory(store.getState())?.readings.ammonia.at(-1);
  const kit = liveHead(selectLog(store.getState()), reading?.kitId ?? null, 'kit');
  if (!kit) throw new Error('no kit');
  await show(store, <KitFormScreen id={kit.id} />);
  expect(screen.getByText(/Readings were made with it, so that stays/)).toBeTruthy();
  expect(screen.queryByRole('radiogroup', { name: 'It measures' })).toBeNull();
});

it('a clock set back says so, and shows what lies ahead of it', async () => {
  const store = await demoStore('Kittiwake');
  await logged(store, [[1, { kind: 'note', text: 'Made on the right clock' }]]);
  store.dispatch(ticked(SCREEN_NOW - 366 * 24 * HOUR_MS));
  await show(store, <TodayScreen />);
  expect(screen.getByText('The clock looks wrong')).toBeTruthy();
  expect(screen.getByText(/entries are dated after that/)).toBeTruthy();
});

it('a screen that fails leaves the way to export and undo', () => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const Broken = (): never => {
    throw new Error('An ammonia card that measures salinity.');
  };
  render(
    <ScreenBoundary>
      <Broken />
    </ScreenBoundary>,
  );
  expect(screen.getByText('This screen did not open.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Data: export and undo' }));
  expect(mockRouter.push).toHaveBeenCalledWith('/data');
});
