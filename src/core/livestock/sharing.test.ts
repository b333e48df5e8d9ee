import fc from 'fast-check';
import { CATALOGUE, animalOf } from './catalogue';
import type { Lodger } from './compatibility/types';
import { keptApart, quarantineLitres, quarantineLitresOf, quarantinesAlone } from './sharing';

function lodger(id: string, count = 1): Lodger {
  const animal = animalOf(id);
  if (!animal) throw new RangeError(id);
  return { animal, count };
}
const apart = (a: string, b: string) => keptApart(lodger(a), lodger(b)) !== null;
const FISH = CATALOGUE.filter(({ group }) => group === 'fish');

describe('who shares a quarantine tank', () => {
  it('not what poisons the water, nor what bites', () => {
    for (const id of ['yellow-boxfish', 'longhorn-cowfish', 'dogface-puffer', 'valentini-puffer']) {
      expect([id, quarantinesAlone(lodger(id).animal) !== null]).toEqual([id, true]);
      for (const { id: other } of FISH) {
        if (other !== id) expect([id, other, apart(id, other)]).toEqual([id, other, true]);
      }
    }
    expect(keptApart(lodger('longhorn-cowfish'), lodger('mandarin-dragonet'))?.because).toMatch(
      /poisons the water/,
    );
  });

  it('not what fights where there is no rock, each two by themselves', () => {
    expect(apart('domino-damselfish', 'banggai-cardinalfish')).toBe(true);
    expect(apart('bicolor-dottyback', 'coral-beauty')).toBe(true);
    expect(apart('orchid-dottyback', 'coral-beauty')).toBe(true);
    expect(apart('coral-beauty', 'kole-tang')).toBe(true);
    expect(apart('kuda-seahorse', 'pajama-cardinalfish')).toBe(true);
  });

  it('what is peaceful, and slime only beside what leaves it in peace', () => {
    expect(apart('firefish', 'pajama-cardinalfish')).toBe(false);
    expect(apart('ocellaris-clownfish', 'firefish')).toBe(false);
    expect(apart('ocellaris-clownfish', 'royal-gramma')).toBe(false);
    expect(apart('mandarin-dragonet', 'clown-goby-green')).toBe(false);
    expect(apart('mandarin-dragonet', 'royal-gramma')).toBe(true);
  });

  it('is the same whichever way round it is asked', () => {
    const fish = fc.constantFrom(...FISH);
    fc.assert(
      fc.property(fish, fish, (a, b) => {
        expect(apart(a.id, b.id)).toBe(apart(b.id, a.id));
      }),
    );
  });
});

describe('room in quarantine', () => {
  it('goes by mass and temper, not by length', () => {
    const of = (id: string, count = 1) => quarantineLitresOf([lodger(id, count)]);
    // Two seahorses of 3 g each, and a moray of 43 g.
    expect(of('kuda-seahorse', 2)).toBeLessThan(40);
    expect(of('snowflake-moray')).toBeLessThan(75);
    expect(of('ocellaris-clownfish', 2)).toBeLessThan(40);
    expect(of('purple-tang')).toBeGreaterThan(1.4 * of('kole-tang'));
  });

  it('grows with length and number', () => {
    const sizes = fc.tuple(
      fc.constantFrom(...FISH),
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.integer({ min: 1, max: 8 }),
    );
    fc.assert(
      fc.property(sizes, ([animal, cm, count]) => {
        const litres = quarantineLitres(animal, cm, count);
        expect(quarantineLitres(animal, cm * 1.2, count)).toBeGreaterThanOrEqual(litres);
        expect(quarantineLitres(animal, cm, count + 1)).toBeGreaterThan(litres);
      }),
    );
  });
});
