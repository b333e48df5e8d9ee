import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { changeSettings } from '@/store/settings';
import { recordAct } from '@/store/record';
import { selectHistory } from '@/store/inView';
import { selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { selectLiveRuns } from '@/store/runs';
import { dayOf, DAY_MS } from '@/core/time/zone';
import { choose, demoStore, heading, press, SCREEN_NOW, show, type } from '@/testing/appHarness';
import { AddTankScreen } from './AddTankScreen';
import { CloseTankScreen } from './CloseTankScreen';
import { MoveScreen } from './MoveScreen';
import { PacksPart } from './PacksPart';
import { SheetScreen } from './SheetScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, usePathname: () => '/tanks/move' }));
jest.setTimeout(30_000);
beforeEach(() => jest.clearAllMocks());

const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name });
const off = (name: string) => button(name).getAttribute('aria-disabled') === 'true';

describe('a move', () => {
  it('asks for the new volume, and begins with the water it takes', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <MoveScreen />);
    expect(heading()).toBe('How large is the new tank?');
    expect(screen.getByText('Old sand')).toBeTruthy();
    expect(off('Begin the move')).toBe(true);
    const net = selectHistory(store.getState())?.netLitres ?? 0;
    type('Net water of the new tank', String(2 * net));
    // Half of the old water comes along, a tenth more than the rest is mixed.
    const fresh = Math.round(1.5 * net * 1.1);
    expect(screen.getByText(new RegExp(`^Mix ${fresh} L of salt water beforehand`))).toBeTruthy();
    await press('Begin the move');
    await waitFor(() => expect(mockRouter.push).toHaveBeenCalledWith('/runs/moveTank'));
    const [run] = selectLiveRuns(store.getState());
    expect(run?.body).toMatchObject({
      procedure: 'moveTank',
      given: { litres: Math.round(2 * net), fresh, kept: 'rockAndMedia' },
    });
    cleanup();
    await show(store, <MoveScreen />);
    expect(screen.queryByText('Begin the move')).toBeNull();
    await press('Go on with the move');
    expect(selectLiveRuns(store.getState())).toHaveLength(1);
  });

  it.each(['0', '-3', 'ten', '999999'])(
    'does not begin into %s litres, and says why',
    async (text) => {
      await show(await demoStore('Fulmar'), <MoveScreen />);
      type('Net water of the new tank', text);
      expect(screen.getByText(/^A volume above zero and up to 20\D?000 L\.$/)).toBeTruthy();
      expect(off('Begin the move')).toBe(true);
    },
  );

  it('keeps a half-typed volume for who comes back', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <MoveScreen />);
    type('Net water of the new tank', '31');
    await choose(/^Only a seeded sponge/);
    cleanup();
    await show(store, <MoveScreen />);
    expect(screen.getByLabelText<HTMLInputElement>('Net water of the new tank').value).toBe('31');
    expect(
      screen.getByRole('radio', { name: /^Only a seeded sponge/ }).getAttribute('aria-checked'),
    ).toBe('true');
  });
});

describe('what a move leaves in the log', () => {
  const standstills = (store: Awaited<ReturnType<typeof demoStore>>) =>
    selectTanks(store.getState()).flatMap(({ id, body }) =>
      (selectHistoryOf(store.getState(), id)?.entries.standstill ?? []).map(({ entry }) => ({
        tank: body.name,
        hours: entry.hours,
        kept: entry.kept,
      })),
    );

  it('is how long rock and media went without flow, and how they were kept, at the new tank', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <MoveScreen />);
    await press('Log who moved');
    await choose('Kittiwake');
    await choose(/^Wet in a closed filter/);
    expect(screen.getByText(/begins to rot within hours/)).toBeTruthy();
    type('Hours they went without their flow', '-2');
    expect(screen.getByText(/^Hours, more than none/)).toBeTruthy();
    type('Hours they went without their flow', '6');
    await press(/^Log \d+ groups? as moved/);
    await waitFor(() =>
      expect(standstills(store)).toEqual([{ tank: 'Kittiwake', hours: 6, kept: 'closed' }]),
    );
  });

  it('is nothing of that where the flow never stopped', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <MoveScreen />);
    await press('Log who moved');
    await choose('Kittiwake');
    await press(/^Log \d+ groups? as moved/);
    await waitFor(() =>
      expect(selectHistory(store.getState())?.standing.closedAt).toEqual(expect.any(Number)),
    );
    expect(standstills(store)).toEqual([]);
  });
});

describe('one more tank', () => {
  const minutes = () => {
    const [, hours = 0, rest = 0] =
      /^About (?:(\d+) h ?)?(?:(\d+) min)? ?more each week\.$/.exec(heading() ?? '') ?? [];
    return 60 * Number(hours) + Number(rest);
  };

  it('says what it takes a week, more the larger it is and with a sump', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <AddTankScreen />);
    expect(heading()).toBe('How large?');
    type('Net water', '150');
    const small = minutes();
    type('Net water', '500');
    const large = minutes();
    expect(small).toBeGreaterThan(0);
    expect(large).toBeGreaterThan(small);
    await choose('Yes');
    expect(minutes()).toBeGreaterThan(large);
    await press('Set it up');
    expect(mockRouter.push).toHaveBeenCalledWith('/tanks/new');
  });

  it('speaks in gallons to who counts in them', async () => {
    const store = await demoStore('Fulmar');
    await store.dispatch(changeSettings((settings) => ({ ...settings, volumeUnit: 'gal' })));
    await show(store, <AddTankScreen />);
    type('Net water', '10');
    expect(screen.getByText(/^And \d+(\.\d+)? gal of new salt water a week/)).toBeTruthy();
  });
});

describe('a tank that is taken down', () => {
  it('names who needs a home first, and keeps all of it out of the wild', async () => {
    const store = await demoStore('Fulmar');
    const history = selectHistory(store.getState());
    const cohorts = history ? rosterOf(history).filter(isHere) : [];
    const animals = cohorts.reduce((sum, { here }) => sum + (here ?? 1), 0);
    await show(store, <CloseTankScreen />);
    expect(heading()).toBe(`${animals} animals need a home first.`);
    expect(screen.getByText('Never into the wild')).toBeTruthy();
    await press('Take it down, step by step');
    expect(mockRouter.push).toHaveBeenCalledWith('/runs/closeTank');
  });

  it('says so where nothing lives in it', async () => {
    await show(await demoStore('Kittiwake'), <CloseTankScreen />);
    expect(heading()).toBe('No animal needs a home.');
    expect(screen.queryByText('Who lives here')).toBeNull();
  });
});

describe('packs', () => {
  async function packs() {
    const store = await demoStore('Kittiwake');
    const history = selectHistory(store.getState());
    if (!history) throw new Error('no tank');
    await show(store, <PacksPart history={{ ...history, netLitres: 100 }} currency="€" />);
  }

  it('are whole ones, for the fill and for a year, with what they cost', async () => {
    await packs();
    expect(screen.getByText('Say what a pack holds.')).toBeTruthy();
    await choose('litres it is for');
    type('Pack 1 holds', '40');
    type('Pack 1 costs', '7.5');
    // 100 L over 40: two and a half are used, three are bought.
    expect(screen.getByText('For this volume: 3 packs, € 22.50')).toBeTruthy();
    expect(screen.getByText(/of which 2\.5 are used/)).toBeTruthy();
  });

  it('stand side by side, five at most, and one is taken out', async () => {
    await packs();
    for (let more = 0; more < 4; more += 1) await press('Another pack');
    expect(screen.queryByText('Another pack')).toBeNull();
    type('Pack 5', 'the fifth');
    await press('Take pack 1 out');
    expect(screen.getByLabelText<HTMLInputElement>('Pack 4').value).toBe('the fifth');
    expect(button('Another pack')).toBeTruthy();
  });
});

describe('the sheet', () => {
  it('says so where no days away are planned', async () => {
    await show(await demoStore('Fulmar'), <SheetScreen />);
    expect(heading()).toBe('There are no days away yet.');
  });

  it('is for one person, with whom to call and what not to touch, and prints', async () => {
    const store = await demoStore('Fulmar');
    const tankId = selectHistory(store.getState())?.tankId ?? '';
    await act(async () => {
      await store.dispatch(
        recordAct((writer) =>
          writer.create('absence', {
            from: dayOf(SCREEN_NOW + 2 * DAY_MS, 'UTC'),
            until: dayOf(SCREEN_NOW + 8 * DAY_MS, 'UTC'),
            minder: 'Ines',
            call: '0123',
            tanks: { [tankId]: { food: 'One pinch', leave: 'The skimmer' } },
          }),
        ),
      );
    });
    await show(store, <SheetScreen />);
    expect(heading()).toBe('For Ines.');
    for (const text of ['0123', 'One pinch', 'The skimmer']) {
      expect(screen.getByText(text)).toBeTruthy();
    }
    // Every other tank has its food and its limits too.
    expect(screen.getAllByText('Nothing: they can wait.').length).toBeGreaterThan(0);
    const print = jest.spyOn(window, 'print').mockImplementation(() => undefined);
    fireEvent.click(button('Print it'));
    expect(print).toHaveBeenCalledTimes(1);
    print.mockRestore();
  });
});
