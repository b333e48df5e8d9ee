import { addDaysIn } from '../../time/zone';
import { holdOf } from '../verdict/criteria/zero';
import type { School } from './school';

export const bothZeroHeld: School<'bothZeroHeld'> = {
  id: 'bothZeroHeld',
  name: 'Both zero, held',
  asks: 'Ammonia and nitrite were seen, then both read zero and stay there for a week or two.',
  trades: 'A week longer than the shortest way. Catches a kit misread and a colony on the edge.',
  criteria: ['zeroHeld'],
  supports: ['nitrateSeen'],
  words: ({ holdDays }) => `both zero, held ${holdDays} days`,
  readyDay: (clear, { holdDays }, { holdFrom }) => holdFrom(clear) + holdDays,
  shownAgainAt: ({ holdDays }, { shownSince }, zone) =>
    shownSince === null ? null : addDaysIn(shownSince, holdDays, zone),
  milestone: ({ history, at, zone }, { holdDays }) => {
    const hold = holdOf(history, zone);
    if (!hold) return null;
    const due = addDaysIn(hold.since, holdDays, zone);
    const held = hold.days >= holdDays;
    return {
      id: 'held',
      label: `Held ${holdDays} days`,
      at: held ? due : Math.max(due, at),
      because: held ? 'Both stayed at zero.' : 'If both stay at zero until then.',
      passed: held,
    };
  },
  feedsLightly: true,
};
