import { bandsOf, milestonesOf, tankHistory, verdictOf } from '../..';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { ASSURED } from '../../../testing/assured';

const bands = bandsOf('mixedReef', {});

function algae(log: LogBuilder, at: number) {
  return verdictOf(tankHistory(log.log(), log.tankId, at), at, bands, ASSURED).criteria.find(
    (c) => c.id === 'algaeSuccession',
  );
}

describe('the algae succession', () => {
  it('is read from sightings in their order: diatoms, green, level', () => {
    const log = new LogBuilder({ doneRule: { rule: 'algaeSuccession' } });
    expect(algae(log, onDay(10))?.state).toBe('cannot tell');
    log.entry(onDay(11), { kind: 'light', state: 'on' });
    expect(algae(log, onDay(12))?.state).toBe('not yet');
    // Green before any diatoms is no succession yet.
    log.entry(onDay(13), { kind: 'sighting', growth: 'film', extent: 'trace' });
    log.entry(onDay(16), { kind: 'sighting', growth: 'diatoms', extent: 'patches' });
    expect(algae(log, onDay(17))?.because).toMatch(/diatoms on/);
    log.entry(onDay(30), { kind: 'sighting', growth: 'film', extent: 'patches' });
    expect(algae(log, onDay(31))?.settle).toMatch(/a week later/);
    log.entry(onDay(33), { kind: 'sighting', growth: 'film', extent: 'patches' });
    expect(algae(log, onDay(34))?.state).toBe('not yet');
    log.entry(onDay(38), { kind: 'sighting', growth: 'film', extent: 'covering' });
    expect(algae(log, onDay(39))?.state).toBe('not yet');
    log.entry(onDay(46), { kind: 'sighting', growth: 'film', extent: 'trace' });
    expect(algae(log, onDay(47))?.state).toBe('met');
    log.entry(onDay(46), { kind: 'sighting', growth: 'brownSnot', extent: 'none' });
    log.entry(onDay(47, 8), { kind: 'sighting', growth: 'sheet', extent: 'patches' });
    const marks = milestonesOf(tankHistory(log.log(), log.tankId, onDay(47)), onDay(47));
    expect(marks.map((m) => m.id)).toEqual(
      expect.arrayContaining(['light', 'film', 'diatoms', 'sheet', 'level']),
    );
    // What was looked for and not seen is no mark.
    expect(marks.map((m) => m.id)).not.toContain('brownSnot');
  });
});
