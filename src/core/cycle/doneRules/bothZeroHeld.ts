import { addDaysIn } from '../../time/zone';
import { zeroSpanOf } from '../verdict/criteria/zero';
import type { DoneRule } from './doneRule';

export const bothZeroHeld: DoneRule<'bothZeroHeld'> = {
  id: 'bothZeroHeld',
  name: 'Both zero for some days',
  asks: 'Ammonia and nitrite were seen, then both read zero and stay there for a week or two.',
  trades:
    'A week longer than the shortest way. Catches a kit misread and filter bacteria on the edge.',
  criteria: ['zeroHeld'],
  supports: ['nitrateSeen'],
  words: ({ daysAtZero }) => `both zero for ${daysAtZero} days`,
  readyDay: (clear, { daysAtZero }, { zerosFrom }) => zerosFrom(clear) + daysAtZero,
  shownAgainAt: ({ daysAtZero }, { shownSince }, zone) =>
    shownSince === null ? null : addDaysIn(shownSince, daysAtZero, zone),
  milestone: ({ history, at, zone }, { daysAtZero }) => {
    const zeroSpan = zeroSpanOf(history, zone);
    if (!zeroSpan) return null;
    const due = addDaysIn(zeroSpan.since, daysAtZero, zone);
    const held = zeroSpan.days >= daysAtZero;
    return {
      id: 'held',
      label: `${daysAtZero} days at zero`,
      at: held ? due : Math.max(due, at),
      because: held ? 'Both stayed at zero.' : 'If both stay at zero until then.',
      passed: held,
    };
  },
  feedsLightly: true,
};
