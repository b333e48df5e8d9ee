import type { NextBest } from '../../nextBest';
import { judgeNewcomers } from '../compatibility/judge';
import type { Home, Lodger, RuleId } from '../compatibility/types';
import type { CatalogueAnimal } from '../catalogue';
import type { BindingId } from '../planner/dates/bounds';

/** What a stocking question is refused or put off by. */
export type Refused = RuleId | BindingId | 'heater';

const ANOTHER = (what: string): NextBest => ({
  what,
  price: 'It is another animal than the one you came for.',
});
export const ONE_OF_TWO: NextBest = {
  what: 'Keep one of the two, and ask the shop or another keeper to take the other.',
  price: 'The one you give up, and a day to catch it.',
};
export const OWN_TANK: NextBest = {
  what: 'A tank of its own that runs for good, cycled before it comes.',
  price: 'A second tank to heat, feed and change, for years.',
};
const LATER: NextBest = {
  what: 'Ask the shop to hold it until then, or buy one when the day has come.',
  price: 'A deposit, or that one may be sold.',
};

/**
 * What is done instead, by what stands against it: never a milder form of the same. A new rule has its row,
 * or this does not compile (decision 25).
 */
export const INSTEAD: Record<Refused, NextBest> = {
  roomToLive: ANOTHER('A kind that this tank is large enough for at its full size.'),
  roomToSwim: ANOTHER('A kind that this tank is long enough for at its full size.'),
  outgrows: ANOTHER('A kind that stays small enough for this tank.'),
  sandBed: {
    what: 'Lay the sand it needs first, or a box of it, and let the tank settle for some weeks.',
    price: 'Cloudy water for days, and often another bloom of diatoms.',
  },
  lid: { what: 'Fit a lid or mesh first; it can wait in quarantine.', price: 'An afternoon.' },
  heater: {
    what: 'Check the heater against a thermometer first; it can wait in quarantine.',
    price: 'A day, since the dial is judged overnight.',
  },
  temperature: ANOTHER('A kind that lives at the temperature of this tank.'),
  company: ANOTHER('A kind that lives alone, or the whole group where tank and filter bear it.'),
  ownKind: ANOTHER('Another kind, of another shape, in its place.'),
  lookAlike: ANOTHER('A kind of another shape and colour.'),
  territory: ONE_OF_TWO,
  temper: ONE_OF_TWO,
  swallows: ONE_OF_TWO,
  crushes: ONE_OF_TWO,
  picksAt: ONE_OF_TWO,
  stings: ONE_OF_TWO,
  starvesStars: ANOTHER('A kind that eats what grows in this tank.'),
  feedingPace: OWN_TANK,
  flow: OWN_TANK,
  pods: ANOTHER('A kind that takes frozen food from the first day.'),
  shells: {
    what: 'Get spare empty shells first, three to each.',
    price: 'A few coins and a look along the beach, where collecting is allowed.',
  },
  nipsCorals: ONE_OF_TWO,
  knocksOver: {
    what: 'Glue what stands loose first.',
    price: 'An evening, and frags out of the water for minutes.',
  },
  wanders: {
    what: 'Guard every pump and clear its surroundings first.',
    price: 'Room that no coral can have.',
  },
  stingRange: {
    what: 'Another place, further off than it reaches at night.',
    price: 'Room between them that stays bare.',
  },
  chemistry: {
    what: 'Downstream of the others, with fresh carbon.',
    price: 'Carbon for good, renewed every two weeks.',
  },
  poison: OWN_TANK,
  specialist: ANOTHER('A kind that eats what every shop sells.'),
  food: ANOTHER('A kind whose food grows here, or can be bought every week.'),
  expert: ANOTHER('A hardy kind that looks or lives like it.'),
  overgrows: {
    what: 'A rock of its own with bare sand about it.',
    price: 'That rock is given up to it.',
  },
  buries: ANOTHER('A kind that leaves the sand where it is.'),
  today: LATER,
  ready: {
    what: 'Leave it in the shop until the cycle is done, and test when the app asks.',
    price: 'Days or weeks, and that one may be sold.',
  },
  maturity: LATER,
  alkalinity: LATER,
  algae: LATER,
  quarantine: LATER,
  order: LATER,
  first: {
    what: 'One or two small hardy fish first, and this one a month later.',
    price: 'A month, and that one may be sold.',
  },
  doubling: LATER,
  interval: LATER,
  capacity: {
    what: 'Leave it, feed those here well, and test ammonia some hours after: tests show sooner what the filter carries.',
    price: 'Some weeks and a few tests.',
  },
  pin: { what: 'Let the pinned day go.', price: 'It comes when it can, later than you wished.' },
  override: LATER,
};

/** How many animals are named in place of a refused one. */
const NAMED = 3;
/** What is named is no worse to keep than this, and asks for no older a tank than what was refused or this, months. */
const HARDY = 3;
const YOUNG_MONTHS = 3;

/** The fewest that are brought home of a kind. */
const leastOf = (animal: CatalogueAnimal) =>
  animal.group === 'fish' && animal.company.kind === 'group' ? (animal.company.least ?? 3) : 1;

function likeness(a: CatalogueAnimal, b: CatalogueAnimal): number {
  const size = (animal: CatalogueAnimal) => ('adultCm' in animal ? animal.adultCm : 0);
  return (
    (a.family === b.family ? 4 : 0) +
    (a.form === b.form ? 3 : 0) -
    Math.min(3, Math.abs(Math.log((1 + size(a)) / (1 + size(b)))))
  );
}

/**
 * Animals like a refused one that nothing of this tank or of who lives here stands against, the likest first.
 * They are no more than a beginning: each is asked about by itself.
 */
export function likeIt(
  animal: CatalogueAnimal,
  catalogue: readonly CatalogueAnimal[],
  residents: readonly Lodger[],
  home: Home,
): CatalogueAnimal[] {
  const found: CatalogueAnimal[] = [];
  const likest = catalogue
    .filter(
      (other) =>
        other.id !== animal.id &&
        other.group === animal.group &&
        other.hardiness >= HARDY &&
        other.months <= Math.max(animal.months, YOUNG_MONTHS) &&
        !other.regulated,
    )
    .sort((a, b) => likeness(animal, b) - likeness(animal, a) || (a.id < b.id ? -1 : 1));
  for (const other of likest) {
    if (found.length === NAMED) break;
    const findings = judgeNewcomers([{ animal: other, count: leastOf(other) }], residents, home);
    if (findings.every(({ rule, severity }) => severity === 'care' || rule === 'lid')) {
      found.push(other);
    }
  }
  return found;
}
