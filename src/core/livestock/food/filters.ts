import type { CatalogueAnimal } from '../catalogue';
import type { Home } from '../compatibility/types';
import { homeFindings } from '../compatibility/homeRules';

/** What a list of the catalogue can be narrowed to. */
export const FILTERS = {
  fitsTank: 'Fits this tank',
  beginners: 'For a first one',
  reefSafe: 'Leaves corals and the clean-up crew alone',
  captiveBred: 'Bred in captivity',
  peaceful: 'Peaceful',
  lowLight: 'Low light will do',
} as const;
export type FilterId = keyof typeof FILTERS;

const harmless = (animal: CatalogueAnimal) =>
  animal.group === 'coral'
    ? animal.sweepersCm === 0 && !animal.chemical
    : !animal.nipsCorals &&
      (animal.group === 'fish'
        ? !animal.eatsInvertebrates && !animal.eatsFish
        : !animal.killsSmall);

/** A first one stays small, keeps the peace and eats what anybody can buy. */
const FIRST_CM = 15;
const FIRST_LITRES = 250;
const FIRST_MONTHS = 6;

/** Whether a beginner does well with it: hardy, small, peaceful, and without danger or a special need. */
function fitForFirst(animal: CatalogueAnimal): boolean {
  if (animal.hardiness < 4 || animal.months > FIRST_MONTHS) return false;
  if (animal.group === 'coral') {
    return animal.temper !== 'aggressive' && !animal.palytoxin && !animal.mustBeFed;
  }
  if (animal.venomous || animal.toxic || animal.eatsFish || animal.digs) return false;
  if (animal.leastLitres > FIRST_LITRES || animal.adultCm > FIRST_CM) return false;
  if (animal.group === 'invertebrate') {
    return !animal.specialist && !animal.wanders && !animal.nipsCorals && !animal.fightsItsKind;
  }
  const mild = animal.temper === 'peaceful' || (animal.temper === 'semi' && animal.adultCm <= 10);
  const damsel = animal.family === 'Pomacentridae' && animal.territory === 'cave';
  return mild && !damsel && !animal.slowFeeder && !animal.bites && animal.feeds !== 'swallow';
}

/** Filters that say something of a group; of another they let all pass or none. */
const PASSES: Record<FilterId, (animal: CatalogueAnimal, home: Home) => boolean> = {
  fitsTank: (animal, home) =>
    homeFindings({ animal, count: 1 }, home).every(
      ({ severity, rule }) => rule === 'lid' || (severity !== 'no' && rule !== 'outgrows'),
    ),
  beginners: fitForFirst,
  reefSafe: harmless,
  captiveBred: (animal) => animal.group === 'fish' && animal.captiveBred,
  peaceful: (animal) => animal.group === 'invertebrate' || animal.temper === 'peaceful',
  lowLight: (animal) =>
    animal.group === 'coral'
      ? animal.light.low === 'low' || animal.light.low === 'none'
      : animal.group === 'fish' || !animal.needsLight,
};

/** Those of a list that pass every filter. */
export function narrowed(
  animals: readonly CatalogueAnimal[],
  filters: readonly FilterId[],
  home: Home,
): CatalogueAnimal[] {
  return animals.filter((animal) => filters.every((filter) => PASSES[filter](animal, home)));
}
