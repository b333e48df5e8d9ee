import * as fc from 'fast-check';
import { animalOf, CATALOGUE, type CatalogueAnimal } from '../catalogue';
import { judgeNewcomers, judgeTogether } from './judge';
import { ANY_HOME, type Finding, type Home, type Lodger, type RuleId } from './types';
import { draws } from '../../../testing/draws';

const LARGE: Home = { litres: 1500, lengthCm: 250, sandCm: 12, lid: true, temperature: 25 };

function lodger(id: string, count = 1, more: Partial<Lodger> = {}): Lodger {
  const animal = animalOf(id);
  if (!animal) throw new RangeError(`There is no ${id}.`);
  return { animal, count, ...more };
}

function found(lodgers: Lodger[], rule: RuleId, home: Home = LARGE): Finding | undefined {
  return judgeTogether(lodgers, home).find((finding) => finding.rule === rule);
}

const severity = (a: string, b: string, rule: RuleId, home?: Home) =>
  found([lodger(a), lodger(b)], rule, home)?.severity;

describe('how a predator feeds', () => {
  it('a lionfish swallows by mouth size and depth of body, large mouths or not', () => {
    expect(severity('volitans-lionfish', 'firefish', 'swallows')).toBe('no');
    expect(severity('volitans-lionfish', 'green-chromis', 'swallows')).toBe('no');
    expect(
      found([lodger('volitans-lionfish'), lodger('yellow-tang', 1, { sizeCm: 18 })], 'swallows'),
    ).toBeUndefined();
    // A thin fish of the same length goes down where a deep one does not.
    const slim = found(
      [lodger('dwarf-lionfish'), lodger('midas-blenny', 1, { sizeCm: 10 })],
      'swallows',
    );
    const deep = found(
      [lodger('dwarf-lionfish'), lodger('coral-beauty', 1, { sizeCm: 10 })],
      'swallows',
    );
    expect([slim?.severity, deep]).toEqual(['no', undefined]);
  });

  it('triggers, puffers and large wrasses crush shrimps and crabs larger than their mouths', () => {
    for (const crusher of ['picasso-triggerfish', 'dogface-puffer', 'harlequin-tuskfish']) {
      expect([crusher, severity(crusher, 'skunk-cleaner-shrimp', 'crushes')]).toEqual([
        crusher,
        'no',
      ]);
      expect([crusher, severity(crusher, 'emerald-crab', 'crushes')]).toEqual([crusher, 'no']);
    }
    expect(severity('snowflake-moray', 'scarlet-hermit', 'crushes')).toBe('no');
    expect(severity('snowflake-moray', 'trochus-snail', 'crushes')).toBeUndefined();
  });

  it('what picks takes the small ones only', () => {
    expect(severity('mystery-wrasse', 'sexy-shrimp', 'picksAt')).toBe('care');
    expect(severity('flame-hawkfish', 'coral-banded-shrimp', 'picksAt')).toBe('care');
    expect(
      found(
        [lodger('springeri-dottyback'), lodger('skunk-cleaner-shrimp', 1, { sizeCm: 5 })],
        'picksAt',
      ),
    ).toBeUndefined();
  });

  it('stars that trap, shrimps that eat stars alone', () => {
    expect(severity('green-brittle-star', 'firefish', 'swallows')).toBe('no');
    expect(severity('brittle-star', 'firefish', 'swallows')).toBeUndefined();
    expect(severity('harlequin-shrimp', 'serpent-star', 'starvesStars')).toBe('no');
  });
});

describe('partners', () => {
  it('are spared by each other and by nobody else', () => {
    expect(severity('carpet-anemone', 'firefish', 'stings')).toBe('care');
    expect(severity('carpet-anemone', 'clarkii-clownfish', 'stings')).toBeUndefined();
    // Haddon's carpet is no host of these.
    expect(severity('carpet-anemone', 'ocellaris-clownfish', 'stings')).toBe('care');
    const three = judgeTogether(
      [lodger('carpet-anemone'), lodger('clarkii-clownfish'), lodger('firefish')],
      LARGE,
    ).filter(({ rule }) => rule === 'stings');
    expect(three.map(({ between }) => between)).toEqual([['carpet-anemone', 'firefish']]);
    expect(
      judgeTogether([lodger('yellow-watchman-goby'), lodger('tiger-pistol-shrimp')], LARGE),
    ).toEqual([]);
  });
});

describe('hard limits of water and pace', () => {
  it('seahorses: temperature, strong flow, quick mouths, anemones', () => {
    expect(severity('lined-seahorse', 'yellow-tang', 'temperature')).toBe('no');
    expect(severity('kuda-seahorse', 'yellow-tang', 'flow')).toBe('no');
    expect(severity('kuda-seahorse', 'royal-gramma', 'feedingPace')).toBe('no');
    expect(severity('kuda-seahorse', 'bubble-tip-anemone', 'stings')).toBe('no');
    expect(found([lodger('kuda-seahorse', 2)], 'ownKind')).toBeUndefined();
  });

  it('snails of cool water belong in no reef', () => {
    expect(severity('margarita-snail', 'ocellaris-clownfish', 'temperature')).toBe('no');
    expect(found([lodger('margarita-snail', 4)], 'temperature')?.severity).toBe('no');
    expect(found([lodger('trochus-snail', 4)], 'temperature')).toBeUndefined();
  });

  it('a slow feeder beside quick ones, but not one that grazes all day', () => {
    expect(severity('copperband-butterflyfish', 'six-line-wrasse', 'feedingPace')).toBe('care');
    expect(severity('mandarin-dragonet', 'six-line-wrasse', 'feedingPace')).toBeUndefined();
    expect(severity('cleaner-wrasse', 'picasso-triggerfish', 'temper')).toBe('no');
  });
});

describe('its own kind', () => {
  it('young clownfish make a pair, a third is driven off, another kind of them is not borne', () => {
    expect(found([lodger('ocellaris-clownfish', 2)], 'ownKind')).toBeUndefined();
    expect(found([lodger('ocellaris-clownfish', 3)], 'ownKind')?.severity).toBe('no');
    expect(severity('ocellaris-clownfish', 'maroon-clownfish', 'lookAlike')).toBe('no');
  });

  it('dottybacks one, damsels one', () => {
    expect(severity('orchid-dottyback', 'springeri-dottyback', 'lookAlike')).toBe('no');
    expect(found([lodger('domino-damselfish', 2)], 'ownKind')?.severity).toBe('no');
  });

  it('tangs by genus and by shape, by the room there is', () => {
    const small: Home = { ...LARGE, litres: 500, lengthCm: 180 };
    expect(severity('yellow-tang', 'scopas-tang', 'lookAlike', small)).toBe('no');
    expect(severity('yellow-tang', 'scopas-tang', 'lookAlike')).toBe('care');
    expect(severity('yellow-tang', 'kole-tang', 'lookAlike', small)).toBe('care');
  });

  it('two entries of a solitary fish are two of it', () => {
    expect(found([lodger('royal-gramma'), lodger('royal-gramma')], 'ownKind')?.severity).toBe('no');
    expect(found([lodger('coral-banded-shrimp', 2)], 'ownKind')?.severity).toBe('care');
    expect(found([lodger('coral-banded-shrimp', 3)], 'ownKind')?.severity).toBe('no');
  });

  it('too few of a group', () => {
    expect(found([lodger('green-chromis', 2)], 'company')?.severity).toBe('care');
    expect(found([lodger('green-chromis', 6)], 'company')).toBeUndefined();
  });
});

describe('food', () => {
  it('pods feed one grazer in a small tank', () => {
    const small: Home = { ...LARGE, litres: 208 };
    expect(severity('mandarin-dragonet', 'spotted-mandarin', 'pods', small)).toBe('no');
    expect(found([lodger('mandarin-dragonet')], 'pods', small)?.severity).toBe('care');
  });

  it('hermits need spare shells, specialists their food', () => {
    expect(severity('blue-legged-hermit', 'astraea-snail', 'shells')).toBe('care');
    expect(found([lodger('blue-linckia')], 'specialist')?.severity).toBe('care');
  });
});

describe('clean-up crew and corals', () => {
  it('nippers, bulldozers, carriers, wanderers', () => {
    expect(severity('coral-beauty', 'zoanthids', 'nipsCorals')).toBe('care');
    expect(severity('emperor-angelfish', 'zoanthids', 'nipsCorals')).toBe('no');
    expect(severity('coral-beauty', 'maxima-clam', 'nipsCorals')).toBe('care');
    expect(severity('mexican-turbo-snail', 'hammer-coral', 'knocksOver')).toBe('care');
    expect(severity('tuxedo-urchin', 'zoanthids', 'knocksOver')).toBe('care');
    expect(severity('bubble-tip-anemone', 'hammer-coral', 'wanders')).toBe('care');
  });

  it('sweepers by their reach, chemistry against small polyps', () => {
    const stingRange = found([lodger('galaxea'), lodger('zoanthids')], 'stingRange');
    expect(stingRange?.mend).toMatch(/^30 cm/);
    expect(severity('toadstool-leather', 'acropora-millepora', 'chemistry')).toBe('care');
    expect(severity('hammer-coral', 'frogspawn', 'stingRange')).toBeUndefined();
  });
});

describe('an animal and its tank', () => {
  it('a fish that will outgrow it has a date, one that has outgrown it is refused', () => {
    const home: Home = { ...LARGE, litres: 320, lengthCm: 120 };
    const tang = judgeTogether([lodger('yellow-tang', 1, { sizeCm: 6 })], home);
    expect(tang.find(({ rule }) => rule === 'outgrows')?.because).toMatch(/months/);
    expect(found([lodger('naso-tang')], 'roomToLive', { ...home, litres: 200 })?.severity).toBe(
      'no',
    );
  });

  it('a jawfish wants its sand, every fish a lid, boxfish their warning', () => {
    expect(found([lodger('pearly-jawfish')], 'sandBed', { ...LARGE, sandCm: 3 })?.severity).toBe(
      'no',
    );
    expect(found([lodger('pearly-jawfish')], 'sandBed')).toBeUndefined();
    expect(found([lodger('royal-gramma')], 'lid', { ...LARGE, lid: false })?.severity).toBe('no');
    for (const id of ['yellow-boxfish', 'sea-hare', 'sea-cucumber-tiger-tail']) {
      expect([id, found([lodger(id)], 'poison')?.because]).toEqual([
        id,
        expect.stringMatching(/poison/),
      ]);
    }
  });
});

describe('a community moved from an older tank', () => {
  it('is borne with its reason; what swallows goes on swallowing', () => {
    const small: Home = { ...LARGE, litres: 500 };
    const tangs = [
      lodger('yellow-tang', 1, { together: 'old' }),
      lodger('scopas-tang', 1, { together: 'old' }),
    ];
    const borne = found(tangs, 'lookAlike', small);
    expect([borne?.severity, borne?.because]).toEqual([
      'care',
      expect.stringMatching(/lived together before/),
    ]);
    const eaten = [
      lodger('volitans-lionfish', 1, { together: 'old' }),
      lodger('firefish', 1, { together: 'old' }),
    ];
    expect(found(eaten, 'swallows')?.severity).toBe('no');
  });
});

describe('any animals', () => {
  const animal = fc.constantFrom<CatalogueAnimal>(...CATALOGUE);
  const some = fc.uniqueArray(fc.record({ animal, count: fc.integer({ min: 1, max: 6 }) }), {
    maxLength: 6,
    selector: (lodger) => lodger.animal.id,
  });

  it('come to the same findings in any order, each with words', () => {
    fc.assert(
      fc.property(some, (lodgers) => {
        const key = (list: Finding[]) =>
          list
            .map(({ rule, severity, between }) => [rule, severity, ...[...between].sort()].join())
            .sort();
        const findings = judgeTogether(lodgers, LARGE);
        expect(key(judgeTogether([...lodgers].reverse(), LARGE))).toEqual(key(findings));
        for (const { because, mend, between } of findings) {
          expect(`${because} ${mend}`).not.toMatch(/undefined|NaN/);
          expect(between.every((id) => lodgers.some((one) => one.animal.id === id))).toBe(true);
        }
      }),
      { numRuns: draws(20) },
    );
  });

  it('lose nothing by one more: what newcomers bring adds to what stood', () => {
    fc.assert(
      fc.property(some, animal, (residents, newcomer) => {
        const mine = judgeNewcomers([{ animal: newcomer, count: 1 }], residents, ANY_HOME);
        expect(mine.every(({ between }) => between.includes(newcomer.id))).toBe(true);
      }),
      { numRuns: draws(20) },
    );
  });

  it('of the whole catalogue: no mouth swallows what is deeper than it', () => {
    for (const a of CATALOGUE) {
      for (const b of CATALOGUE) {
        if (a.id === b.id) continue;
        const swallowed = judgeTogether(
          [
            { animal: a, count: 1 },
            { animal: b, count: 1 },
          ],
          LARGE,
        ).filter(({ rule }) => rule === 'swallows');
        if (swallowed.length === 0 || a.group !== 'fish' || b.group !== 'fish') continue;
        const depths = [...(swallowed[0]?.because ?? '').matchAll(/(\d+(\.\d+)?)/g)].map(([n]) =>
          Number(n),
        );
        expect((depths[0] ?? 0) >= (depths[1] ?? Infinity)).toBe(true);
      }
    }
  });
});
