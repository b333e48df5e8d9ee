import type { CatalogueAnimal } from './catalogue';
import type { Home } from './compatibility/types';
import { homeFindings } from './compatibility/homeRules';

/** What a list of the catalogue can be narrowed to. */
export const FILTERS = {
  fitsTank: 'Fits this tank',
  beginners: 'For a first one',
  reefSafe: 'Leaves corals and crew alone',
  captiveBred: 'Captive-bred to be had',
  peaceful: 'Peaceful',
  noJumper: 'Does not jump',
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

/** Filters that say something of a group; of another they let all pass or none. */
const PASSES: Record<FilterId, (animal: CatalogueAnimal, home: Home) => boolean> = {
  fitsTank: (animal, home) =>
    homeFindings({ animal, count: 1 }, home).every(
      ({ severity, rule }) => rule === 'lid' || (severity !== 'no' && rule !== 'outgrows'),
    ),
  beginners: ({ hardiness }) => hardiness >= 4,
  reefSafe: harmless,
  captiveBred: (animal) => animal.group === 'fish' && animal.captiveBred,
  peaceful: (animal) => animal.group === 'invertebrate' || animal.temper === 'peaceful',
  noJumper: (animal) => animal.group !== 'fish' || !animal.jumps,
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
