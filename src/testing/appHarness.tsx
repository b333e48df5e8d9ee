import { act, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { forecastOf, type Forecast } from '../core/cycle/forecast';
import { demoLog } from '../core/demo/demoLog';
import type { Entry, EntryKind } from '../core/records/kinds';
import type { Revision } from '../core/records/schema/revision';
import type { Tank } from '../core/records/schema/tank';
import { HOUR_MS } from '../core/time/zone';
import { ticked } from '../store/clockSlice';
import { cycleProblem } from '../core/cycle/problem/problem';
import { tankHistory } from '../core/history/derive';
import { computed } from '../store/computedSlice';
import { selectHistory } from '../store/inView';
import { openLog } from '../store/open';
import { recordAct } from '../store/record';
import { selectKits, selectLog, selectTank, selectTanks } from '../store/selectors';
import { tankChosen } from '../store/sessionSlice';
import { createStore, type AppStore } from '../store/store';
import type { EntryInput } from './logBuilder';
import type { Jobs } from '../workers/jobs/client';
import { testServices } from './services';

/** The moment every screen test is dated for. */
export const SCREEN_NOW = Date.parse('2026-11-24T12:00:00Z');

/** The demo as it was written first: its moment is the same for every store of a suite. */
let written: Revision[] | undefined;

/** A store with the demo open at one of its tanks. */
export async function demoStore(tank = 'Kittiwake', jobs?: Jobs): Promise<AppStore> {
  const store = createStore(testServices(SCREEN_NOW, { jobs }));
  store.dispatch(ticked(SCREEN_NOW));
  await store.dispatch(
    openLog('demo', { make: (context) => (written ??= demoLog(context)), zone: 'UTC' }),
  );
  const found = selectTanks(store.getState()).find((t) => t.body.name === tank);
  if (found) store.dispatch(tankChosen(found.id));
  return store;
}

/** Renders a screen on a store. */
export async function show(store: AppStore, screen: ReactNode): Promise<void> {
  await act(async () => {
    render(<Provider store={store}>{screen}</Provider>);
  });
}

/** A small forecast of the tank in view, as the worker would have made it. */
export function withForecast(store: AppStore, changes: Partial<Forecast> = {}): Forecast {
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  const history = tankHistory(selectLog(store.getState()), tank.id, SCREEN_NOW);
  const problem = cycleProblem(history, SCREEN_NOW);
  const made = forecastOf(problem, { seed: 1, particles: 40, otherParticles: 8, members: 40 });
  const forecast = { ...made, ...changes };
  store.dispatch(computed({ name: 'forecast', key: tank.id, asked: 'test', value: forecast }));
  return forecast;
}

/** Logs entries in the tank in view, each so many hours before the moment of the tests. */
export async function logged(
  store: AppStore,
  entries: readonly [hoursAgo: number, entry: EntryInput][],
): Promise<void> {
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  await act(async () => {
    await store.dispatch(
      recordAct((writer) => {
        for (const [hoursAgo, entry] of entries) {
          const at = new Date(SCREEN_NOW - hoursAgo * HOUR_MS).toISOString();
          writer.create('entry', { ...entry, tankId: tank.id, at } as Entry);
        }
      }),
    );
  });
}

/** The newest entry of a kind in the tank in view, or the newest of those that are meant. */
export function lastLogged(store: AppStore, kind: EntryKind, meant = (_: Entry) => true) {
  const history = selectHistory(store.getState());
  const list = (history?.entries[kind] ?? []) as { id: string; entry: Entry }[];
  return list.findLast(({ entry }) => meant(entry));
}

/** Two fish that went in four days before the moment of the tests. */
export const FISH_IN: [number, EntryInput] = [
  96,
  { kind: 'animals', move: 'in', group: 'fish', what: 'Clownfish', count: 2 },
];

/** Changes the record of the tank in view. */
export async function withTank(store: AppStore, changes: Partial<Tank>): Promise<void> {
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  await act(async () => {
    await store.dispatch(recordAct((writer) => writer.revise(tank, { ...tank.body, ...changes })));
  });
}

/** A card reading at one of its steps, with a kit of the demo. */
export function cardReading(
  store: AppStore,
  parameter: 'ammonia' | 'nitrite',
  step: number,
): EntryInput {
  const kit = selectKits(store.getState()).find((k) => k.body.parameter === parameter);
  if (kit?.body.scale.form !== 'card') throw new Error(`no card for ${parameter}`);
  const { steps } = kit.body.scale;
  const index = steps.indexOf(step);
  return {
    kind: 'reading',
    parameter,
    kitId: kit.id,
    dilution: 1,
    value: { form: 'card', steps: [...steps], low: index, high: index },
  };
}

/** Presses a button by its accessible name. */
export async function press(name: string | RegExp): Promise<void> {
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name }));
  });
}

/** Chooses one of several by its accessible name. */
export async function choose(name: string | RegExp): Promise<void> {
  await act(async () => {
    fireEvent.click(screen.getByRole('radio', { name }));
  });
}

/** Types into a field, in place of what is there. */
export function type(label: string, text: string): void {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
}

/** The first heading: what the screen answers. */
export function heading(): string | null {
  return screen.getByRole('heading', { level: 1 }).textContent;
}
