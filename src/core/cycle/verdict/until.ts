import { isAmmoniaSource } from '../../records/kinds/dose';
import { firstFrom, latestReading, type TankHistory } from '../../history/tankHistory';
import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import { addDaysIn, DAY_MS, HOUR_MS, startOfDayIn } from '../../time/zone';
import { SLACK_HOURS, UNFED_DAYS, testHoursOf, windowHoursOf } from './criteria/challenge';
import { boundUntil } from './evidence';
import { starvedFrom } from './criteria/fed';
import { inputsOf } from './inputs';
import { saidByProbe } from './probe';
import { FAILED_FOR_DAYS } from './proof';
import { LEVEL_WINDOW_DAYS } from '../doneRules/nitrateLevel';

/** Parameters whose last reading speaks for now until it is stale. */
const AGEING: readonly ParameterId[] = [
  'ammonia',
  'freeAmmonia',
  'nitrite',
  'alkalinity',
  'salinity',
  'temperature',
];
/** Days over which a dose can still change what is said of it by the hour. */
const DOSE_DAYS = 60;

/**
 * Until when a verdict holds if nothing is logged: the next moment at which a reading turns stale, a
 * window closes, or a day of the tank begins. Before it no criterion changes, in state or in words.
 * @returns ms, after `at`
 */
export function verdictHoldsUntil(history: TankHistory, at: number): number {
  const { zone, doneRule } = history.tank;
  let until = addDaysIn(startOfDayIn(at, zone), 1, zone);
  const consider = (moment: number) => {
    if (moment > at && moment < until) until = moment;
  };
  for (const parameter of AGEING) {
    const latest = latestReading(history, parameter);
    if (latest) consider(latest.at + PARAMETERS[parameter].guardDays * DAY_MS + 1);
  }
  // What a probe last said of ammonia may be older than the last that it showed, which may have said neither.
  const probed = saidByProbe(history);
  if (probed) consider(probed.at + PARAMETERS.ammonia.guardDays * DAY_MS + 1);
  const { dose } = history.entries;
  const hours = testHoursOf(doneRule);
  for (let i = firstFrom(dose, at - DOSE_DAYS * DAY_MS); i < dose.length; i += 1) {
    const given = dose[i];
    if (!given || !isAmmoniaSource(given.entry.substance)) continue;
    consider(given.at + hours * HOUR_MS);
    consider(given.at + (windowHoursOf(doneRule) + SLACK_HOURS) * HOUR_MS + 1);
    consider(given.at + (hours + SLACK_HOURS) * HOUR_MS + 1);
    consider(given.at + hours * HOUR_MS + FAILED_FOR_DAYS * DAY_MS + 1);
  }
  const held = boundUntil(history, at);
  if (held !== null) consider(held);
  const starved = starvedFrom(history);
  if (starved !== null) consider(starved + 1);
  for (const input of inputsOf(history)) consider(input.at + UNFED_DAYS * DAY_MS + 1);
  const { nitrate } = history.readings;
  const span = LEVEL_WINDOW_DAYS * DAY_MS;
  for (let i = firstFrom(nitrate, at - span); i < nitrate.length; i += 1) {
    consider((nitrate[i]?.at ?? 0) + span + 1);
  }
  return until;
}
