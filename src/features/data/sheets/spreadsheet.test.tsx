import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { entriesOfTank } from '@/core/records/log';
import { selectLog, selectTank } from '@/store/selectors';
import { rememberBrought } from '@/store/brought';
import { undoKeys } from '@/store/record';
import type { AppStore } from '@/store/store';
import { demoStore, press, show } from '@/testing/appHarness';
import type { SheetWorker } from '@/workers/sheets/client';
import { SpreadsheetScreen } from './SpreadsheetScreen';

const SHEET = `Date,Nitrate NO3,Alk,Notes
01/02/2026,5,8.1,WC 20 %
02/02/2026,n/a,2.9,
03/02/2026,20,8.0,`;

const tests = (store: AppStore): number => {
  const tank = selectTank(store.getState());
  return entriesOfTank(selectLog(store.getState()), tank?.id ?? '').filter(
    ({ body }) => body.kind === 'reading',
  ).length;
};

async function read(text: string): Promise<AppStore> {
  const store = await demoStore();
  await show(store, <SpreadsheetScreen remember={async (...of) => rememberBrought(...of)} />);
  await press('Paste cells');
  fireEvent.change(screen.getByLabelText('Cells, as they were copied'), {
    target: { value: text },
  });
  await press('Read the cells');
  await waitFor(() => expect(screen.queryByText('Columns')).not.toBeNull());
  return store;
}

// There are no workers where screens are tested: the desk that answers in one answers here.
jest.mock('@/workers/sheets/client', () => {
  const { SheetDesk } =
    jest.requireActual<typeof import('@/workers/sheets/desk')>('@/workers/sheets/desk');
  const desk = new SheetDesk();
  return {
    sheetWorker: (): SheetWorker => ({
      ask: async (request) => {
        let ended: Awaited<ReturnType<SheetWorker['ask']>> = null;
        await desk.answer(request, (message) => {
          if (message.kind !== 'progress') ended = message;
        });
        return ended;
      },
      stop: () => undefined,
    }),
  };
});
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), replace: jest.fn(), canGoBack: () => false }),
  useLocalSearchParams: () => ({}),
}));

describe('a spreadsheet of one’s own', () => {
  it('is shown as it will be read, asked about, and brought in by one act', async () => {
    const store = await read(SHEET);
    const before = tests(store);
    expect(screen.getByRole('heading', { name: /^5 tests in/ })).toBeTruthy();
    expect(
      screen.getByText(/^From 1 Feb 2026 to 3 Feb 2026, in Kittiwake, with 1 note\./),
    ).toBeTruthy();
    expect(screen.getByText('“n/a” is no figure.')).toBeTruthy();
    await act(async () => {
      fireEvent.click(screen.getByRole('radio', { name: /2 January 2026/ }));
    });
    await waitFor(() =>
      expect(screen.queryByText(/^From 2 Jan 2026 to 2 Mar 2026/)).not.toBeNull(),
    );
    fireEvent.click(screen.getByRole('checkbox', { name: /L, Fri 2 Jan/ }));
    await press('Bring in 5 readings');
    await waitFor(() =>
      expect(store.getState().session.notice?.text).toBe('Brought in 5 readings'),
    );
    expect(tests(store)).toBe(before + 5);
    const { notice } = store.getState().session;
    const changes = () =>
      entriesOfTank(selectLog(store.getState()), selectTank(store.getState())?.id ?? '').filter(
        ({ body }) => body.kind === 'waterChange' && body.at.startsWith('2026-01-02'),
      );
    expect(changes()).toHaveLength(1);
    await act(async () => {
      await store.dispatch(undoKeys(notice?.undo ?? []));
    });
    expect(tests(store)).toBe(before);
    expect(changes()).toHaveLength(0);
  });

  it('shows every test that tanks seldom show, and brings in a note where each test is known', async () => {
    const odd = `Date,Nitrate NO3,Alk,Notes\n${Array.from({ length: 25 }, (_, i) => `${i + 1}/03/2026,5,8.1,`).join('\n')}\n26/03/2026,5,21,`;
    await read(odd);
    expect(screen.getByText('Worth a second look')).toBeTruthy();
    expect(screen.getAllByText('Alkalinity 21 dKH')).toHaveLength(1);
    await press(/^Bring in \d+ readings$/);
    cleanup();
    const store = await read(SHEET);
    await press('Bring in 5 readings');
    await waitFor(() => expect(store.getState().session.notice?.text).toMatch(/^Brought in 5/));
    cleanup();
    await show(store, <SpreadsheetScreen remember={async (...of) => rememberBrought(...of)} />);
    await press('Paste cells');
    const again = SHEET.replace('WC 20 %', 'WC 20 % and the glass cleaned');
    fireEvent.change(screen.getByLabelText('Cells, as they were copied'), {
      target: { value: again },
    });
    await press('Read the cells');
    await waitFor(() => expect(screen.queryByText('Columns')).not.toBeNull());
    await press('Bring in 1 entry');
    await waitFor(() => expect(store.getState().session.notice?.text).toBe('Brought in 1 entry'));
  });

  it('takes a column for what the keeper says it is', async () => {
    await read(SHEET);
    fireEvent.click(screen.getByRole('button', { name: /^Alk/ }));
    fireEvent.click(await screen.findByRole('radio', { name: 'Left out' }));
    await press('Done');
    await waitFor(() =>
      expect(screen.queryByRole('heading', { name: /^2 tests in/ })).not.toBeNull(),
    );
  });

  it('is read the next time as it was remembered', async () => {
    const store = await read(SHEET);
    await act(async () => {
      fireEvent.click(screen.getByRole('radio', { name: /2 January 2026/ }));
    });
    fireEvent.change(screen.getByLabelText('A name for how it is read'), {
      target: { value: 'Mine' },
    });
    await press('Remember it');
    expect(store.getState().drafts['sheet/mappings']).toMatchObject([
      { name: 'Mine', mapping: { order: 'mdy' } },
    ]);
    await act(async () => {
      fireEvent.click(screen.getByRole('radio', { name: /1 February 2026/ }));
    });
    await waitFor(() => expect(screen.queryByText(/^From 1 Feb 2026/)).not.toBeNull());
    fireEvent.click(screen.getByRole('button', { name: /Read it as “Mine”/ }));
    await waitFor(() => expect(screen.queryByText(/^From 2 Jan 2026/)).not.toBeNull());
  });

  it('that is none is refused, and what was pasted stays', async () => {
    const store = await demoStore();
    await show(store, <SpreadsheetScreen remember={async (...of) => rememberBrought(...of)} />);
    await press('Paste cells');
    const field = () => screen.getByLabelText<HTMLTextAreaElement>('Cells, as they were copied');
    fireEvent.change(field(), { target: { value: '{"format": "zoarium-log"}' } });
    await press('Read the cells');
    await waitFor(() =>
      expect(screen.queryByText(/Import it under Data\. Nothing was changed/)).not.toBeNull(),
    );
    expect(field().value).toBe('{"format": "zoarium-log"}');
    expect(store.getState().drafts['typed/sheet/pasted']).toBe('{"format": "zoarium-log"}');
  });
});
