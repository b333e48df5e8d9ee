import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { Instrument } from '@/core/monitor/protocol';
import { recordTurn } from '@/store/alarms';
import { chooseSavedFile, download } from '@/frame/browserFiles';
import { forgetSamples } from '@/storage/forgetSamples';
import { LOGS } from '@/store/services';
import { ticked } from '@/store/clockSlice';
import { InstrumentTrouble } from '@/storage/instruments';
import { instruments, sampleStoreOf } from '@/store/connections';
import { recordAct } from '@/store/record';
import { selectTank } from '@/store/selectors';
import { demoStore, heading, SCREEN_NOW, show } from '@/testing/appHarness';
import { AlarmBand } from './AlarmBand';
import { AlarmSheet } from './monitor/AlarmSheet';
import { ConnectedScreen } from './ConnectedScreen';
import { ConnectionScreen } from './ConnectionScreen';
import { PairSheet } from './PairSheet';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush, replace: jest.fn() }) }));

jest.mock('@/frame/browserFiles', () => ({
  ...jest.requireActual('@/frame/browserFiles'),
  download: jest.fn(),
  chooseSavedFile: jest.fn(),
}));

const PEN: Instrument = { id: 'pen', kind: 'pen', name: 'A conductivity pen', madeUp: true };

async function withConnection(kind: 'monitor' | 'pen') {
  const store = await demoStore();
  store.dispatch(ticked(SCREEN_NOW));
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  await store.dispatch(
    recordAct((act) => {
      act.create('connection', {
        tankId: tank.id,
        name: `A ${kind}`,
        kind,
        instrument: kind,
        kits: {},
        alarms: {},
      });
    }),
  );
  const [connection] = store.getState().log.connections;
  if (!connection) throw new Error('no connection');
  return { store, connection };
}

const withMonitor = () => withConnection('monitor');

it('says so where no instruments answer, and how it is mended', async () => {
  const store = await demoStore();
  await show(store, <ConnectedScreen />);
  await waitFor(() => screen.getByText('No instruments answer'));
  expect(screen.getByText(/See whether it runs/)).toBeTruthy();
  expect(screen.getByText('Look again')).toBeTruthy();
});

it('a code is marked as wrong once it was tried, and what was typed stays', async () => {
  const store = await demoStore();
  await show(
    store,
    <PairSheet
      instrument={PEN}
      tankId="t"
      tankName="Kittiwake"
      onClose={jest.fn()}
      onPaired={jest.fn()}
    />,
  );
  const field = screen.getByLabelText('Code on its screen');
  expect(field.getAttribute('aria-invalid')).toBeNull();
  fireEvent.change(field, { target: { value: '123' } });
  fireEvent.click(screen.getByText('Pair it'));
  await waitFor(() => screen.getByText('The code has six digits.'));
  expect((field as HTMLInputElement).value).toBe('123');
});

it('an alarm is one sentence with what to do first, leads to its emergency, and goes once it was seen', async () => {
  const { store, connection } = await withMonitor();
  await store.dispatch(
    recordTurn(connection, {
      alarm: 'leak',
      since: SCREEN_NOW - 60_000,
      worst: undefined,
      past: false,
      until: null,
    }),
  );
  await show(store, <AlarmBand />);
  expect(screen.getByRole('alert').textContent).toMatch(
    /Water where none should be, .* at \d\d:\d\d/,
  );
  expect(screen.getByText(/Stay out of wet places/)).toBeTruthy();
  fireEvent.click(screen.getByText('What to do'));
  expect(mockPush).toHaveBeenCalledWith('/runs/leak');
  fireEvent.click(screen.getByText('Seen'));
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
});

it('a service pause holds until it ends by itself, is kept beside the samples, and can be ended', async () => {
  const { store, connection } = await withMonitor();
  await show(store, <ConnectionScreen id={connection.id} />);
  fireEvent.click(screen.getByText('Feeding: 10 min'));
  await waitFor(() => screen.getByText(/^Service pause until/));
  const kept = () => sampleStoreOf('demo').pausedUntil(connection.id);
  await waitFor(async () => expect(await kept()).toBe(SCREEN_NOW + 10 * 60_000));
  fireEvent.click(screen.getByText('End it now'));
  await waitFor(() => screen.getByText('Feeding: 10 min'));
  expect(await kept()).toBe(0);
});

it('an alarm is kept as it is wanted, and what cannot be is said', async () => {
  const { store, connection } = await withMonitor();
  await show(store, <AlarmSheet connection={connection} id="temperatureOff" onClose={jest.fn()} />);
  fireEvent.change(screen.getByLabelText('For so long before it rings'), {
    target: { value: '9999' },
  });
  fireEvent.click(screen.getByText('Keep'));
  await waitFor(() => screen.getByText(/between 0 and a day/));
  fireEvent.change(screen.getByLabelText('For so long before it rings'), {
    target: { value: '20' },
  });
  fireEvent.change(screen.getByLabelText(/Outside of the tank/), { target: { value: '2' } });
  fireEvent.click(screen.getByText('Keep'));
  await waitFor(() =>
    expect(store.getState().log.connections[0]?.body.alarms).toEqual({
      temperatureOff: { beyond: 2, minutes: 20 },
    }),
  );
});

it('a pen that knows this browser no longer is paired again under the connection that there is', async () => {
  const token = 'a'.repeat(64);
  jest.spyOn(instruments, 'pair').mockResolvedValue({ token, instrument: PEN });
  jest.spyOn(instruments, 'penReading').mockImplementation(async (_, given) => {
    if (given !== token) throw new InstrumentTrouble('This token is not known here.', true);
    return { at: SCREEN_NOW, conductivity: 53.1, temperature: 25, salinity: 35, steady: true };
  });
  const { store, connection } = await withConnection('pen');
  await sampleStoreOf('demo').keepToken(connection.id, 'b'.repeat(64));
  await show(store, <ConnectionScreen id={connection.id} />);
  expect(heading()).toBe('Ready to measure.');
  fireEvent.click(screen.getByText('Measure'));
  await waitFor(() => screen.getByText('This token is not known here.'));
  fireEvent.click(screen.getByText('Pair it again'));
  await waitFor(() => screen.getByLabelText('Code on its screen'));
  fireEvent.change(screen.getByLabelText('Code on its screen'), { target: { value: '123456' } });
  fireEvent.click(screen.getByText('Pair it'));
  await waitFor(() => expect(screen.queryByText('Pair it again')).toBeNull());
  expect(store.getState().log.connections).toHaveLength(1);
  fireEvent.click(screen.getByText('Measure'));
  await waitFor(() => expect(heading()).toBe('35.0 ppt.'));
});

describe('the minutes of a monitor', () => {
  const MINUTE = 60_000;
  const first = Math.floor(SCREEN_NOW / MINUTE) - 100;
  const samples = [1, 2, 3].map((number) => ({
    number,
    at: (first + number) * MINUTE,
    values: { temperature: 25 + number / 100 },
  }));

  it('leave as a file that another browser brings in; one of another connection asks first', async () => {
    const { store, connection } = await withMonitor();
    const kept = sampleStoreOf('demo');
    await kept.take(connection.id, 'a', samples, 0);
    await show(store, <ConnectionScreen id={connection.id} />);
    fireEvent.click(screen.getByText('Save its minutes as a file'));
    await waitFor(() => screen.getByText(/^Saved\. Take the log over/));
    const [name, text] = jest.mocked(download).mock.calls[0] ?? [];
    expect(name).toMatch(/^zoarium-demo-samples-\d{4}-\d\d-\d\d\.json$/);
    const bytes = new TextEncoder().encode(String(text));
    const choose = (with_: Uint8Array<ArrayBuffer>) => {
      jest.mocked(chooseSavedFile).mockResolvedValueOnce({ name: 'it.json', bytes: with_ });
      fireEvent.click(screen.getByText('Bring in saved minutes'));
    };

    choose(bytes);
    await waitFor(() => screen.getByText(/^Nothing new/));
    choose(bytes.slice(0, -9));
    await waitFor(() => screen.getByText(/“it\.json” was not brought in.*earlier copy/));

    const other = new TextEncoder().encode(
      String(text).replaceAll(connection.id, 'another').replace('A monitor', 'An old one'),
    );
    await forgetSamples(LOGS.demo.database);
    choose(other);
    await waitFor(() => screen.getByText(/what “An old one” measured/));
    expect(await kept.blocks(connection.id)).toEqual([]);
    const full = jest.spyOn(kept, 'fill').mockRejectedValueOnce(new Error('QuotaExceeded'));
    fireEvent.click(screen.getByText('It measured this tank: bring it in'));
    await waitFor(() => screen.getByText(/this browser may be full.*make room/));
    full.mockRestore();
    choose(other);
    await waitFor(() => screen.getByText(/what “An old one” measured/));
    fireEvent.click(screen.getByText('It measured this tank: bring it in'));
    await waitFor(() => screen.getByText('Brought in 3 values.'));
    const { values } = await kept.stretch(connection.id, 'temperature', 1, first, first + 3);
    expect([...values].slice(1)).toEqual([2501, 2502, 2503]);
    expect(screen.queryByText('It measured this tank: bring it in')).toBeNull();
  });
});
