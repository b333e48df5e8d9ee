import { isAmmoniaSource } from '../../records/kinds/dose';
import type { TankHistory } from '../../history/tankHistory';
import { addDaysIn } from '../../time/zone';
import { challengeDose } from '../doseSize';
import { stagesSeen, successionOf } from '../succession';
import { nitriteSeen } from '../verdict/chain';
import { challengePassed, passedChallenge } from '../verdict/challenge';
import { stillShown } from '../verdict/harm';
import { noDoseBecause } from '../verdict/outstanding';
import { holdOf, type Hold } from '../verdict/zero';
import type { SchoolFacts } from './types';

/** The run of tests that show both at zero; a dose that was not tested after takes it back. */
function shownBoth(history: TankHistory): Hold | null {
  const hold = holdOf(history, history.tank.zone);
  const dose = history.entries.dose.filter((d) => isAmmoniaSource(d.entry.substance)).at(-1);
  return hold && (!dose || hold.until > dose.at) ? hold : null;
}

/** What a tank's log shows of its school, as the forecast needs it. */
export function schoolFacts(history: TankHistory, at: number): SchoolFacts {
  const { tank } = history;
  const { history: shown, confirmed } = stillShown(history);
  const both = shownBoth(confirmed);
  const inquiry = { history: shown, at, zone: tank.zone, choice: tank.school };
  const bottle = shown.entries.dose.find((dose) => dose.entry.substance === 'bacteria');
  const lit = history.entries.light.find((light) => light.entry.state === 'on')?.at ?? null;
  const again = { ...inquiry, history: confirmed };
  const passed = challengePassed(again).state === 'met' ? passedChallenge(again) : null;
  return {
    shownSince: both?.since ?? null,
    shownUntil: both?.until ?? null,
    nitriteShown: nitriteSeen(inquiry).state === 'met',
    challengePassedAt: passed ? passed.dose.at : null,
    noDose: noDoseBecause(history, at),
    challengeDose: challengeDose(history),
    programmeEndsAt:
      bottle && tank.school.school === 'bottleProgramme'
        ? addDaysIn(bottle.at, tank.school.programmeDays, tank.zone)
        : null,
    litSince: lit,
    succession: stagesSeen(successionOf(shown)),
  };
}
