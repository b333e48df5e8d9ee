import { SAFE } from '@/core/cycle/verdict/safe';
import { SITUATION_IDS, type SituationId } from '@/core/practice/situations/situations';
import { draws } from '../draws';
import { liveByToday } from './practiceLives';
import { lessonShows, TEMPTATIONS } from './temptations';

/** Roughly inferred: what a study of twenty seeds each shows is told in docs/science.md. */
const FEW = { seed: 1, particles: 40, otherParticles: 8, members: 40 };

/** Lives so long that each takes more than half of all others together, and that of which a browser test plays. */
const LONG: readonly SituationId[] = [
  'bottleInSun',
  'weakAmmonium',
  'spentKit',
  'nothingWrong',
  'dryRock',
];
/** The long ones are lived by the study of laws, as is every one of them twenty times by that of practice. */
const LIVED = SITUATION_IDS.filter((id) => draws(1) > 1 || !LONG.includes(id));

describe('a practice tank', () => {
  it.each(LIVED)('comes to ready, and carries its first fish, by what Today says: %s', (id) => {
    const { ready, truly, deaths, peak } = liveByToday(id, 1, FEW);
    expect(deaths).toBe(0);
    expect(ready).not.toBeNull();
    expect(peak).toBeLessThan(SAFE);
    // Ready was said of a tank that truly was.
    expect(truly).not.toBeNull();
    expect(truly ?? Infinity).toBeLessThanOrEqual(ready ?? 0);
  });

  // The water was 1.4 °C warmer than its dial and out of its band: while nobody turned it, nothing was ever ready.
  it('comes to ready where the heater is off, once its dial is turned as Cycle asks', () => {
    expect(liveByToday('chloramine', 16, FEW).ready).not.toBeNull();
  });

  it.each(Object.keys(TEMPTATIONS) as SituationId[])(
    'teaches whoever does as it tempts to: %s',
    (id) => {
      const shown = [1, 2, 3, 4, 5, 6].filter((seed) => lessonShows(id, seed));
      expect(shown.length).toBeGreaterThanOrEqual(4);
    },
  );
});
