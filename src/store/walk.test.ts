import { createAsyncStorage, type AsyncStorage } from '@react-native-async-storage/async-storage';
import fc from 'fast-check';
import { headsOfType, kitFrom } from '../core';
import { DraftStore } from '../storage/drafts';
import { OwnDevice } from '../storage/device';
import { LogStore } from '../storage/logStore';
import { testId } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import { openLog } from './open';
import { recordAct } from './record';
import type { Services } from './services';
import { createStore, type AppStore } from './store';
import { draws } from '../testing/draws';

let serial = 0;
let ids = 0;

/** A browser with one database that can be full, and the tabs that run in it. */
class Browser {
  full = false;
  private readonly name = `walk-${(serial += 1)}`;
  /** Acts that a tab said were saved. */
  readonly acknowledged: string[] = [];
  readonly tabs: Tab[] = [];

  /** The database as a process sees it: once it is killed, nothing that it asks for happens. */
  database(alive: () => boolean): AsyncStorage {
    const database = createAsyncStorage(this.name);
    const dead = () => new Promise<never>(() => undefined);
    return new Proxy(database, {
      get: (target, property: keyof AsyncStorage) => {
        const method = target[property] as (...args: unknown[]) => Promise<unknown>;
        return async (...args: unknown[]) => {
          if (!alive()) return dead();
          if (this.full && property === 'setMany') throw new Error('');
          const answer = await method.apply(target, args);
          return alive() ? answer : dead();
        };
      },
    });
  }
}

class Tab {
  private alive = true;
  private readonly saving: Promise<unknown>[] = [];
  readonly store: AppStore;
  readonly log: LogStore;

  constructor(private readonly browser: Browser) {
    const database = browser.database(() => this.alive);
    this.log = new LogStore(database, 'walk', {
      newId: () => testId((ids += 1)),
      exclusive: async (_name, work) => {
        await work();
        return true;
      },
    });
    const id = `tab-${browser.tabs.length}`;
    const services: Services = {
      ...testServices(Date.parse('2026-11-24T12:00:00Z')),
      device: new OwnDevice(null, () => id, 'Desk'),
      openDatabase: () => ({
        log: this.log,
        drafts: new DraftStore(database),
        storage: database,
      }),
    };
    this.store = createStore(services);
  }

  open = () => this.store.dispatch(openLog('own'));

  /** Begins a save and does not wait for it: what it says later is written down. */
  save(name: string): void {
    const act = recordAct((write) => write.create('kit', { ...kitFrom('phPen', 0), name }));
    this.saving.push(
      this.store.dispatch(act).then(({ saved }) => {
        if (saved) this.browser.acknowledged.push(name);
      }),
    );
  }

  settle = () => Promise.all(this.saving.splice(0));
  kill(): void {
    this.alive = false;
    this.saving.length = 0;
  }
}

type Step = 'save' | 'settle' | 'fold' | 'kill' | 'fill' | 'empty';
const step = fc.record({
  tab: fc.constantFrom(0, 1),
  what: fc.constantFrom<Step>('save', 'save', 'save', 'settle', 'fold', 'kill', 'fill', 'empty'),
});

async function namesIn(browser: Browser): Promise<string[]> {
  const tab = new Tab(browser);
  await tab.open();
  return headsOfType(tab.store.getState().log, 'kit').map((kit) => kit.body.name);
}

// Walking costs seconds, and zones have no part in it: one of the three runs is enough.
const WALKS = (process.env.TZ ?? 'UTC') === 'UTC' ? draws(100) : 5;

describe('a log walked over at random', () => {
  it(`loses nothing that was said to be saved, in ${WALKS} walks`, async () => {
    let names = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 9 }), async (steps) => {
        const browser = new Browser();
        browser.tabs.push(new Tab(browser), new Tab(browser));
        await Promise.all(browser.tabs.map((tab) => tab.open()));
        for (const { tab: place, what } of steps) {
          const tab = browser.tabs[place];
          if (!tab) continue;
          if (what === 'save') tab.save(`kit ${(names += 1)}`);
          else if (what === 'settle') await tab.settle();
          else if (what === 'fold') void tab.log.fold().catch(() => undefined);
          else if (what === 'fill') browser.full = true;
          else if (what === 'empty') browser.full = false;
          else {
            tab.kill();
            browser.tabs[place] = new Tab(browser);
            await browser.tabs[place]?.open();
          }
        }
        await Promise.all(browser.tabs.map((tab) => tab.settle()));
        const found = await namesIn(browser);
        expect(found).toEqual(expect.arrayContaining(browser.acknowledged));
        // What a living tab still shows is saved as soon as there is room.
        browser.full = false;
        for (const tab of browser.tabs) tab.save(`kit ${(names += 1)}`);
        await Promise.all(browser.tabs.map((tab) => tab.settle()));
        const shown = browser.tabs.flatMap((tab) => {
          expect(tab.store.getState().pending.queue).toEqual([]);
          return headsOfType(tab.store.getState().log, 'kit').map((kit) => kit.body.name);
        });
        expect(await namesIn(browser)).toEqual(expect.arrayContaining(shown));
      }),
      { numRuns: WALKS },
    );
  }, 120_000);
});
