import type { CatalogueAnimal } from '../catalogue';
import { unreachable } from '../../unreachable';

type Of<G extends CatalogueAnimal['group']> = Extract<CatalogueAnimal, { group: G }>;

/** How often one is fed by what it eats, where its own traits do not say more. */
const BY_DIET: Record<Of<'fish'>['diet'], string> = {
  herbivore: 'Grazes all day: seaweed within reach every day, and a small meal beside it.',
  omnivore: 'Once or twice a day, as much as is eaten within two minutes.',
  carnivore: 'Once a day, young ones twice, as much as is eaten within two minutes.',
  planktivore: 'Two or three small meals a day: it takes food as it floats by.',
};

function fishMeals(fish: Of<'fish'>): string {
  const { foods, fedPerWeek, slowFeeder, feeds, diet, adultCm } = fish;
  if (fedPerWeek !== undefined) {
    return `${fedPerWeek - 1} or ${fedPerWeek} times a week, not daily: it grows fat and dies of it.`;
  }
  if (foods.includes('live pods')) {
    return 'Hunts pods all day: mature rock full of them, or small live food three times a day until it takes frozen food and stays round.';
  }
  if (foods.some((food) => food.includes('many times a day'))) {
    return 'Three small meals a day at least: it burns what it eats within hours.';
  }
  if (slowFeeder)
    return 'Two or three small meals a day, the pump slow, until it has had its share.';
  if (feeds === 'swallow' && adultCm > SMALL_SWALLOWER_CM) return 'Every second day.';
  return BY_DIET[diet];
}

/** A predator that swallows and is no larger than this is fed daily, cm. */
const SMALL_SWALLOWER_CM = 14;

/** How often an invertebrate is fed, by each food: the first row that it eats decides. */
const BY_FOOD: readonly (readonly [foods: readonly string[], words: string])[] = [
  [['sea stars'], 'A star, or an arm of one, every week or two.'],
  [
    ['aiptasia'],
    'By pest anemones alone: when they are gone, it goes to another keeper or starves.',
  ],
  [['light', 'meaty foods'], 'Beside its light a small piece of meaty food once or twice a week.'],
  [['light'], 'By light: no feeding beside it, though fine plankton now and then does no harm.'],
  [['plankton'], 'Fine plankton daily; without it most starve within months.'],
  [
    ['carrion', 'meaty leftovers', 'small shrimps', 'small fish'],
    'Small meaty food twice a week where little is left over.',
  ],
  [
    ['leftovers', 'snails', 'parasites', 'polyps'],
    'What others leave; in a clean tank a pellet or a bit of frozen food two or three times a week.',
  ],
  [
    ['film algae', 'hair algae', 'bubble algae', 'algae', 'coralline', 'the film on mature rock'],
    'Grazes all day; where the glass and rock are clean, seaweed on a clip every second day.',
  ],
  [['sponges', 'soft corals', 'corals', 'meaty foods'], 'Small meaty food twice a week.'],
  [['pest anemones', 'worms'], 'Small meaty food two or three times a week.'],
  [
    ['detritus', 'detritus in sand', 'sand fauna'],
    'Sifts sand all day and starves in a clean or small bed; a sinking pellet every second day helps some.',
  ],
];

function invertebrateMeals({ foods }: Of<'invertebrate'>): string {
  const both = foods.includes('light') && foods.includes('meaty foods');
  const row = BY_FOOD.find(([of]) =>
    of.length === 2 && of[0] === 'light' ? both : of.some((food) => foods.includes(food)),
  );
  return row?.[1] ?? 'Fine food that floats by, daily.';
}

function coralMeals({ mustBeFed, kind }: Of<'coral'>): string {
  if (mustBeFed) return 'By food alone: fed daily, or it starves.';
  return kind === 'lps'
    ? 'By light, and a small piece of meaty food once a week at most.'
    : 'By light and what is in the water: no feeding of its own is needed.';
}

/** How often an animal eats, in a sentence; what a minder or a beginner is told. */
export function mealWords(animal: CatalogueAnimal): string {
  switch (animal.group) {
    case 'fish':
      return fishMeals(animal);
    case 'invertebrate':
      return invertebrateMeals(animal);
    case 'coral':
      return coralMeals(animal);
    default:
      return unreachable(animal);
  }
}

/** Foods of invertebrates that a row answers for. */
export const FOODS_ANSWERED: readonly string[] = BY_FOOD.flatMap(([foods]) => foods);
