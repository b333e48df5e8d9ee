import type { TankHistory } from '../history/tankHistory';
import type { Bands } from '../parameters/bands';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { formatPlain, listWords } from '../units/format';
import {
  ALKALINITY_STEP,
  alkalinityDue,
  raiseWords,
  type AlkalinityRaise,
} from './dosing/alkalinityRaise';
import type { NextTest } from './forecast/types';
import { conditionsToTest } from './verdict/criteria/conditions';

/** All that is asked of a keeper who goes by the next test alone. */
export interface NextTestSession {
  /** Every parameter that belongs to the test session: a proof needs the conditions that the rule for done asks for too. */
  parameters: ParameterId[];
  because: string;
  /** What else belongs to it, a sentence or two each. */
  also: string[];
  /** What is done besides; null where alkalinity is high enough for the filter bacteria. */
  raise: AlkalinityRaise | null;
}

/** The test session of the next test, asked for at a moment. */
export function nextTestSession(
  next: NextTest,
  history: TankHistory,
  bands: Bands,
  at: number,
): NextTestSession {
  const proof = next.purpose === 'confirm' || next.purpose === 'challenge';
  const raise = alkalinityDue(history, at);
  const conditions = proof ? conditionsToTest(history, bands, next.at) : [];
  // What was raised is looked at again.
  if (raise && !conditions.includes('alkalinity')) conditions.unshift('alkalinity');
  const also = raise ? [alsoRaise(raise)] : [];
  return {
    parameters: [...next.parameters, ...conditions],
    because: [next.because, ...also].join(' '),
    also,
    raise,
  };
}

/**
 * What is asked where no test of ammonia or nitrite is: the conditions that the verdict still wants, and
 * alkalinity to be raised. Null where nothing of it is open.
 */
export function conditionTestSession(
  history: TankHistory,
  bands: Bands,
  at: number,
): NextTestSession | null {
  const raise = alkalinityDue(history, at);
  const parameters: ParameterId[] = conditionsToTest(history, bands, at);
  if (raise && !parameters.includes('alkalinity')) parameters.unshift('alkalinity');
  if (parameters.length === 0) return null;
  const names = listWords(parameters.map((parameter) => PARAMETERS[parameter].inSentence));
  const because = `Ammonia and nitrite need no test now; ${names} ${parameters.length === 1 ? 'does' : 'do'}.`;
  return {
    parameters,
    because: raise ? `${because} ${alsoRaise(raise)}` : because,
    also: [],
    raise,
  };
}

/** What is asked with the next test, in sentences of its own. */
function alsoRaise(raise: AlkalinityRaise): string {
  const { now, goal } = raise;
  return `Also raise alkalinity, about ${formatPlain(now, 1)} dKH now, to ${formatPlain(goal, 1)}, by at most ${formatPlain(ALKALINITY_STEP, 1)} a day: filter bacteria short of it slow down. ${raiseWords(raise)}.`;
}
