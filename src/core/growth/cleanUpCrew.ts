import type { Extent, Growth } from '../records/kinds/sighting';

/** Litres to a snail or small hermit by the one rule of thumb, and to a large grazer by the other. */
export const LITRES_PER_SNAIL = 4;
export const LITRES_PER_GRAZER = 19;
/** Our own default begins with this share of the first rule of thumb. */
export const BEGINS_WITH = 0.25;

/** What was seen growing, as a share of what a full clean-up crew would have to eat. */
const FOOD: Record<Extent, number> = { none: 0, trace: 0.25, patches: 0.6, covering: 1 };

export interface CleanUpCrewAdvice {
  /** Snails and small hermits by the rule of one to 4 L. */
  bySnails: number;
  /** Large grazers by the rule of one to 19 L. */
  byGrazers: number;
  /** How many small ones now, by what grows and who is there already. */
  addNow: number;
  /** Days to wait and look before the next few. */
  waitDays: number;
  starves: boolean;
  because: string;
}

/**
 * How large a clean-up crew: a quarter of the rule's number to begin with, scaled by what is really there
 * to eat, less those that are there already; more only if algae persist after three weeks.
 * @param seen the newest sighting of each growth that is grazed
 * @param cleanUpCrew snails and small hermits in the tank
 */
export function cleanUpCrewFor(
  litres: number,
  seen: readonly { growth: Growth; extent: Extent }[],
  cleanUpCrew: number,
): CleanUpCrewAdvice {
  const bySnails = Math.round(litres / LITRES_PER_SNAIL);
  const byGrazers = Math.round(litres / LITRES_PER_GRAZER);
  const grazed = seen.filter(
    ({ growth }) => growth === 'film' || growth === 'hair' || growth === 'diatoms',
  );
  const food = Math.max(0, ...grazed.map(({ extent }) => FOOD[extent]));
  const first = Math.max(
    food > 0 ? 1 : 0,
    Math.round(bySnails * BEGINS_WITH * Math.min(1, food / 0.6)),
  );
  // A clean-up crew that does not hold it is added to by half of the first, never to more than the rule.
  const wanted =
    food >= 1 && cleanUpCrew >= first ? Math.min(bySnails, Math.round(first * 1.5)) : first;
  const addNow = Math.max(0, wanted - cleanUpCrew);
  const starves = cleanUpCrew > 0 && food === 0;
  return {
    bySnails,
    byGrazers,
    addNow,
    waitDays: 21,
    starves,
    because: starves
      ? `${cleanUpCrew} are there, and nothing to graze was seen: seaweed on a clip, or they starve.`
      : food === 0
        ? 'Nothing to graze was seen yet: a clean-up crew would starve.'
        : addNow === 0
          ? `The ${cleanUpCrew} that are there are enough for what grows.`
          : cleanUpCrew === 0
            ? 'A quarter of what rules of thumb would put in, small ones: the rest only if algae persist.'
            : 'Add a few more: the algae still grow. Then look again.',
  };
}
