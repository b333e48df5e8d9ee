import { act, cleanup, screen, waitFor } from '@testing-library/react';
import type { Entry, EntryBody } from '@/core/records/kinds';
import { PRACTICE_LABEL, SITUATIONS } from '@/core/practice/situations/situations';
import { DAY_MS } from '@/core/time/zone';
import { PracticeKit, PracticeShows } from '@/frame/practiceKit';
import { openLog } from '@/store/open';
import { beginPractice, moveClock, selectPlayed, selectRun } from '@/store/practice';
import { recordAct } from '@/store/record';
import { selectKits, selectTankId } from '@/store/selectors';
import { createStore } from '@/store/store';
import { wallClock } from '@/store/wallClock';
import { choose, heading, press, SCREEN_NOW, show } from '@/testing/appHarness';
import { HERE, testServices } from '@/testing/services';
import { AfterScreen } from './AfterScreen';
import { KitShows } from './KitShows';
import { PracticeBand } from './PracticeBand';
import { PracticeScreen } from './PracticeScreen';

const mockReplace = jest.fn();
const mockDownload = jest.fn();
jest.mock('@/frame/browserFiles', () => ({
  download: (...file: unknown[]) => mockDownload(...file),
  chooseSavedFile: jest.fn(),
}));
jest.mock('expo-router', () => ({
  useRouter: () => ({
    push: jest.fn(),
    replace: mockReplace,
    back: jest.fn(),
    canGoBack: () => true,
  }),
  usePathname: () => '/practice',
}));

async function practice(situation: keyof typeof SITUATIONS = 'bottleInSun') {
  const store = createStore({ ...testServices(SCREEN_NOW, { jobs: HERE }), now: wallClock });
  await store.dispatch(beginPractice(situation, 3, SCREEN_NOW, 'UTC'));
  return store;
}
type Store = Awaited<ReturnType<typeof practice>>;

const put = (store: Store, body: EntryBody) =>
  act(async () => {
    await store.dispatch(
      recordAct((writer) => {
        const tankId = selectTankId(store.getState());
        const at = new Date(wallClock()).toISOString();
        writer.create('entry', { ...body, tankId, at } as Entry);
      }),
    );
  });
const move = (store: Store, days: number) =>
  act(async () => {
    await store.dispatch(moveClock(wallClock() + days * DAY_MS));
  });

describe('practice', () => {
  afterEach(async () => {
    await createStore(testServices(SCREEN_NOW)).dispatch(openLog('own'));
  });

  it('shows every tank to start from, tells what is known of one, and begins it', async () => {
    const store = createStore({ ...testServices(SCREEN_NOW), now: wallClock });
    await store.dispatch(openLog('own'));
    const remembered: string[] = [];
    await show(store, <PracticeScreen remember={(name) => remembered.push(name)} />);
    expect(heading()).toBe('A tank that may be ruined.');
    for (const { name } of Object.values(SITUATIONS)) screen.getByText(name);
    await press(/^Zero, zero, zero/);
    screen.getByText(SITUATIONS.spentKit.tells);
    await press('Begin');
    await screen.findByText('Day 15 of a made-up tank.');
    expect(remembered).toEqual(['practice']);
    expect(selectRun(store.getState())).toMatchObject({ situation: 'spentKit', answer: null });
    expect(heading()).toBe('Day 15 of a made-up tank.');
  });

  it('says of another tank that it is not stored, once the one before is gone', async () => {
    const full = { now: false };
    const store = createStore({ ...testServices(SCREEN_NOW, { full }), now: wallClock });
    await store.dispatch(beginPractice('spentKit', 3, SCREEN_NOW, 'UTC'));
    mockReplace.mockClear();
    await show(store, <PracticeScreen remember={() => undefined} />);
    await press('Begin another');
    await press(/^Zero, zero, zero/);
    full.now = true;
    await press('Begin');
    await screen.findByText('The new tank is not stored');
    screen.getByText(/a reload would lose it/);
    expect(mockReplace).not.toHaveBeenCalled();
  });

  it('carries its clock in the band: what can be waited for, and what is seen', async () => {
    const store = await practice('nothingWrong');
    await show(store, <PracticeBand />);
    screen.getByRole('button', { name: 'Practice, day 15' });
    await press('Look at the tank');
    screen.getByText(/^Diatoms: /);
    screen.getByText('The water is clear.');
    await press('Close');
    await press('Move the clock');
    for (const name of [/^To the next thing to do/, /^Until there is something/, /^A week on/]) {
      screen.getByRole('button', { name });
    }
    const before = wallClock();
    await press(/^A week on/);
    await screen.findByRole('button', { name: 'Practice, day 22' });
    expect(wallClock() - before).toBe(7 * DAY_MS);
  });

  it('shows a vial beside its card, which comes with its wait and looks otherwise under another light', async () => {
    const store = await practice();
    const kitOf = (parameter: string) => {
      const kit = selectKits(store.getState()).find(({ body }) => body.parameter === parameter);
      if (!kit) throw new Error(parameter);
      return kit;
    };
    const { id, body } = kitOf('ammonia');
    const refractometer = kitOf('salinity');
    const shown = (left: number | null) => (
      <PracticeKit.Provider value={KitShows}>
        <PracticeShows kitId={id} kit={body} dilution={1} left={left} />
      </PracticeKit.Provider>
    );
    const colour = () => {
      const vial = screen.getByRole('img', { name: /^A vial of the Ammonia card/ });
      return getComputedStyle(vial.children[0] as Element).backgroundColor;
    };
    await show(store, shown(null));
    const early = colour();
    cleanup();
    // Half a minute more than the wait, as where the clock lags behind: it is told as the wait it is.
    await show(store, shown(5.5 * 60_000));
    const before = wallClock();
    await press('Let the 5 min for Ammonia card pass');
    await waitFor(() => expect(wallClock() - before).toBe(5.5 * 60_000));
    cleanup();
    await show(store, shown(0));
    const day = colour();
    expect(day).not.toBe(early);
    await press('Daylight on Ammonia card: try a warm lamp');
    expect(colour()).not.toBe(day);
    cleanup();
    await show(
      store,
      <PracticeKit.Provider value={KitShows}>
        <PracticeShows kitId={refractometer.id} kit={refractometer.body} dilution={1} left={null} />
      </PracticeKit.Provider>,
    );
    screen.getByText(/^Refractometer shows/);
    cleanup();
    await show(store, <PracticeShows kitId={id} kit={body} dilution={1} left={null} />);
    expect(screen.queryByRole('img')).toBeNull();
  });

  it('asks before it tells, and then tells all: the truth, what each deed did, what was said', async () => {
    const store = await practice();
    await put(store, {
      kind: 'dose',
      substance: 'ammoniumChloride',
      amount: { by: 'drops', drops: 640, dropMl: 0.05 },
      strength: PRACTICE_LABEL,
      about: false,
    });
    await put(store, { kind: 'note', text: 'Waited' });
    await move(store, 9);
    await show(store, <AfterScreen />);
    expect(screen.queryByText(/were alive/)).toBeNull();
    await choose('Next to nothing');
    screen.getByText(SITUATIONS.bottleInSun.was);
    screen.getByText(/^So it was\./);
    screen.getByText('Day 7: Ammonium chloride');
    expect(screen.queryByText(/Day 7: Note/)).toBeNull();
    screen.getByText('Day 7: not yet');
    screen.getByText(/^This life: [0-9a-f]{16}/);
    expect(selectPlayed(store.getState())?.header.answer).toBe(1);
    // Another way from before that dose: the run that was is handed over as a file first.
    const before = wallClock();
    mockReplace.mockClear();
    await press(/^Go on from before day 7, Ammonium chloride/);
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/'), { timeout: 8000 });
    expect(mockDownload).toHaveBeenCalledWith('zoarium-practice-day-7.json', expect.any(String));
    expect(wallClock()).toBeLessThan(before);
    const doses = selectPlayed(store.getState())?.deeds.filter(
      ({ entry }) => entry.kind === 'dose',
    );
    expect(doses).toHaveLength(2);
  });

  it('has nothing to look back on where no practice is open', async () => {
    const store = createStore(testServices(SCREEN_NOW));
    await store.dispatch(openLog('own'));
    await show(store, <AfterScreen />);
    expect(heading()).toBe('No practice is open.');
  });
});
