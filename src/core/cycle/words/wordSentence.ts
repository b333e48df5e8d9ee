import type { TankHistory } from '../../history/tankHistory';
import { readingWords } from '../../history/reading';
import { countedReadings, latestReading, riseOf } from '../../history/tankHistory';
import { trendOf } from '../../history/trend';
import { PARAMETERS } from '../../parameters/registry';
import { isAmmoniaSource } from '../../records/kinds/dose';
import { agoWords, momentInSentence } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import { capitalise, listWords } from '../../units/format';
import { hasAnimals } from '../doseAdvice';
import { isStale } from '../verdict/criteria/zero';
import { chanceWords } from './chanceWords';
import { ownDoseWords } from '../dosing/amount';
import { challengeDose, FEED_EVERY_DAYS, riseWords } from '../doseSize';
import type { Sentence } from './sentence';
import { leftOfDose } from '../verdict/proof';
import type { Proof, Verdict } from '../verdict/types';

/** No fish before the test, whatever the chance is. */
const MEANWHILE =
  'No fish in the display until then; in a quarantine tank its 28 days may begin now.';

/** The one test that is left: what is dosed, when both are tested, and how likely both are gone then. */
function proofSentence(history: TankHistory, proof: Proof, at: number): Sentence {
  const { zone } = history.tank;
  const size = riseWords(history, proof.rise);
  const chance = `The chance that both are gone then is ${chanceWords(proof.chance)}.`;
  const title = 'One test to go.';
  if (proof.step === 'dose') {
    const own = ownDoseWords(history, proof.rise);
    return {
      title,
      detail: `Dose **${size}**${own === null ? '' : `, ${own}`}, pumps and heater on, and test ammonia and nitrite **about ${proof.hours} h later**. ${chance} ${MEANWHILE}`,
    };
  }
  const when = momentInSentence(proof.testAt ?? at, zone, at);
  const due = (proof.testAt ?? at) <= at;
  return {
    title,
    detail: `${size} was dosed. Test ammonia and nitrite **${due ? 'now' : when}**. Later than ${momentInSentence(proof.lateAt ?? at, zone, at)} a test still says what is left, but not that ${proof.hours} h were enough. ${chance} ${MEANWHILE}`,
  };
}

/** What keeps a tank ready until the first animal comes. */
export function keptReadyWords(history: TankHistory): string {
  const meal = riseWords(history, challengeDose(history) / 2);
  return `Until the fish come, feed the filter bacteria ammonia, ${meal}, every ${FEED_EVERY_DAYS} days, the last at least 48 h before the fish, and read ammonia at zero on that day. No ammonia once any animal is in.`;
}

/**
 * The verdict in its own word, where that is one test to go, or where the last dose was not gone in time;
 * null where another sentence says more.
 */
export function wordSentence(history: TankHistory, verdict: Verdict, at: number): Sentence | null {
  if (verdict.proof) return proofSentence(history, verdict.proof, at);
  if (verdict.word !== 'not yet') return null;
  const left = leftOfDose(history, at);
  return left === null
    ? null
    : { title: 'Not yet.', detail: `${left} No dose now: test both tomorrow.` };
}

/** A dose may be in the water for so long, days. */
const DOSE_DAYS = 3;

/** An animal in a dose of ammonia that no test has seen gone: nothing is as usual then; null for none. */
function doseAnimalIsIn(history: TankHistory, at: number): Sentence | null {
  const dose = history.entries.dose.findLast(({ entry }) => isAmmoniaSource(entry.substance));
  if (!dose || at - dose.at > DOSE_DAYS * DAY_MS) return null;
  const tested = latestReading(history, 'ammonia');
  if (tested && tested.at > dose.at) return null;
  const rise = riseOf(dose, history);
  const size = rise === null ? 'Ammonia' : riseWords(history, rise);
  return {
    title: 'An animal is in a dose of ammonia.',
    detail: `${size} went in ${agoWords(dose.at, history.tank.zone, at)}, and no test has shown it gone. Test ammonia now. Where it reads above zero, move the animal to clean salt water of the same temperature and salinity, or change a third of its water; at any gasping go to Emergency. No more ammonia goes in.`,
  };
}

/** Ammonia or nitrite with an animal in is no stage of a cycle to wait for; null where there is none. */
export function watchSentence(history: TankHistory, at: number): Sentence | null {
  if (!hasAnimals(history)) return null;
  const dosed = doseAnimalIsIn(history, at);
  if (dosed) return dosed;
  const shown = (['ammonia', 'nitrite'] as const).flatMap((parameter) => {
    const reading = latestReading(history, parameter);
    return reading && reading.zero === false && !isStale(reading, at)
      ? [{ parameter, reading }]
      : [];
  });
  const [first] = shown;
  if (!first) return null;
  const reads = shown.map(({ parameter, reading }) => {
    const trend = trendOf(countedReadings(history, parameter));
    const moving = trend && trend.direction !== 'steady' ? ` and is ${trend.direction}` : '';
    return `${PARAMETERS[parameter].inSentence} reads ${readingWords(reading)}${moving}`;
  });
  return {
    title: `${PARAMETERS[first.parameter].name} with an animal in.`,
    detail: `${capitalise(listWords(reads))}. Feed nothing and change water today; both are tested every day. No ammonia goes in.`,
  };
}
