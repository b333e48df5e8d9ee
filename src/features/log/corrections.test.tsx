import { act, screen, waitFor } from '@testing-library/react';
import { headsOfType, type Entry } from '@/core';
import { selectLog } from '@/store/selectors';
import type { AppStore } from '@/store/store';
import {
  choose,
  demoStore,
  heading,
  lastLogged,
  logged,
  press,
  show,
  type,
} from '@/testing/appHarness';
import { liveHead } from '@/core/records/log';
import { recordAct } from '@/store/record';
import { EntryScreen } from './EntryScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/log/feed',
}));
jest.setTimeout(60_000);
beforeEach(() => jest.clearAllMocks());

const left = () => waitFor(() => expect(mockRouter.back).toHaveBeenCalled());

describe('an entry that is opened again', () => {
  async function opened(entry: Parameters<typeof logged>[1][number][1]) {
    const store = await demoStore();
    await logged(store, [[2, entry]]);
    const head = lastLogged(store, entry.kind);
    if (!head) throw new Error('nothing logged');
    await show(store, <EntryScreen id={head.id} />);
    return store;
  }

  it('is corrected as what it is', async () => {
    const store = await opened({
      kind: 'feed',
      food: 'pellets',
      amount: { by: 'grams', grams: 0.5 },
    });
    type('How much', '0.8');
    await press('Save the change');
    await left();
    expect(lastLogged(store, 'feed')?.entry).toMatchObject({ amount: { by: 'grams', grams: 0.8 } });
  });

  it('keeps a length that no animal has as it was typed, until one is given', async () => {
    const store = await opened({
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Goby',
      asTyped: { sizeCm: 1e300 },
    });
    type('What they are', 'Neon goby');
    await press('Save the change');
    await left();
    expect(lastLogged(store, 'animals')?.entry).toMatchObject({
      what: 'Neon goby',
      asTyped: { sizeCm: 1e300 },
    });
  });

  it('is removed, and then gone', async () => {
    const store = await opened({ kind: 'light', state: 'on' });
    const before = headsOfType(selectLog(store.getState()), 'entry').length;
    await press('Remove');
    await left();
    expect(headsOfType(selectLog(store.getState()), 'entry')).toHaveLength(before - 1);
    expect(heading()).toBe('This entry is gone.');
  });

  it('keeps what it says of a bottle', async () => {
    const store = await opened({
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 80 },
      strength: null,
      about: false,
      bottle: {
        keeps: 'refrigerated',
        storedCold: true,
        madeOn: '2026-08-01',
        forLitres: 200,
      },
    });
    type('How much', '90');
    await press('Save the change');
    await left();
    expect(lastLogged(store, 'dose')?.entry).toMatchObject({
      amount: { by: 'mL', mL: 90 },
      bottle: { keeps: 'refrigerated', madeOn: '2026-08-01', forLitres: 200 },
    });
  });
});

describe('a task that was put off', () => {
  it('can be opened and put right', async () => {
    const store = await demoStore();
    await logged(store, [
      [2, { kind: 'taskMark', task: 'lid', title: 'Fit a lid or mesh', how: 'skipped' }],
    ]);
    const head = lastLogged(store, 'taskMark');
    await show(store, <EntryScreen id={head?.id ?? ''} />);
    await choose('Done');
    await press('Save the change');
    await left();
    expect(lastLogged(store, 'taskMark')?.entry).toMatchObject({ how: 'done' });
  });
});

describe('two tabs with one entry open', () => {
  const bottle = {
    kind: 'dose',
    substance: 'bacteria',
    amount: { by: 'mL', mL: 80 },
    strength: null,
    about: false,
  } as const;

  const mine = (store: AppStore) =>
    lastLogged(
      store,
      'dose',
      (entry) => entry.kind === 'dose' && entry.amount.by === 'mL' && entry.amount.mL === 80,
    );

  async function opened() {
    const store = await demoStore();
    await logged(store, [[2, bottle]]);
    const id = mine(store)?.id ?? '';
    await show(store, <EntryScreen id={id} />);
    const elsewhere = async (changes: object) => {
      const head = liveHead(selectLog(store.getState()), id, 'entry');
      if (!head) throw new Error('gone');
      await act(async () => {
        await store.dispatch(
          recordAct((write) => write.revise(head, { ...head.body, ...changes } as Entry)),
        );
      });
    };
    const now = () => liveHead(selectLog(store.getState()), id, 'entry')?.body;
    return { elsewhere, now };
  }

  it('keep what each changed', async () => {
    const { elsewhere, now } = await opened();
    type('How much', '90');
    await elsewhere({ note: 'From the fridge.' });
    expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe('From the fridge.');
    await press('Save the change');
    await left();
    expect(now()).toMatchObject({ amount: { by: 'mL', mL: 90 }, note: 'From the fridge.' });
  });

  it('show the field that both changed, and save the one that is chosen', async () => {
    const { elsewhere, now } = await opened();
    type('How much', '90');
    await elsewhere({ amount: { by: 'mL', mL: 70 } });
    expect(screen.getByText('How much was changed elsewhere as well')).toBeTruthy();
    await press('Save the change');
    expect(now()).toMatchObject({ amount: { mL: 70 } });
    await press('Keep mine: 90');
    await press('Save the change');
    await left();
    expect(now()).toMatchObject({ amount: { mL: 90 } });
  });
});
