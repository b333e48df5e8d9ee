import type { DoneRule } from './doneRule';

export const bothZero: DoneRule<'bothZero'> = {
  id: 'bothZero',
  name: 'Both zero',
  asks: 'Ammonia and nitrite were seen, then both read zero on the same day.',
  trades: 'The quickest by tests. One misread vial is enough to be wrong.',
  criteria: ['zeroSameDay'],
  supports: ['nitrateSeen'],
  words: () => 'both zero',
  readyDay: (clear) => clear,
};
