import { createRecord, reviseRecord } from '../records/acts';
import { EMPTY_LOG, headOf, mergeRevisions, recordOf } from '../records/log';
import { runSchema, type Run } from '../records/schema/run';
import { testId } from '../../testing/logBuilder';
import { PROCEDURES } from './procedures';
import { ended, withClock, withStep } from './procedures/changes';
import { standingOfRun } from './standing';

const AT = Date.parse('2026-03-02T12:00:00Z');
const iso = (minutes: number) => new Date(AT + minutes * 60_000).toISOString();
const begun = (procedure: string): Run => ({
  procedure,
  tankId: testId(1),
  begunAt: iso(0),
  ended: null,
  given: {},
  steps: {},
  clocks: {},
});

describe('a run', () => {
  it('stands at its first open step, and leaves a wait when its clocks are over', () => {
    const run = withClock(withStep(begun('challenge'), 'dose', iso(0)), 'test', iso(60));
    expect(standingOfRun(run, AT)?.step?.id).toBe('wait');
    expect(standingOfRun(run, AT)?.clocks[0]?.left).toBe(60 * 60_000);
    const later = standingOfRun(run, AT + 61 * 60_000);
    expect(later?.step?.id).toBe('test');
    expect([later?.place, later?.count]).toEqual([3, 3]);
    const tested = withStep(run, 'test', iso(62));
    expect(standingOfRun(tested, AT + 63 * 60_000)?.step).toBeNull();
  });

  it('names its clocks, the soonest first', () => {
    let run = withClock(begun('testWait'), testId(2), iso(5), 'Ammonia');
    run = withClock(run, testId(3), iso(3), 'Nitrite');
    const clocks = standingOfRun(run, AT)?.clocks ?? [];
    expect(clocks.map((clock) => clock.name)).toEqual(['Nitrite', 'Ammonia']);
    expect(PROCEDURES.testWait.rings(run, testId(2))).toBe('Ammonia: read it now');
  });

  it('of a procedure that is not known here is left alone', () => {
    expect(standingOfRun(begun('someLaterThing'), AT)).toBeNull();
    expect(runSchema.safeParse(begun('someLaterThing')).success).toBe(true);
  });

  it('is over when it says so, with what it was', () => {
    const run = ended(begun('drops'), iso(2), 'stopped');
    expect(runSchema.parse(run).ended).toEqual({ at: iso(2), how: 'stopped' });
  });

  it('takes clocks that two tabs started at once', () => {
    const stamp = (n: number) => ({ actId: testId(100 + n), device: `d${n}`, recordedAt: iso(n) });
    const first = createRecord(stamp(0), testId(9), 'run', begun('testWait'));
    const one = reviseRecord(stamp(1), first, withClock(first.body, testId(2), iso(5), 'Ammonia'));
    const two = reviseRecord(stamp(2), first, withClock(first.body, testId(3), iso(3), 'Nitrite'));
    const log = mergeRevisions(EMPTY_LOG, [two, first, one]);
    const head = headOf(log, testId(9));
    expect(head?.type === 'run' && Object.keys(head.body.clocks).sort()).toEqual([
      testId(2),
      testId(3),
    ]);
    expect(recordOf(log, testId(9))?.conflicts).toEqual([]);
  });
});
