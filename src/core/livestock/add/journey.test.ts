import { BARE_TANK, LogBuilder, onDay, testId } from '../../../testing/logBuilder';
import { createRecord } from '../../records/acts';
import { EMPTY_LOG, mergeRevisions } from '../../records/log';
import { journeyOf } from './journey';

/** A goby that came to quarantine on day 1 and to the display on day 30. */
function moved() {
  const log = new LogBuilder({ name: 'Display' });
  const spare = log.newId();
  log.revisions.push(
    createRecord(log.stamp(), spare, 'tank', { ...BARE_TANK, name: 'Spare', kind: 'quarantine' }),
  );
  const goby = { group: 'fish' as const, what: 'Goby', species: 'neon-goby', count: 1 };
  const entry = (tankId: string, day: number, body: object) => {
    const id = log.newId();
    const at = new Date(onDay(day)).toISOString();
    log.revisions.push(
      createRecord(log.stamp(), id, 'entry', {
        kind: 'animals',
        tankId,
        at,
        ...goby,
        ...body,
      } as never),
    );
    return id;
  };
  const first = entry(spare, 1, { move: 'in' });
  entry(spare, 30, { move: 'moved', cohort: first, otherTankId: log.tankId });
  const cohort = entry(log.tankId, 30, { move: 'in', otherTankId: spare });
  return {
    log: mergeRevisions(EMPTY_LOG, log.revisions),
    tankId: log.tankId,
    spare,
    first,
    cohort,
  };
}

describe('the way of a group', () => {
  it('leads from quarantine over to the display, where it is watched', () => {
    const { log, tankId, cohort } = moved();
    expect(journeyOf(log, tankId, cohort, onDay(32)).map(({ title }) => title)).toEqual([
      'Quarantine in Spare',
      'Over to Display',
      'Being watched',
    ]);
    const [quarantine, display] = journeyOf(log, tankId, cohort, onDay(60));
    expect(quarantine?.note).toMatch(/29 days$/);
    expect(display?.note).toMatch(/30 days so far$/);
    expect(journeyOf(log, tankId, cohort, onDay(60)).at(-1)?.title).toBe('Watched');
  });

  it('in quarantine ends there, and of nobody is empty', () => {
    const { log, tankId, spare, first } = moved();
    expect(journeyOf(log, spare, first, onDay(5))).toHaveLength(1);
    expect(journeyOf(log, tankId, spare, onDay(5))).toEqual([]);
  });

  it('tells the acclimation that it came in with', () => {
    const { log, tankId, cohort } = moved();
    const run = createRecord(new LogBuilder().stamp(), testId(700), 'run', {
      procedure: 'acclimate',
      tankId,
      begunAt: new Date(onDay(30) - 50 * 60_000).toISOString(),
      ended: { at: new Date(onDay(30)).toISOString(), how: 'done' },
      given: { method: 'drip' },
      steps: {},
      clocks: {},
    });
    const parts = journeyOf(mergeRevisions(log, [run]), tankId, cohort, onDay(32));
    expect(parts.map(({ label }) => label)).toEqual([
      'Quarantine',
      'Acclimated',
      'Display',
      'Watched',
    ]);
    expect(parts[1]?.note).toBe('Drip, 50 minutes');
    // Of another tank it tells nothing.
    const elsewhere = { ...run, body: { ...run.body, tankId: testId(701) } } as typeof run;
    expect(journeyOf(mergeRevisions(log, [elsewhere]), tankId, cohort, onDay(32))).toHaveLength(3);
  });

  it('in a batch that goes on tells when it goes over, and how far that may lie off', () => {
    const { log, tankId, spare, first } = moved();
    const batch = createRecord(new LogBuilder().stamp(), testId(710), 'batch', {
      tankId: spare,
      forTankId: tankId,
      protocol: 'observe',
      begunAt: new Date(onDay(1)).toISOString(),
      restartedAt: null,
      animals: [{ what: 'Goby', count: 1, cohort: first }],
      endedAt: null,
    });
    const parts = journeyOf(mergeRevisions(log, [batch]), spare, first, onDay(5));
    expect(parts.map(({ label }) => label)).toEqual(['Quarantine', 'Display', 'Watched']);
    const [, over, watched] = parts;
    expect(over?.range?.low).toBe(onDay(29, 0));
    expect(over?.range?.high).toBeGreaterThan(over?.range?.low ?? Infinity);
    expect((watched?.from ?? 0) - (over?.from ?? 0)).toBe(7 * 86_400_000);
  });
});
