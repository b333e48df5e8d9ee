import { act, cleanup } from '@testing-library/react';
import type { ReactElement } from 'react';
import { quarantineJson } from '../../cli/quarantine';
import {
  allRevisions,
  EMPTY_LOG,
  headsOfType,
  mergeRevisions,
  readLogFile,
  toLogFile,
  writeLogFile,
} from '../core';
import { entriesOfTank } from '../core/records/log';
import { revisionKey } from '../core/records/order';
import { selectTank } from '../store/selectors';
import { renewAsks } from '../store/asking';
import { recordAct, undoKeys } from '../store/record';
import type { AppStore } from '../store/store';
import { demoStore, lastLogged, logged, SCREEN_NOW, show } from '../testing/appHarness';
import type { EntryInput } from '../testing/logBuilder';
import { JournalScreen } from './journal/JournalScreen';
import { ChoresScreen } from './maintenance/ChoresScreen';
import { CostsScreen } from './maintenance/CostsScreen';
import { MonthScreen } from './maintenance/MonthScreen';
import { MoreScreen } from './shell/MoreScreen';
import { LossesScreen } from './stock/LossesScreen';
import { QuarantineScreen } from './stock/quarantine/QuarantineScreen';
import { StockScreen } from './stock/StockScreen';
import { WishesScreen } from './stock/WishesScreen';
import { TankScreen } from './tank/TankScreen';
import { TanksScreen } from './tank/TanksScreen';
import { TodayScreen } from './today/TodayScreen';
import { WaterScreen } from './water/WaterScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), replace: jest.fn(), back: jest.fn() }),
  usePathname: () => '/',
  Link: ({ children }: { children: unknown }) => children,
}));
jest.setTimeout(240_000);

const SCREENS = {
  today: <TodayScreen />,
  more: <MoreScreen />,
  journal: <JournalScreen />,
  chores: <ChoresScreen />,
  costs: <CostsScreen />,
  month: <MonthScreen month="2026-11" />,
  stock: <StockScreen />,
  wishes: <WishesScreen given={{}} />,
  losses: <LossesScreen />,
  quarantine: <QuarantineScreen />,
  tanks: <TanksScreen />,
  tank: <TankScreen id="this" />,
  water: <WaterScreen />,
} satisfies Record<string, ReactElement>;
type Screen = keyof typeof SCREENS;

/** What stands on a screen. */
interface Seen {
  text: string;
  heading: string;
  /** What its buttons and pictures are called, or show where they are called nothing. */
  rows: string[];
}

async function look(store: AppStore, screen: ReactElement): Promise<Seen> {
  await show(store, screen);
  const called = (element: Element) =>
    element.getAttribute('aria-label') ?? element.textContent ?? '';
  const seen = {
    text: document.body.textContent ?? '',
    heading: document.querySelector('[role=heading][aria-level="1"], h1')?.textContent ?? '',
    rows: [...document.querySelectorAll('[role=button], [role=img]')].map(called),
  };
  cleanup();
  return seen;
}

const figure = (pattern: RegExp, text: string) => {
  const found = pattern.exec(text)?.[1];
  if (found === undefined) throw new Error(`${String(pattern)} is not in: ${text.slice(0, 300)}`);
  return Number(found);
};
const figures = (pattern: RegExp, texts: readonly string[]) =>
  texts.flatMap((text) => {
    const found = pattern.exec(text);
    return found ? [Number(found[1] ?? 1)] : [];
  });
const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0);

/** What stands in the export as it would be saved now, and what the command line says of it. */
function exported(store: AppStore, tankId: string) {
  const text = writeLogFile(
    toLogFile(allRevisions(store.getState().log), new Date(SCREEN_NOW).toISOString()),
  );
  const reading = readLogFile(text);
  if (!reading.ok) throw new Error(reading.why);
  const log = mergeRevisions(EMPTY_LOG, reading.file.records);
  return {
    entries: headsOfType(log, 'entry').filter(({ body }) => body.tankId === tankId).length,
    batches: quarantineJson(log, SCREEN_NOW) as { tank: string; days: number; daysClear: number }[],
  };
}

/** Asks of every figure that stands in several places whether all say the same, and are the sum of their parts. */
async function agree(store: AppStore): Promise<void> {
  await act(async () => {
    await store.dispatch(renewAsks());
  });
  const tank = selectTank(store.getState());
  if (!tank) throw new Error('no tank');
  const { name } = tank.body;
  const on = {} as Record<Screen, Seen>;
  for (const screen of Object.keys(SCREENS) as Screen[]) {
    on[screen] = await look(store, SCREENS[screen]);
  }
  const file = exported(store, tank.id);

  // Water and age.
  const litres = figure(/(\d+) L net, day/, on.today.rows.join('|'));
  expect(figure(/(\d+) L of water, day/, on.more.text)).toBe(litres);
  expect(figure(/^About (\d+) L/, on.tank.text.replace(/^.*?\.(?=About)/, ''))).toBe(litres);
  const nets = figures(/(\d+) L net of/, on.tanks.rows);
  expect(figures(new RegExp(`^${name}(\\d+) L net of`), on.tanks.rows)).toEqual([litres]);
  expect(figure(/(\d+) L of water in all/, on.tanks.text)).toBe(sum(nets));
  expect(figure(/^(\d+) tanks?\./, on.tanks.heading)).toBe(nets.length);
  expect(figure(/of water, day (\d+)/, on.more.text)).toBe(
    figure(/L net, day (\d+)/, on.today.rows.join('|')),
  );

  // Entries: on screen, in the log, in its export.
  const entries = figure(/^(\d+) entr/, on.journal.heading);
  expect(figure(/(\d+) entr(?:y|ies) since/, on.more.text)).toBe(entries);
  expect(entriesOfTank(store.getState().log, tank.id)).toHaveLength(entries);
  expect(file.entries).toBe(entries);

  // Who lives here, who was lost, who is wished for.
  const homes = on.stock.rows.filter((row) => /since \d/.test(row));
  const heads = homes.map((row) => Number(/ × (\d+)since/.exec(row)?.[1] ?? 1));
  const said = /(\d+) animals? here/.exec(on.more.text)?.[1] ?? '0';
  expect(Number(said)).toBe(sum(heads));
  const shares = figures(/(\d+) % of what is made/, homes);
  if (shares.length > 0) expect(Math.abs(sum(shares) - 100)).toBeLessThanOrEqual(shares.length);
  const lost = figures(/^(\d+) loss/, [on.losses.heading])[0] ?? 0;
  expect(figures(/^(\d+) loss/, on.stock.rows)[0] ?? 0).toBe(lost);
  const wished = figures(/^(\d+) wished for/, on.stock.rows)[0] ?? 0;
  expect(on.wishes.rows.filter((row) => row.startsWith('Move '))).toHaveLength(wished);

  // Batches, and the days they still take.
  const going = on.quarantine.rows.filter((row) => /clear days? to go/.test(row));
  expect(figure(/^(\d+) batch/, on.quarantine.heading)).toBe(going.length);
  expect(figure(/(\d+) batch(?:es)? in quarantine/, on.more.text)).toBe(going.length);
  const left = (row: { tank: string; days: number; daysClear: number }) =>
    `${row.tank}: ${row.days - row.daysClear} clear days to go.`;
  expect(going.map((row) => row.replace(/(to go\.).*/, '$1')).sort()).toEqual(
    file.batches.map(left).sort(),
  );
  const toCheck = figures(/(\d+) animals? not looked at today/, on.today.rows);
  expect(sum(toCheck)).toBe(sum(figures(/; (\d+) not looked at today/, on.quarantine.rows)));

  // What is to be done today.
  const today = /(nothing|\d+ things?) today(, about [^.]*)?/i;
  const maintenance = today.exec(on.more.text.replace(/.*Maintenance/, ''))?.[0] ?? '';
  expect(on.today.text.toLowerCase()).toContain(maintenance.toLowerCase());
  const things = figures(/^(\d+) thing/, [maintenance])[0] ?? 0;
  expect(on.today.rows.filter((row) => /, (now|today)\. /.test(row))).toHaveLength(things);
  const chores = figures(/^(\d+) chore/, [on.chores.heading])[0] ?? 0;
  expect(on.chores.rows.filter((row) => /, (now|today)$/.test(row))).toHaveLength(chores);

  // Money: all of it, by kind, by month, and on the page of the month.
  const money = (text: string) => Number(text.replace(/[^\d.]/g, ''));
  const all = money(on.costs.heading);
  const kinds = [...on.costs.text.matchAll(/(?:bought|running)€ ([\d.]+?)(?=[A-Z])/g)];
  expect(sum(kinds.map((found) => Number(found[1])))).toBeCloseTo(all, 0);
  const bars = on.costs.rows.find((row) => /^\w+ \d{4}: bought/.test(row)) ?? '';
  const months = bars.split('; ').map((bar) => ({
    month: bar.slice(0, bar.indexOf(':')),
    money: sum([...bar.matchAll(/€ ([\d.]+)/g)].map((found) => Number(found[1]))),
  }));
  expect(sum(months.map((one) => one.money))).toBeCloseTo(all, 0);
  expect(months.find(({ month }) => month === 'November 2026')?.money).toBeCloseTo(
    figure(/Costs€ ([\d.]+)\./, on.month.text),
    // From a hundred on money is told in whole units.
    0,
  );

  // A reading is the same wherever it stands.
  const shown = on.today.rows.filter((row) => /^[A-Z]\w+ [^,]*, (steady|low|high|↘|↗)/.test(row));
  for (const row of shown) {
    const value = row.slice(0, row.indexOf(','));
    expect(on.water.rows.filter((one) => one.startsWith(`${value},`))).toHaveLength(1);
  }
}

const entry = (hoursAgo: number, body: EntryInput) => (store: AppStore) =>
  logged(store, [[hoursAgo, body]]);

/** Ten things that happen to a tank, one after the other. */
const ACTS: readonly (readonly [what: string, done: (store: AppStore) => Promise<void>])[] = [
  ['a feeding', entry(1, { kind: 'feed', food: 'pellets', amount: { by: 'grams', grams: 0.4 } })],
  ['top-off', entry(2, { kind: 'topOff', litres: 3 })],
  ['a note', entry(3, { kind: 'note', text: 'Glass wiped.' })],
  ['a cost', entry(4, { kind: 'cost', of: 'food', what: 'Flakes', amount: 7.25 })],
  [
    'three snails',
    entry(20, { kind: 'animals', move: 'in', group: 'invertebrate', what: 'Snails', count: 3 }),
  ],
  [
    'one of them dead',
    entry(5, { kind: 'animals', move: 'died', group: 'invertebrate', what: 'Snails', count: 1 }),
  ],
  ['a chore done', entry(0.2, { kind: 'waterChange', litres: 30, newWater: {} })],
  [
    'a wish',
    async (store) => {
      const tank = selectTank(store.getState());
      if (!tank) throw new Error('no tank');
      const wish = { tankId: tank.id, species: 'firefish', count: 1, order: 99 };
      await act(async () => {
        await store.dispatch(recordAct((writer) => writer.create('wish', wish)));
      });
    },
  ],
  ['light', entry(6, { kind: 'light', state: 'on', hoursADay: 8 })],
  [
    'the note taken back',
    async (store) => {
      const note = lastLogged(store, 'note');
      const revision = allRevisions(store.getState().log).find(({ id }) => id === note?.id);
      if (!revision) throw new Error('no note');
      await act(async () => {
        await store.dispatch(undoKeys([revisionKey(revision)]));
      });
    },
  ],
];

describe('figures that stand in several places', () => {
  it('agree in a tank that cycles', async () => {
    await agree(await demoStore('Kittiwake'));
  });

  it('agree in a tank that lives, now and after each of ten acts', async () => {
    const store = await demoStore('Fulmar');
    await agree(store);
    for (const [what, done] of ACTS) {
      const size = store.getState().log.size;
      await done(store);
      if (store.getState().log.size === size) throw new Error(`nothing came of ${what}`);
      await agree(store);
    }
  });
});
