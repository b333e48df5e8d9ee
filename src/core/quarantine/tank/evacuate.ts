import { USUAL_WATER } from '../../seawater/usual';
import type { TankHistory } from '../../history/tankHistory';
import type { Finding } from '../../livestock/compatibility/types';
import {
  lengthNow,
  cohortNitrogen,
  residentsOf,
  type Finder,
} from '../../livestock/roster/lodgers';
import { keptApartAmong, quarantineLitresOf } from '../../livestock/sharing';
import { isHere, rosterOf, type Cohort } from '../../livestock/roster/roster';
import { holdAmmonia, type HoldPlan } from '../clock/hold';

/** Who must leave a tank, and whether quarantine holds them. */
export interface Evacuation {
  fish: Cohort[];
  /** Their lengths together, cm. */
  cm: number;
  /** Litres that they want in quarantine, and those there are. */
  litres: { wanted: number; there: number };
  /** How their ammonia would be held in that water; null without any. */
  ammonia: HoldPlan | null;
  /** Who does not bear whom where there is no rock between them. */
  rivals: Finding[];
}

/**
 * Every fish of a tank against the quarantine there is: by length, by what they make, by who fights.
 * @param litres net water of all quarantine tanks
 */
export function evacuationOf(
  history: TankHistory,
  litres: number,
  at: number,
  find: Finder,
): Evacuation {
  const fish = rosterOf(history).filter((cohort) => cohort.group === 'fish' && isHere(cohort));
  const cm = fish.reduce(
    (sum, cohort) => sum + lengthNow(cohort, at, find) * (cohort.here ?? 1),
    0,
  );
  const nitrogen = fish.reduce((sum, cohort) => sum + cohortNitrogen(cohort, at, find), 0);
  const lodgers = residentsOf(fish, at, find).map(({ together: _known, ...lodger }) => lodger);
  return {
    fish,
    cm,
    litres: { wanted: quarantineLitresOf(lodgers), there: litres },
    ammonia: litres > 0 && nitrogen > 0 ? holdAmmonia({ nitrogen, litres, ...USUAL_WATER }) : null,
    // Rock stood between those that came through together in a display; in a bare tank nothing does.
    rivals: keptApartAmong(lodgers),
  };
}
