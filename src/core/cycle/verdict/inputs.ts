import { riseOf, type TankHistory } from '../../history/tankHistory';
import { isAmmoniaSource } from '../../records/kinds/dose';
import { portionsOf } from '../../water/learned';
import { feedNitrogen } from '../problem/foods';
import { deadNitrogen, leftNothing, PRAWN_N } from '../problem/organics';

/** Nitrogen that went into the water, or will as it rots. */
export interface Input {
  id: string;
  at: number;
  /** mg N/L it makes in all; null where nobody knows. */
  rise: number | null;
  /** What it was, in a sentence after "of" or "the". */
  what: string;
  /** It rots over days, where a dose is there at once. */
  slow: boolean;
}

/** Since when fish have eaten what is fed, ms; Infinity where there are none. */
function eatenSince({ standing }: TankHistory): number {
  return Math.min(standing.fishSince ?? Infinity, standing.runningSince ?? Infinity);
}

/** All nitrogen that was put in to be cleared: doses, food that nothing eats, what rots. In order of time. */
export function inputsOf(history: TankHistory): Input[] {
  const { entries, netLitres } = history;
  const doses = entries.dose
    .filter((dose) => isAmmoniaSource(dose.entry.substance))
    .map((dose): Input => ({
      id: dose.id,
      at: dose.at,
      rise: riseOf(dose, history),
      what: 'dose',
      slow: false,
    }));
  const slow = (id: string, at: number, nitrogen: number, what: string): Input => ({
    id,
    at,
    rise: nitrogen / netLitres,
    what,
    slow: true,
  });
  const prawns = entries.organics.flatMap((put) => {
    const { action } = put.entry;
    if (action.what !== 'prawnIn' || leftNothing(entries.organics, put)) return [];
    return [slow(put.id, put.at, action.grams * PRAWN_N, 'prawn')];
  });
  const portions = portionsOf(history);
  const eaten = eatenSince(history);
  const food = entries.feed
    .filter(({ at }) => at < eaten)
    .map(({ id, at, entry }) => slow(id, at, feedNitrogen(entry, portions), 'food'));
  const dead = entries.animals
    .filter(({ entry }) => entry.move === 'died')
    .map(({ id, at, entry }) => slow(id, at, deadNitrogen(entry), 'dead animal'));
  return [...doses, ...prawns, ...food, ...dead].sort((a, b) => a.at - b.at);
}
