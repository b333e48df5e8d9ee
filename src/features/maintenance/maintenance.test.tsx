import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { DAY_MS, dayOf } from '@/core/time/zone';
import { ticked } from '@/store/clockSlice';
import { renewAsks } from '@/store/asking';
import { selectDueTasks, selectHistory } from '@/store/inView';
import { selectSettingsRecord } from '@/store/selectors';
import { demoStore, heading, press, SCREEN_NOW, show } from '@/testing/appHarness';
import { AwayScreen } from './AwayScreen';
import { ChoreScreen } from './ChoreScreen';
import { CostsScreen } from './CostsScreen';
import { MonthScreen } from './MonthScreen';
import { openLog } from '@/store/open';
import { createStore } from '@/store/store';
import { recordAct, storeRevisions } from '@/store/record';
import { LogBuilder } from '@/testing/logBuilder';
import { testServices } from '@/testing/services';
import { TodayFoot } from './TodayFoot';
import { Reminders } from './Reminders';
import { ChoresScreen } from './ChoresScreen';
import { TodayTop } from './TodayTop';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/chores' }));
jest.setTimeout(30_000);
beforeEach(() => jest.clearAllMocks());

async function fulmar() {
  const store = await demoStore('Fulmar');
  await store.dispatch(renewAsks());
  return store;
}

describe('Chores', () => {
  it('says what today takes, and what a usual week does at all tanks', async () => {
    await show(await fulmar(), <ChoresScreen />);
    const [, count, minutes] =
      /^(\d+) chores today, about (\d+) min\.$/.exec(heading() ?? '') ?? [];
    // What the title says is what the rows below it come to, the next of them first.
    const rows = screen.getAllByRole('button', { name: /, (now|today|tomorrow|in .*|this week)$/ });
    const due = rows.filter((row) => /, (now|today)$/.test(row.getAttribute('aria-label') ?? ''));
    expect(due).toHaveLength(Number(count));
    expect(rows.slice(0, due.length)).toEqual(due);
    const taken = due.map((row) => Number(/(\d+) min$/.exec(row.textContent ?? '')?.[1]));
    expect(taken.reduce((sum, one) => sum + one, 0)).toBe(Number(minutes));
    expect(screen.getByText(/^A usual week takes about 2 h .* at 4 tanks/)).toBeTruthy();
    await press(/^Change water, 14 days after the last time, 31 L/);
    expect(mockRouter.push).toHaveBeenCalledWith('/chores/waterChange');
  });

  it('of a chore says when, why and what was done; a tap does it, and the next time follows', async () => {
    const store = await fulmar();
    await show(store, <ChoreScreen id="flush" />);
    expect(heading()).toBe('Flush the membrane: now.');
    expect(screen.getByText('Not for drinking')).toBeTruthy();
    await press('It is done');
    await waitFor(() => expect(heading()).toBe('Flush the membrane: in 30 days.'));
    const due = () => selectDueTasks(store.getState()).map(({ id }) => id);
    expect(selectHistory(store.getState())?.entries.taskMark.at(-1)?.entry.how).toBe('done');
    await act(() => store.dispatch(renewAsks()));
    expect(due()).not.toContain('chore/flush');
  });

  it('of a chore that another tank has says so', async () => {
    await show(await fulmar(), <ChoreScreen id="nothing" />);
    expect(heading()).toBe('This tank has no such chore.');
  });
});

describe('Today', () => {
  it('shows every other tank with what is due at it, and goes to it by a tap', async () => {
    const store = await fulmar();
    await show(store, <TodayFoot />);
    await press(/^Kittiwake: Not yet ready for fish\. \d+ things due/);
    expect(selectHistory(store.getState())?.tank.name).toBe('Kittiwake');
  });

  it('reminds of a copy once much is in none, and not again for a week once that was put off', async () => {
    const store = createStore(testServices(SCREEN_NOW));
    store.dispatch(ticked(SCREEN_NOW));
    await store.dispatch(openLog('own'));
    const note = (n: number) => ({ kind: 'note' as const, text: `Note ${n}` });
    const builder = new LogBuilder();
    for (let n = 0; n < 100; n += 1) builder.entry(SCREEN_NOW - n * 1000, note(n));
    await store.dispatch(storeRevisions(builder.revisions));
    await show(store, <TodayFoot />);
    expect(screen.getByText(/^10\d changes would be lost with it\.$/)).toBeTruthy();
    await press('Not this week');
    expect(screen.queryByText(/would be lost with it/)).toBeNull();
  });

  it('says nothing of daily life on a usual day, and the way back after weeks', async () => {
    const store = await fulmar();
    await show(store, <TodayTop />);
    expect(screen.queryByText(/^Back after/)).toBeNull();
    act(() => void store.dispatch(ticked(SCREEN_NOW + 36 * DAY_MS)));
    expect(screen.getByText('Back after five weeks')).toBeTruthy();
    await press(/^3\. Change 47 L, matched, open/);
    expect(mockRouter.push).toHaveBeenCalledWith('/runs/waterChange');
  });
});

describe('days away', () => {
  it('are planned for each tank, and stand on Today', async () => {
    const store = await fulmar();
    const day = (ahead: number) => dayOf(SCREEN_NOW + ahead * DAY_MS, 'UTC');
    await store.dispatch(
      recordAct((writer) =>
        writer.create('absence', {
          from: day(3),
          until: day(14),
          minder: 'Ines',
          call: '',
          tanks: {},
        }),
      ),
    );
    await show(store, <AwayScreen />);
    expect(heading()).toMatch(/^12 days away, from /);
    expect(screen.getAllByText('Not for a sheet')).toHaveLength(2);
    await press('The sheet');
    expect(mockRouter.push).toHaveBeenCalledWith('/away/sheet');
    cleanup();
    await show(store, <TodayTop />);
    expect(screen.getByText(/^Away from /)).toBeTruthy();
  });
});

describe('money and months', () => {
  it('sum up what a tank cost, by kind, with its currency', async () => {
    await show(await fulmar(), <CostsScreen />);
    expect(heading()).toBe('€ 1767 so far.');
    expect(screen.getByText('€ 620')).toBeTruthy();
  });

  it('begin with the sentence of the month', async () => {
    await show(await fulmar(), <MonthScreen month="2026-10" />);
    expect(heading()).toMatch(/^\d loss(es)? this month\.$/);
    await press('September 2026');
    expect(mockRouter.replace).toHaveBeenCalledWith('/month/2026-09');
  });
});

describe('reminders of the browser', () => {
  const shown: string[] = [];
  class FakeNotification {
    static permission = 'granted';
    constructor(title: string) {
      shown.push(title);
    }
  }
  beforeEach(() => {
    shown.length = 0;
    FakeNotification.permission = 'granted';
    Object.assign(globalThis, { Notification: FakeNotification });
  });
  afterEach(() => void Reflect.deleteProperty(globalThis, 'Notification'));

  async function atHour(hour: number) {
    const store = await fulmar();
    const record = selectSettingsRecord(store.getState());
    if (!record) throw new Error('no settings');
    await store.dispatch(
      recordAct((writer) => writer.revise(record, { ...record.body, remindHour: hour })),
    );
    await show(store, <Reminders />);
    return store;
  }

  it('come once a day, after the hour that was chosen', async () => {
    const store = await atHour(0);
    await waitFor(() => expect(shown).toHaveLength(1));
    expect(shown[0]).toMatch(/^\d+ things due, about (\d+ h )?\d+ min$/);
    act(() => void store.dispatch(ticked(SCREEN_NOW + 60_000)));
    expect(shown).toHaveLength(1);
    act(() => void store.dispatch(ticked(SCREEN_NOW + DAY_MS)));
    await waitFor(() => expect(shown).toHaveLength(2));
  });

  it('stay out where the browser was told not to', async () => {
    FakeNotification.permission = 'denied';
    await atHour(0);
    expect(shown).toHaveLength(0);
  });
});
