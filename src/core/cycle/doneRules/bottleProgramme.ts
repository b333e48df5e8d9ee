import { shortDay } from '../../time/words';
import { addDaysIn, daysBetween } from '../../time/zone';
import { cannotTell, met, notYet, type CriterionRule } from '../verdict/types';
import type { DoneRule } from './doneRule';

/** The bottle's programme has run its length since the first bottled bacteria. */
export const programmeDone: CriterionRule = ({ history, at, zone, choice }) => {
  const days = choice.rule === 'bottleProgramme' ? choice.programmeDays : 0;
  const first = history.entries.dose.find((dose) => dose.entry.substance === 'bacteria');
  if (!first) {
    return cannotTell(
      'No bottled bacteria are logged, so the programme has no first day.',
      'Log the bottle on the day it went in.',
    );
  }
  const passed = daysBetween(first.at, at, zone);
  if (passed >= days) {
    return met(`${days} days since the bottle of ${shortDay(first.at, zone)}.`, [first.id]);
  }
  const ends = shortDay(addDaysIn(first.at, days, zone), zone);
  return notYet(`Day ${passed} of ${days}; the programme ends on ${ends}.`, `Wait until ${ends}.`, [
    first.id,
  ]);
};

export const bottleProgramme: DoneRule<'bottleProgramme'> = {
  id: 'bottleProgramme',
  name: 'Bottle programme',
  asks: 'The days that the bottle names have passed, tests confirm it, and one dose is gone in a day.',
  trades: 'Plannable. A dead bottle runs its days like a living one, so the tests still decide.',
  criteria: ['programmeDone', 'doseCleared'],
  supports: ['nitrateSeen'],
  words: ({ programmeDays }) => `bottle programme, ${programmeDays} days`,
  readyDay: (clear, _choice, { facts, dayOf, proven }) => {
    const ends = facts.programmeEndsAt === null ? Infinity : dayOf(facts.programmeEndsAt);
    const over = Math.max(clear, ends);
    return Math.max(over, proven(over));
  },
  provesByDose: ({ programmeEndsAt }, at) => programmeEndsAt !== null && programmeEndsAt <= at,
  shownAgainAt: (_choice, { programmeEndsAt }) => programmeEndsAt,
};
