import { shortDay } from '../../time/words';
import { successionOf } from '../succession';
import { cannotTell, met, notYet, type CriterionRule } from '../verdict/types';
import type { DoneRule } from './doneRule';

/** Diatoms, then green, then a level stand: what this rule for done reads a grown-in tank by. */
export const successionSeen: CriterionRule = ({ history, zone }) => {
  const { diatoms, green, level, ids } = successionOf(history);
  const lit = history.standing.lit || history.entries.light.some((l) => l.entry.state === 'on');
  if (diatoms === null) {
    return lit
      ? notYet('No diatoms are logged yet.', 'Log rusty dust on sand or glass when it shows.')
      : cannotTell(
          'No diatoms are logged, and nothing grows while the light is off.',
          'Turn the light on and log it, or choose another rule for done.',
        );
  }
  const dust = `diatoms on ${shortDay(diatoms, zone)}`;
  if (green === null) {
    return notYet(
      `Seen so far: ${dust}.`,
      'Log green film or hair algae when it follows the dust.',
      ids,
    );
  }
  const film = `green on ${shortDay(green, zone)}`;
  if (level === null) {
    return notYet(
      `Seen so far: ${dust}, ${film}.`,
      `Log the same growth again a week later; no more than before shows that it has levelled.`,
      ids,
    );
  }
  return met(`Seen: ${dust}, ${film}, level on ${shortDay(level, zone)}.`, ids);
};

export const algaeSuccession: DoneRule<'algaeSuccession'> = {
  id: 'algaeSuccession',
  name: 'Algae succession',
  asks: 'Rusty diatoms, then green film, then a level stand were seen, with both at zero; then one dose is gone in a day.',
  trades: 'Needs light and patience, no reagent. Slow, and easily misread.',
  criteria: ['algaeSuccession', 'doseCleared'],
  supports: ['nitrateSeen'],
  words: () => 'algae succession',
  readyDay: (clear, _choice, { succession, proven }) => {
    const level = Math.max(clear, succession());
    return Math.max(level, proven(level));
  },
  provesByDose: ({ succession }) => succession >= 3,
};
