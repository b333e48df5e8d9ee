import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { EMPTY_LOG, entriesOfTank, mergeRevisions } from '../records/log';
import { writeLook, type Looked } from './look';
import { writtenBy } from './writer';

describe('a look', () => {
  const builder = new LogBuilder({ kind: 'quarantine' });
  const lot = builder.entry(onDay(10), {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Goby',
    count: 1,
  });
  let acts = 0;
  const looked = (log: typeof EMPTY_LOG, seen: Pick<Looked, 'state' | 'signs'>, at: number) => {
    const history = tankHistory(log, builder.tankId, at);
    acts += 1;
    const stamp = { actId: testId(700 + acts), device: 'test', recordedAt: '2026-03-20T00:00:00Z' };
    const write = { lot, what: 'Goby', at, ...seen };
    return mergeRevisions(
      log,
      writtenBy((act) => writeLook(act, history, write), log, at, stamp),
    );
  };
  const looks = (log: typeof EMPTY_LOG) =>
    entriesOfTank(log, builder.tankId).flatMap(({ body }) => (body.kind === 'look' ? [body] : []));

  it('of the same day corrects the first, of another day is one more', () => {
    const log = mergeRevisions(EMPTY_LOG, builder.revisions);
    const well = looked(log, { state: 'well', signs: [] }, onDay(12, 8));
    const sign = looked(well, { state: 'sign', signs: ['dust'] }, onDay(12, 20));
    expect(looks(sign)).toHaveLength(1);
    expect(looks(sign)[0]).toMatchObject({ state: 'sign', signs: ['dust'] });
    const next = looked(sign, { state: 'well', signs: [] }, onDay(13, 8));
    expect(looks(next).map(({ state }) => state)).toEqual(['sign', 'well']);
  });
});
