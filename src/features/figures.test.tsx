import { cleanup } from '@testing-library/react';
import fc from 'fast-check';
import type { ReactElement } from 'react';
import { revisionSchema, type Revision } from '@/core/records/schema/revision';
import { logMerged } from '@/store/logReducer';
import { selectTanks } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { demoStore, show } from '../testing/appHarness';
import { allRevisions } from '../core';
import { animalOf } from '../core/livestock/catalogue';
import { testId } from '../testing/logBuilder';
import { CalculatorsScreen } from './calculators/CalculatorsScreen';
import { CycleScreen } from './cycle/CycleScreen';
import { InstrumentsScreen } from './instruments/InstrumentsScreen';
import { AwayScreen } from './maintenance/AwayScreen';
import { CostsScreen } from './maintenance/CostsScreen';
import { MonthScreen } from './maintenance/MonthScreen';
import { ChoresScreen } from './maintenance/ChoresScreen';
import { AnimalScreen } from './stock/AnimalScreen';
import { LossesScreen } from './stock/LossesScreen';
import { StockScreen } from './stock/StockScreen';
import { WishesScreen } from './stock/WishesScreen';
import { TankScreen } from './tank/TankScreen';
import { TanksScreen } from './tank/TanksScreen';
import { TodayScreen } from './today/TodayScreen';
import { WaterScreen } from './water/WaterScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({
    push: jest.fn(),
    replace: jest.fn(),
    back: jest.fn(),
    canGoBack: () => true,
  }),
  usePathname: () => '/',
}));
jest.setTimeout(180_000);

const OWN = 'own-extreme';
const SCREENS: readonly [string, () => ReactElement][] = [
  ['Today', () => <TodayScreen />],
  ['Water', () => <WaterScreen />],
  ['Cycle', () => <CycleScreen />],
  ['Stock', () => <StockScreen />],
  ['Wishes', () => <WishesScreen given={{}} />],
  ['Losses', () => <LossesScreen />],
  ['an animal', () => <AnimalScreen id={OWN} />],
  ['Rhythm', () => <ChoresScreen />],
  ['Away', () => <AwayScreen />],
  ['Costs', () => <CostsScreen />],
  ['Month', () => <MonthScreen month="2026-11" />],
  ['Tanks', () => <TanksScreen />],
  ['a tank', () => <TankScreen id="this" />],
  ['Instruments', () => <InstrumentsScreen />],
  ['Bench', () => <CalculatorsScreen />],
];

/** Numbers at the ends of what any schema takes. */
const ENDS = [0, 1e-6, 0.05, 0.5, 1, 40, 100, 500, 3000, 100_000, 1e6, -1e6, -2];

type Leaf = [holder: Record<string, unknown>, key: string];

function numbersIn(value: unknown, found: Leaf[] = []): Leaf[] {
  if (typeof value !== 'object' || value === null) return found;
  const holder = value as Record<string, unknown>;
  for (const key of Object.keys(holder)) {
    if (typeof holder[key] === 'number') found.push([holder, key]);
    else numbersIn(holder[key], found);
  }
  return found;
}

/** A revision with one of its figures at an end, if the schema takes it so. */
function blown(revision: Revision, which: number, end: number): Revision | null {
  const copy = structuredClone(revision) as unknown as { body: object };
  const leaves = numbersIn(copy.body);
  const leaf = leaves[which % Math.max(1, leaves.length)];
  if (!leaf) return null;
  leaf[0][leaf[1]] = end;
  const parsed = revisionSchema.safeParse(copy);
  return parsed.success ? parsed.data : null;
}

describe('whatever figures the schema takes', () => {
  it('no screen shows one that is none', async () => {
    const blow = fc.record({
      at: fc.nat(100_000),
      which: fc.nat(20),
      end: fc.constantFrom(...ENDS),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(blow, { minLength: 20, maxLength: 60 }),
        fc.constantFrom('Kittiwake', 'Fulmar'),
        fc.constantFrom(0.5, 1, 500),
        async (blows, name, cm) => {
          const store = await demoStore(name);
          const all = allRevisions(store.getState().log);
          const like = animalOf('firefish');
          const own = {
            id: testId(77),
            type: 'species',
            rev: 1,
            parentRev: null,
            device: 'test',
            actId: testId(78),
            recordedAt: '2026-11-01T10:00:00.000Z',
            body: { ...like, id: OWN, adultCm: cm, boughtCm: cm, unsure: true },
          };
          const blownUp = blows.flatMap(({ at, which, end }) => {
            const revision = all[at % all.length];
            const next = revision && blown(revision, which, end);
            if (!next) return [];
            return [{ ...next, rev: next.rev + 1, parentRev: next.rev, actId: testId(500 + at) }];
          });
          store.dispatch(logMerged([...blownUp, own] as Revision[]));
          const tank = selectTanks(store.getState()).find(({ body }) => body.name === name);
          if (tank) store.dispatch(tankChosen(tank.id));
          for (const [screen, made] of SCREENS) {
            await show(store, made());
            const text = document.body.textContent ?? '';
            const wrong = /\bNaN\b|Infinity|\bundefined\b/.exec(text);
            expect(wrong ? `${screen}: ${around(text, wrong.index)}` : '').toBe('');
            cleanup();
          }
        },
      ),
      { numRuns: 4 },
    );
  });
});

const around = (text: string, at: number) => text.slice(Math.max(0, at - 60), at + 40);
