import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { EMPTY_LOG, entriesOfTank, mergeRevisions } from '../records/log';
import { writeDailyCheck, type Checked } from './dailyCheck';
import { writtenBy } from './writer';

describe('a look', () => {
  const builder = new LogBuilder({ kind: 'quarantine' });
  const cohort = builder.entry(onDay(10), {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Goby',
    count: 1,
  });
  let acts = 0;
  const checked = (log: typeof EMPTY_LOG, seen: Pick<Checked, 'state' | 'signs'>, at: number) => {
    const history = tankHistory(log, builder.tankId, at);
    acts += 1;
    const stamp = { actId: testId(700 + acts), device: 'test', recordedAt: '2026-03-20T00:00:00Z' };
    const write = { cohort, what: 'Goby', at, ...seen };
    return mergeRevisions(
      log,
      writtenBy((act) => writeDailyCheck(act, history, write), log, at, stamp),
    );
  };
  const dailyChecks = (log: typeof EMPTY_LOG) =>
    entriesOfTank(log, builder.tankId).flatMap(({ body }) =>
      body.kind === 'dailyCheck' ? [body] : [],
    );

  it('of the same day corrects the first, of another day is one more', () => {
    const log = mergeRevisions(EMPTY_LOG, builder.revisions);
    const well = checked(log, { state: 'well', signs: [] }, onDay(12, 8));
    const sign = checked(well, { state: 'sign', signs: ['dust'] }, onDay(12, 20));
    expect(dailyChecks(sign)).toHaveLength(1);
    expect(dailyChecks(sign)[0]).toMatchObject({ state: 'sign', signs: ['dust'] });
    const next = checked(sign, { state: 'well', signs: [] }, onDay(13, 8));
    expect(dailyChecks(next).map(({ state }) => state)).toEqual(['sign', 'well']);
  });
});
