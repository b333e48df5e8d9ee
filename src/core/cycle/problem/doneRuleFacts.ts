import { isAmmoniaSource } from '../../records/kinds/dose';
import type { TankHistory } from '../../history/tankHistory';
import { addDaysIn, HOUR_MS } from '../../time/zone';
import { hasAnimals } from '../doseAdvice';
import { boundUntil } from '../verdict/evidence';
import { lastPutIn, starvedFrom } from '../verdict/criteria/fed';
import { challengeDose, proofDose, proofDoseWords, usualDoseWords } from '../doseSize';
import { nitrateDueAt } from '../doneRules/nitrateLevel';
import { stagesSeen, successionOf } from '../succession';
import { nitriteSeen } from '../verdict/criteria/chain';
import { doseCleared, passedDose, testHoursOf, windowHoursOf } from '../verdict/criteria/challenge';
import { doseUnderWay, leftOfDose } from '../verdict/proof';
import { stillShown } from '../verdict/harm';
import { noDoseBecause } from '../verdict/outstanding';
import { zeroSpanOf, type ZeroSpan } from '../verdict/criteria/zero';
import type { DoneRuleFacts } from './types';

/** The run of tests that show both at zero; a dose that was not tested after takes it back. */
function shownBoth(history: TankHistory): ZeroSpan | null {
  const zeroSpan = zeroSpanOf(history, history.tank.zone);
  const dose = history.entries.dose.filter((d) => isAmmoniaSource(d.entry.substance)).at(-1);
  return zeroSpan && (!dose || zeroSpan.until > dose.at) ? zeroSpan : null;
}

/** What a tank's log shows of its rule for done, as the forecast needs it. */
export function doneRuleFacts(history: TankHistory, at: number): DoneRuleFacts {
  const { tank } = history;
  const { history: shown, confirmed } = stillShown(history);
  const both = shownBoth(confirmed);
  const inquiry = { history: shown, at, zone: tank.zone, choice: tank.doneRule };
  const bottle = shown.entries.dose.find((dose) => dose.entry.substance === 'bacteria');
  const lit = history.entries.light.find((light) => light.entry.state === 'on')?.at ?? null;
  const again = { ...inquiry, history: confirmed };
  const passed = doseCleared(again).state === 'met' ? passedDose(again) : null;
  const hours = testHoursOf(tank.doneRule);
  const dosed = doseUnderWay(history, at);
  return {
    shownSince: both?.since ?? null,
    shownUntil: both?.until ?? null,
    nitriteShown: nitriteSeen(inquiry).state === 'met',
    provedAt: passed ? passed.dose.at : null,
    fedAt: hasAnimals(history) ? at : lastPutIn(history),
    starvesAt: starvedFrom(history),
    boundUntil: boundUntil(history, at),
    noDose: noDoseBecause(history, at),
    challengeDose: challengeDose(history),
    usualDose: usualDoseWords(history),
    proof: {
      rise: proofDose(history),
      words: proofDoseWords(history),
      hours,
      within: windowHoursOf(tank.doneRule),
    },
    testAt: dosed ? dosed.at + hours * HOUR_MS : null,
    failed: leftOfDose(history, at) !== null,
    programmeEndsAt:
      bottle && tank.doneRule.rule === 'bottleProgramme'
        ? addDaysIn(bottle.at, tank.doneRule.programmeDays, tank.zone)
        : null,
    nitrateDueAt: tank.doneRule.rule === 'nitrateLevel' ? nitrateDueAt(inquiry) : null,
    litSince: lit,
    succession: stagesSeen(successionOf(shown)),
  };
}
