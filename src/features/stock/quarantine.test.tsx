import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { rosterOf } from '@/core/livestock/roster/roster';
import { demoStore, heading, press, SCREEN_NOW, show } from '@/testing/appHarness';
import { ticked } from '@/store/clockSlice';
import { recordAct } from '@/store/record';
import type { AppStore } from '@/store/store';
import { selectTanks } from '@/store/selectors';
import { selectHistoryOf, selectTasksOf } from '@/store/world';
import { BatchScreen } from './quarantine/BatchScreen';
import { BeginScreen } from './quarantine/BeginScreen';
import { MedicinesScreen } from './quarantine/MedicinesScreen';
import { OutbreakScreen } from './quarantine/OutbreakScreen';
import { ProtocolsScreen } from './quarantine/ProtocolsScreen';
import { QuarantineScreen } from './quarantine/QuarantineScreen';
import { ReadinessScreen } from './quarantine/ReadinessScreen';

const mockRouter = { push: jest.fn(), replace: jest.fn(), back: jest.fn(), canGoBack: () => true };
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/quarantine',
  useLocalSearchParams: () => ({}),
}));
jest.setTimeout(60_000);

const DAY = 86_400_000;
const tankNamed = (store: AppStore, name: string) => {
  const tank = selectTanks(store.getState()).find(({ body }) => body.name === name);
  if (!tank) throw new Error(`no ${name}`);
  return tank.id;
};
const historyOf = (store: AppStore, name: string) => {
  const history = selectHistoryOf(store.getState(), tankNamed(store, name));
  if (!history) throw new Error(`no ${name}`);
  return history;
};
function runningBatch(store: AppStore, tank = 'Spare tank') {
  const found = store
    .getState()
    .log.batches.find(
      ({ body }) => body.tankId === tankNamed(store, tank) && body.endedAt === null,
    );
  if (!found) throw new Error('no batch');
  return found;
}
const fill = (label: string, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value: text } });

describe('a batch', () => {
  it('counts its clear days, says how its ammonia is held, and by what step of the kit', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <BatchScreen id={runningBatch(store).id} />);
    expect(heading()).toBe('11 clear days to go.');
    expect(screen.getByText('23 L every 2 days')).toBeTruthy();
    expect(screen.getByText(/up to 0.25 ppm NH4 is under the limit/)).toBeTruthy();
    expect(screen.getByText(/scratching on things/)).toBeTruthy();
  });

  it('is moved by a tap, once however often it is tapped, and a move can be taken out', async () => {
    const store = await demoStore('Fulmar');
    const batch = runningBatch(store);
    await store.dispatch(
      recordAct((act) => {
        const begunAt = new Date(SCREEN_NOW - 2.5 * DAY).toISOString();
        act.revise(batch, { ...batch.body, protocol: 'transfer', begunAt, moves: [] });
      }),
    );
    await show(store, <BatchScreen id={batch.id} />);
    expect(heading()).toMatch(/^Move 1 of 4 by /);
    await press('They are in the other tank');
    await press('They are in the other tank');
    const moves = () => runningBatch(store).body.moves ?? [];
    expect(moves()).toHaveLength(1);
    expect(heading()).toMatch(/^Move 2 of 4 by /);
    await press('Take it out');
    expect(moves()).toEqual([]);
  });

  it('a look is a tap; a sign begins the days anew, and taking it back returns them', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <BatchScreen id={runningBatch(store).id} />);
    const blenny = () => within(screen.getByRole('group', { name: 'Tailspot blenny' }));
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'A sign…' }));
    });
    await act(async () => {
      fireEvent.click(screen.getByRole('checkbox', { name: 'Fine dust, like velvet' }));
    });
    await press('Log the sign');
    expect(heading()).toBe('A sign stands.');
    expect(
      screen.getByText(/perhaps velvet\. How fast it kills: within one to three days/),
    ).toBeTruthy();
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'Well' }));
    });
    expect(heading()).toBe('11 clear days to go.');
    const dailyChecks = historyOf(store, 'Spare tank').entries.dailyCheck.filter(
      ({ entry, at }) => entry.what === 'Tailspot blenny' && SCREEN_NOW - at < DAY / 2,
    );
    expect(dailyChecks).toHaveLength(1);
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'Not eating' }));
    });
    expect(screen.getByText('Not eating, day 1')).toBeTruthy();
  });

  it('a sign told today for yesterday begins them anew from yesterday', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <BatchScreen id={runningBatch(store).id} />);
    const blenny = () => within(screen.getByRole('group', { name: 'Tailspot blenny' }));
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'Well' }));
    });
    await press('Yesterday’s');
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'A sign…' }));
    });
    await act(async () => {
      fireEvent.click(screen.getByRole('checkbox', { name: 'White grains' }));
    });
    await press('Log the sign');
    expect(heading()).toBe('27 clear days to go.');
    await act(async () => {
      fireEvent.click(blenny().getByRole('button', { name: 'Well' }));
    });
    expect(heading()).toBe('11 clear days to go.');
  });

  it('is released once it is clear and checked: they live in the other tank, wished for no more', async () => {
    const store = await demoStore('Fulmar');
    store.dispatch(ticked(SCREEN_NOW + 12 * DAY));
    const { id } = runningBatch(store);
    await show(store, <BatchScreen id={id} />);
    expect(heading()).toBe('Clear.');
    const go = () => screen.getByRole('button', { name: 'They are in Fulmar: log it' });
    expect(go().getAttribute('aria-disabled')).toBe('true');
    for (const box of screen.getAllByRole('checkbox')) {
      await act(async () => {
        fireEvent.click(box);
      });
    }
    await act(async () => {
      fireEvent.click(go());
    });
    const here = rosterOf(historyOf(store, 'Fulmar')).map(({ what }) => what);
    expect(here).toContain('Firefish');
    const wished = store
      .getState()
      .log.wishes.filter(({ body }) => body.tankId === tankNamed(store, 'Fulmar'));
    expect(wished.map(({ body }) => body.species)).not.toContain('firefish');
    expect(
      store.getState().log.batches.find((batch) => batch.id === id)?.body.endedAt,
    ).toBeTruthy();
    cleanup();
    await show(store, <BatchScreen id={id} />);
    expect(heading()).toBe('Ended.');
    const tasks = selectTasksOf(store.getState(), tankNamed(store, 'Spare tank'));
    expect(tasks.map(({ title }) => title)).toContain('Clean the quarantine tank');
  });

  it('of no such id says so', async () => {
    await show(await demoStore('Fulmar'), <BatchScreen id="none" />);
    expect(heading()).toBe('There is no such batch.');
  });
});

describe('Quarantine', () => {
  it('names who is in it, and what is not looked at', async () => {
    await show(await demoStore('Fulmar'), <QuarantineScreen />);
    expect(heading()).toBe('2 batches in quarantine.');
    expect(screen.getByText(/2 not looked at today/)).toBeTruthy();
    await press(/^Watchman goby/);
    expect(mockRouter.push.mock.lastCall?.[0]).toMatch(/^\/quarantine\/batches\//);
  });

  it('a batch is begun with who came, judged together, and what joins one begins it anew', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <BeginScreen given={{ tank: tankNamed(store, 'Spare tank') }} />);
    expect(heading()).toBe('A batch is in there.');
    fill('Which animal', 'royal gramma');
    await press(/^Royal gramma/);
    await press('Join, and begin the days anew');
    cleanup();
    await show(store, <BatchScreen id={runningBatch(store).id} />);
    expect(heading()).toBe('28 clear days to go.');
    expect(screen.getByText(/Royal gramma joined it/)).toBeTruthy();
  });

  it('is not begun in a tank that nobody cleaned, nor with those that fight', async () => {
    const store = await demoStore('Fulmar');
    const spare = tankNamed(store, 'Spare tank');
    const running = runningBatch(store);
    await act(async () => {
      await store.dispatch(
        recordAct((write) =>
          write.revise(running, { ...running.body, endedAt: new Date(SCREEN_NOW).toISOString() }),
        ),
      );
    });
    await show(store, <BeginScreen given={{ tank: spare, species: 'maroon-clownfish' }} />);
    expect(screen.getByText('Not cleaned since the last batch')).toBeTruthy();
    fill('Another', 'ocellaris');
    await press(/^Ocellaris clownfish/);
    expect(screen.getByText(/fight over one host/)).toBeTruthy();
  });
});

describe('medicines', () => {
  it('copper is kept from a binder whose label is silent, and from a tank with a dosed one', async () => {
    const store = await demoStore('Fulmar');
    const spare = tankNamed(store, 'Spare tank');
    await act(async () => {
      await store.dispatch(
        recordAct((write) => {
          write.create('medicine', {
            name: 'Copper of the label',
            kind: 'copper',
            target: { low: 0.2, high: 0.25 },
            unit: 'mg/L',
            strength: 10,
            lowersOxygen: false,
            harmsFilter: 'yes',
            harmsInvertebrates: true,
            carbonOut: true,
            reducing: 'no',
          });
        }),
      );
    });
    await show(store, <MedicinesScreen given={{ tank: spare }} />);
    await press(/^Copper of the label/);
    expect(screen.queryByText('Not together')).toBeNull();
    fill('Given, by its label', '1.6');
    await press('Log it as given');
    const { treatment, medication } = historyOf(store, 'Spare tank').entries;
    expect(treatment.at(-1)?.entry).toMatchObject({ agent: 'copper' });
    expect(medication.at(-1)?.entry).toMatchObject({ act: 'given', mL: 1.6 });
    expect(screen.getByText(/about 0.211 mg\/L in this tank/)).toBeTruthy();
    fill('Given, by its label', '1e12');
    expect(screen.getByText('Between 0 and 100000, above zero.')).toBeTruthy();
    expect(
      screen.getByRole('button', { name: 'Log it as given' }).getAttribute('aria-disabled'),
    ).toBe('true');
    fill('Before a change of', '20');
    expect(screen.getByText(/takes 0.42 mL to stand where the tank does/)).toBeTruthy();
    await press(/^Tap conditioner/);
    expect(screen.getByText('Not together')).toBeTruthy();
    fill('Given, by its label', '5');
    expect(
      screen.getByRole('button', { name: 'Log it as given' }).getAttribute('aria-disabled'),
    ).toBe('true');
  });

  it('a label is copied, and a range that ends below its beginning is told of', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <MedicinesScreen given={{}} />);
    await press('Copy a label');
    fill('What it is called', 'Gill bath');
    fill("The label's range, from", '5');
    fill('to', '2');
    await press('Save the label');
    expect(screen.getByText(/range ends below its beginning/)).toBeTruthy();
    // A page that is left in the middle keeps what was typed.
    cleanup();
    await show(store, <MedicinesScreen given={{}} />);
    await press('Copy a label');
    fill('to', '8');
    await press('Save the label');
    expect(store.getState().log.medicines.map(({ body }) => body.name)).toContain('Gill bath');
  });
});

describe('the other pages', () => {
  it('readiness sums for its size, and a protocol is copied and changed', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <ReadinessScreen given={{ tank: tankNamed(store, 'Spare tank') }} />);
    expect(screen.getByText(/380 to 760 L an hour/)).toBeTruthy();
    cleanup();
    await show(store, <ProtocolsScreen />);
    await press(/^Observe only, 28 days/);
    await press('Copy it');
    await press('Change it');
    fill('Clear days', '400');
    await press('Save it');
    expect(screen.getByText('Whole days, from 0 to 120.')).toBeTruthy();
    fill('Clear days', '40');
    fill('Stage 2 begins on clear day', '7');
    fill('Ammonia', '2');
    fill('pH', '');
    await press('Save it');
    const [mine] = store.getState().log.protocols;
    expect(mine?.body).toMatchObject({ days: 40, name: 'Observe only, mine' });
    expect(mine?.body.stages.map(({ fromDay }) => fromDay)).toEqual([0, 7]);
    expect(mine?.body.tests.map(({ parameter, everyDays }) => [parameter, everyDays])).toEqual([
      ['ammonia', 2],
      ['salinity', 3],
      ['temperature', 1],
    ]);
  });

  it('an outbreak counts who must move, and fewer days only with a reason', async () => {
    const store = await demoStore('Fulmar');
    await show(store, <OutbreakScreen />);
    expect(screen.getByText(/which want about \d+ L of quarantine/)).toBeTruthy();
    await press('−');
    expect(screen.getByText(/Fewer than 76 days only where velvet was found/)).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Kept at 27 to 28 °C, on record' }));
    await press('Begin: all fish out');
    expect(heading()).toMatch(/fish still in/);
  });
});
