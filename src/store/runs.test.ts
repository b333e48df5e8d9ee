import { testServices } from '../testing/services';
import { BARE_TANK } from '../testing/logBuilder';
import { recordOf } from '../core';
import { openLog } from './open';
import { recordAct, undoKeys } from './record';
import { beginRun, changeRun, noteStep, selectLiveRuns } from './runs';
import { createStore, type AppStore } from './store';
import { markTask } from './tasks';
import { ticked } from './clockSlice';
import { selectHistoryOf } from './world';

const NOW = Date.parse('2026-11-24T12:00:00Z');
let databases = 0;

/** Two tabs on one database, with a tank. */
async function twoTabs() {
  databases += 1;
  const database = `runs-${databases}`;
  const tab = async () => {
    const store = createStore(testServices(NOW, { database }));
    store.dispatch(ticked(NOW));
    await store.dispatch(openLog('own'));
    return store;
  };
  const first = await tab();
  let tankId = '';
  await first.dispatch(
    recordAct((act) => {
      tankId = act.create('tank', BARE_TANK);
    }),
  );
  return { first, second: await tab(), tankId, tab };
}

const goingOn = (store: AppStore) => selectLiveRuns(store.getState());

describe('a run', () => {
  it('that two tabs begin at once is one, found by both', async () => {
    const { first, second, tankId, tab } = await twoTabs();
    await Promise.all([
      first.dispatch(beginRun('mix', tankId, { litres: 20 })),
      second.dispatch(beginRun('mix', tankId, { litres: 20 })),
    ]);
    const reloaded = await tab();
    expect(goingOn(reloaded)).toHaveLength(1);
    expect(goingOn(reloaded)[0]?.id).toBe(goingOn(second)[0]?.id);
  });

  it('is begun anew after it ended, and after its beginning was undone', async () => {
    const { first, tankId } = await twoTabs();
    const ids = new Set<string>();
    for (let n = 0; n < 2; n += 1) {
      await first.dispatch(beginRun('mix', tankId, {}));
      const [run] = goingOn(first);
      if (!run) throw new Error('none goes on');
      ids.add(run.id);
      await first.dispatch(
        changeRun(run, (body, at) => ({ ...body, ended: { at, how: 'stopped' } })),
      );
    }
    await first.dispatch(beginRun('mix', tankId, {}));
    const [run] = goingOn(first);
    if (!run) throw new Error('none goes on');
    ids.add(run.id);
    await first.dispatch(undoKeys([`${run.id}/1/${run.device}/${run.actId}`]));
    await first.dispatch(beginRun('mix', tankId, {}));
    ids.add(goingOn(first)[0]?.id ?? '');
    expect(ids.size).toBe(4);
    expect(goingOn(first)).toHaveLength(1);
  });

  it('notes a step once, however often it is tapped as it was seen', async () => {
    const { first, tankId } = await twoTabs();
    await first.dispatch(beginRun('leak', tankId, {}));
    const [seen] = goingOn(first);
    if (!seen) throw new Error('none goes on');
    await Promise.all([
      first.dispatch(noteStep(seen, 'fuse')),
      first.dispatch(noteStep(seen, 'fuse')),
    ]);
    expect(recordOf(first.getState().log, seen.id)?.revisions).toHaveLength(2);
    // Seen anew it is another act: done once more.
    const [again] = goingOn(first);
    if (again) await first.dispatch(noteStep(again, 'fuse'));
    expect(goingOn(first)[0]?.body.steps.fuse).toBeDefined();
  });

  it('counts every change, also from a sight of it that is a tap old', async () => {
    const { first, tankId } = await twoTabs();
    await first.dispatch(beginRun('mix', tankId, { clean: 0 }));
    const [seen] = goingOn(first);
    if (!seen) throw new Error('none goes on');
    const more = () =>
      first.dispatch(
        changeRun(seen, (body) => ({
          ...body,
          given: { ...body.given, clean: Number(body.given.clean) + 1 },
        })),
      );
    await Promise.all(Array.from({ length: 10 }, more));
    expect(goingOn(first)[0]?.body.given.clean).toBe(10);
  });
});

describe('the mark of a task', () => {
  it('is made once by two taps, and again once it was undone', async () => {
    const { first, tankId } = await twoTabs();
    const task = { key: 'chore/x/2026-11-24', title: 'Daily round' };
    const tank = { id: tankId, zone: 'UTC' };
    const done = () => first.dispatch(markTask(task, tank, { how: 'done' }, 'Done'));
    const marks = () => selectHistoryOf(first.getState(), tankId)?.entries.taskMark ?? [];
    await Promise.all([done(), done()]);
    expect(marks()).toHaveLength(1);
    await first.dispatch(undoKeys(first.getState().session.notice?.undo ?? []));
    expect(marks()).toHaveLength(0);
    await done();
    expect(marks()).toHaveLength(1);
  });
});
