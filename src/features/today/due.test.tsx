import { act, screen, waitFor, within } from '@testing-library/react';
import type { Occurrence } from '@/core/tasks/types';
import { DAY_MS } from '@/core/time/zone';
import { addressOf } from '@/frame/addressOf';
import { selectDueTasks, selectHistory } from '@/store/inView';
import { ticked } from '@/store/clockSlice';
import { undoKeys } from '@/store/record';
import { demoStore, press, SCREEN_NOW, show } from '@/testing/appHarness';
import { grouped } from '@/core/tasks/grouped';
import { shownOf } from './DueList';
import { TodayScreen } from './TodayScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/' }));
jest.setTimeout(30_000);

const task = (changes: Partial<Occurrence>): Occurrence => ({
  id: 'x',
  key: 'x/1',
  title: 'Something',
  because: 'it is due',
  dueOn: SCREEN_NOW,
  inDays: 0,
  minutes: 5,
  parameters: [],
  opens: { form: 'reading' },
  ...changes,
});

describe('what is due', () => {
  it('is put off until tomorrow, comes back then, and the putting off can be undone', async () => {
    const store = await demoStore('Kittiwake');
    await show(store, <TodayScreen />);
    const due = () =>
      selectDueTasks(store.getState())
        .filter((t) => t.inDays <= 0)
        .map((t) => t.title);
    const [title] = due();
    if (!title) throw new Error('nothing is due');
    await press('Put something off');
    const sheet = screen.getByRole('dialog');
    act(() => within(sheet).getByText(title).click());
    await press('Until tomorrow');
    await waitFor(() => expect(due()).not.toContain(title));
    expect(selectHistory(store.getState())?.entries.taskMark.at(-1)?.entry.how).toBe('snoozed');
    // What is said of it comes once it is stored, which may be after what is due has changed.
    await waitFor(() => expect(store.getState().session.notice?.undo).toBeTruthy());
    store.dispatch(ticked(SCREEN_NOW + DAY_MS));
    expect(due()).toContain(title);
    store.dispatch(ticked(SCREEN_NOW));
    await store.dispatch(undoKeys(store.getState().session.notice?.undo ?? []));
    expect(due()).toContain(title);
  });

  it('is one test session where several tests fall together', () => {
    const rows = grouped([
      task({ id: 'lid', opens: { screen: 'dose' } }),
      task({ id: 'a', parameters: ['ammonia'], minutes: 6 }),
      task({ id: 'n', parameters: ['nitrite'], inDays: -2, because: 'last tested long ago' }),
      task({ id: 'later', parameters: ['ph'], inDays: 3 }),
    ]);
    expect(rows.map((row) => row.title)).toEqual([
      'Something',
      'Test ammonia and nitrite',
      'Something',
    ]);
    expect(rows[1]).toMatchObject({ minutes: 6, because: 'Last tested long ago', inDays: -2 });
  });

  it('never hides the test that the forecast asks for behind others that lie ahead', () => {
    const ahead = [1, 2, 3, 4, 5, 6, 7, 8].map((inDays) => task({ id: `t${inDays}`, inDays }));
    const next = task({ id: 'next-nitrite', inDays: 4 });
    const ids = (list: Occurrence[]) => shownOf(list).map(({ id }) => id);
    expect(ids([...ahead, next])).toEqual(['t1', 't2', 't3', 't4', 't5', 't6', 'next-nitrite']);
    expect(ids([next, ...ahead])[0]).toBe('next-nitrite');
    const due = [1, 2, 3, 4, 5, 6].map((n) => task({ id: `d${n}` }));
    expect(ids([...due, ...ahead, next])).toEqual([
      'd1',
      'd2',
      'd3',
      'd4',
      'd5',
      't1',
      'next-nitrite',
    ]);
    expect(ids(ahead)).toHaveLength(7);
  });

  it('leads to where it is done, begun with what is known', () => {
    expect(addressOf({ form: 'bacteria', given: { amount: '5', by: 'mL' } })).toBe(
      '/log/bacteria?amount=5&by=mL',
    );
    expect(addressOf({ form: 'waterChange' })).toBe('/log/water-change');
    expect(addressOf({ screen: 'challenge' })).toBe('/cycle/challenge');
    expect(addressOf({ run: 'challenge' })).toBe('/runs/challenge');
  });
});
