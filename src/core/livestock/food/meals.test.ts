import { CATALOGUE } from '../catalogue';
import { FOODS_ANSWERED, mealWords } from './meals';

const of = (id: string) => {
  const animal = CATALOGUE.find((one) => one.id === id);
  if (!animal) throw new Error(`no ${id}`);
  return mealWords(animal);
};

describe('how often an animal eats', () => {
  it('every food of every invertebrate has its row', () => {
    const foods = CATALOGUE.flatMap((animal) =>
      animal.group === 'invertebrate' ? animal.foods : [],
    );
    expect([...new Set(foods)].filter((food) => !FOODS_ANSWERED.includes(food))).toEqual([]);
  });

  test.each([
    ['volitans-lionfish', /2 or 3 times a week/],
    ['mandarin-dragonet', /pods all day/],
    ['lyretail-anthias', /Three small meals a day/],
    ['yellow-tang', /Grazes all day/],
    ['kuda-seahorse', /Two or three small meals/],
    ['ocellaris-clownfish', /Once or twice a day/],
    ['harlequin-shrimp', /A star, or an arm/],
    ['bubble-tip-anemone', /once or twice a week/],
    ['trochus-snail', /Grazes all day/],
    ['marine-betta', /second day/],
  ])('%s: %s', (id, words) => expect(of(id)).toMatch(words));

  it('says a time of every animal', () => {
    for (const animal of CATALOGUE) {
      expect([animal.id, mealWords(animal).length > 10]).toEqual([animal.id, true]);
    }
  });
});
