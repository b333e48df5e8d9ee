import { CATALOGUE, PARTNERS, animalOf, partnersOf } from './catalogue';
import { animalsCalled, findAnimals, nearestNames } from './search';
import { animalSentence, traitLines } from './words';

const of = (group: string) => CATALOGUE.filter((animal) => animal.group === group);
const sized = CATALOGUE.flatMap((animal) => (animal.group === 'coral' ? [] : [animal]));

describe('the catalogue', () => {
  it('has enough of each group', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(230);
    expect(of('fish').length).toBeGreaterThanOrEqual(105);
    expect(of('invertebrate').length).toBeGreaterThanOrEqual(65);
    expect(of('coral').length).toBeGreaterThanOrEqual(60);
  });

  it('has every id, name and scientific name once', () => {
    const once = (list: string[]) =>
      expect(list.filter((one, i) => list.indexOf(one) !== i)).toEqual([]);
    once(CATALOGUE.map(({ id }) => id));
    once(CATALOGUE.flatMap(({ names }) => names.map((name) => name.toLowerCase())));
    once(CATALOGUE.map(({ scientific }) => scientific).filter((name) => !name.endsWith(' sp.')));
  });

  it('buys nothing larger than it grows, and gives each room to turn', () => {
    for (const animal of sized) {
      expect([animal.id, animal.boughtCm <= animal.adultCm]).toEqual([animal.id, true]);
      if (animal.group !== 'fish') continue;
      // Room to turn, of an eel as well, and water for its size.
      expect([animal.id, animal.leastLengthCm >= 1.5 * animal.adultCm]).toEqual([animal.id, true]);
      expect([animal.id, animal.leastLitres >= animal.adultCm * 3]).toEqual([animal.id, true]);
    }
  });

  it('keeps to what its families are', () => {
    const family = (name: string) =>
      of('fish').flatMap((animal) =>
        animal.group === 'fish' && animal.family === name ? [animal] : [],
      );
    expect(family('Acanthuridae').every((tang) => tang.leastLitres >= 300)).toBe(true);
    expect(family('Acanthuridae').every((tang) => tang.diet !== 'carnivore')).toBe(true);
    expect(family('Callionymidae').every((dragonet) => dragonet.foods.includes('live pods'))).toBe(
      true,
    );
    expect(family('Scorpaenidae').every((lion) => lion.venomous && lion.eatsFish)).toBe(true);
    expect(family('Ostraciidae').every((box) => box.toxic)).toBe(true);
    expect(family('Tetraodontidae').every((puffer) => puffer.feeds === 'crush')).toBe(true);
    expect(family('Balistidae').every((trigger) => trigger.feeds === 'crush')).toBe(true);
    expect(
      family('Syngnathidae').every((horse) => horse.slowFeeder && horse.flow === 'gentle'),
    ).toBe(true);
    expect(
      of('fish').every((fish) => fish.group !== 'fish' || !fish.eatsFish || fish.adultCm >= 9),
    ).toBe(true);
    for (const coral of of('coral')) {
      if (coral.group !== 'coral') continue;
      const zoanthid = ['Zoanthidae', 'Sphenopidae', 'Hydrozoanthidae'].includes(coral.family);
      expect([coral.id, coral.palytoxin]).toEqual([coral.id, zoanthid]);
      if (coral.light.high === 'none')
        expect([coral.id, coral.mustBeFed]).toEqual([coral.id, true]);
      if (coral.kind === 'soft') expect([coral.id, coral.sweepersCm]).toEqual([coral.id, 0]);
    }
  });

  it('names partners that there are, and each way round', () => {
    for (const [a = '', b = ''] of PARTNERS) {
      expect([a, b, animalOf(a) !== undefined, animalOf(b) !== undefined]).toEqual([
        a,
        b,
        true,
        true,
      ]);
      expect(partnersOf(a).some(({ id }) => id === b)).toBe(true);
      expect(partnersOf(b).some(({ id }) => id === a)).toBe(true);
    }
  });

  it('describes each in words, and warns of what hurts first', () => {
    for (const animal of CATALOGUE) {
      const lines = traitLines(animal);
      expect(lines.map(({ text }) => text).join(' ')).not.toMatch(/undefined|NaN|\[object/);
      expect(animalSentence(animal)).not.toBe('');
      const first = lines.findIndex(({ caution }) => !caution);
      expect(lines.slice(first).some(({ caution }) => caution)).toBe(false);
    }
    const lion = animalOf('volitans-lionfish');
    expect(lion && traitLines(lion)[0]?.title).toBe('Stings');
  });
});

describe('looking an animal up', () => {
  const first = (text: string) => findAnimals(text)[0]?.id;

  it('forgives spelling, and takes either name', () => {
    expect(first('oscelaris')).toBe('ocellaris-clownfish');
    expect(first('zebrasoma flavesens')).toBe('yellow-tang');
    expect(first('manderin')).toMatch(/mandarin/);
    expect(first('frogspwan')).toBe('frogspawn');
  });

  it('takes the beginning of a word, keeps to a group, and finds nothing in nonsense', () => {
    expect(findAnimals('trig').some(({ id }) => id === 'picasso-triggerfish')).toBe(true);
    expect(findAnimals('yellow', 'fish').every(({ group }) => group === 'fish')).toBe(true);
    expect(findAnimals('qqqqqq')).toEqual([]);
    // A page that was pasted is looked at no further than a name is long.
    const start = 'yellow watchman gobi '.repeat(4);
    expect(nearestNames(start + 'x'.repeat(20_000))).toEqual(nearestNames(start));
    expect(findAnimals('').length).toBe(CATALOGUE.length);
  });

  it('finds a name however it is written', () => {
    const one = (text: string) => animalsCalled(text).map(({ id }) => id);
    expect(one('six line wrasse')).toEqual(['six-line-wrasse']);
    expect(one('Six-Line Wrasse')).toEqual(['six-line-wrasse']);
    expect(one('sixline wrasses')).toEqual(['six-line-wrasse']);
    expect(one('sand sifting star')).toEqual(['sand-sifting-star']);
    expect(one('Sand Sifting Starfish')).toEqual(['sand-sifting-star']);
    expect(one('Premnas biaculeatus')).toEqual(['maroon-clownfish']);
    expect(one('Heteractis magnifica')).toEqual(['magnificent-anemone']);
    expect(one('volitans lionfish')).toEqual(['volitans-lionfish']);
    expect(one('hippo tang')).toEqual(['blue-tang']);
    expect(one('mandarin')).toEqual(['mandarin-dragonet']);
    expect(one('clarks clownfish')).toEqual(['clarkii-clownfish']);
    expect(one('neon gobies')).toEqual(['neon-goby']);
    expect(one('emerald crabs')).toEqual(['emerald-crab']);
  });

  it('a name that several share is that of each', () => {
    const ids = (text: string) =>
      animalsCalled(text)
        .map(({ id }) => id)
        .sort();
    expect(ids('cleaner shrimp')).toEqual(['fire-shrimp', 'skunk-cleaner-shrimp']);
    expect(ids('pistol shrimp')).toEqual(['pistol-shrimp-randall', 'tiger-pistol-shrimp']);
    expect(ids('clownfish').length).toBeGreaterThan(1);
    expect(
      findAnimals('cleaner shrimp')
        .slice(0, 2)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(ids('cleaner shrimp'));
  });

  it('every name and older name finds its animal, in small letters and without hyphens', () => {
    for (const animal of CATALOGUE) {
      for (const name of [...animal.names, animal.scientific, ...(animal.also ?? [])]) {
        const text = name.toLowerCase().replace(/-/g, ' ');
        expect([name, animalsCalled(text).includes(animal)]).toEqual([name, true]);
      }
    }
  });
});
