import fc from 'fast-check';
import { animalOf } from '../livestock/catalogue';
import type { Position } from '../records/schema/position';
import { DEFAULT_REEF } from '../records/schema/tank';
import {
  distanceCm,
  flowAt,
  gapBetween,
  isCoral,
  lightSteps,
  placeFindings,
  usualDraw,
  type Placed,
} from './placing';
import { rampSteps } from './ramp';

const LENGTH = 120;

function at(species: string, x: number, z = 20, level: Position['level'] = 'middle'): Placed {
  const animal = animalOf(species);
  if (!isCoral(animal)) throw new Error(`${species} is no coral`);
  return {
    id: `${species}/${x}`,
    animal,
    position: { tankId: 't', what: animal.names[0] ?? species, species, x, z, level },
  };
}

const rules = (placed: Placed[]) =>
  placeFindings(placed, DEFAULT_REEF, LENGTH).map(({ rule, severity }) => `${rule}:${severity}`);

describe('places of corals', () => {
  it('sweepers by their reach at night, and five centimetres more', () => {
    expect(rules([at('galaxea', 20), at('candy-cane', 40)])).toContain('stingRange:no');
    expect(rules([at('galaxea', 20), at('candy-cane', 48)])).toContain('stingRange:care');
    expect(rules([at('galaxea', 20), at('candy-cane', 60)])).not.toContain('stingRange:no');
    // Of one family they bear to touch.
    expect(
      rules([at('hammer-coral', 20), at('frogspawn', 24)]).filter((rule) =>
        rule.startsWith('stingRange'),
      ),
    ).toEqual([]);
  });

  it('height counts as well as floor', () => {
    expect(
      distanceCm(
        at('zoanthids', 10, 10, 'sand').position,
        at('zoanthids', 10, 10, 'high').position,
      ),
    ).toBe(34);
    expect(rules([at('galaxea', 20, 20, 'middle'), at('zoanthids', 22, 20, 'sand')])).toContain(
      'stingRange:no',
    );
  });

  it('light by level, flow by thirds', () => {
    expect(rules([at('acropora-millepora', 60, 20, 'sand')])).toContain('light:no');
    expect(rules([at('acropora-millepora', 60, 20, 'middle')])).toContain('light:care');
    expect(rules([at('discosoma', 60, 20, 'high')])).toContain('light:no');
    const reef = {
      ...DEFAULT_REEF,
      flow: ['strong', 'medium', 'gentle'] as ['strong', 'medium', 'gentle'],
    };
    expect([0, 39, 41, 119, 500].map((x) => flowAt(reef, x, LENGTH))).toEqual([
      'strong',
      'strong',
      'medium',
      'gentle',
      'gentle',
    ]);
    expect(
      placeFindings([at('discosoma', 5, 20, 'low')], reef, LENGTH).map(({ rule }) => rule),
    ).toContain('flow');
  });

  it('what spreads needs its room, what fights through the water is said once', () => {
    expect(rules([at('green-star-polyps', 20), at('zoanthids', 30)])).toContain('room:care');
    const many = [
      at('toadstool-leather', 10),
      at('finger-leather', 60),
      at('acropora-tenuis', 110, 20, 'high'),
      at('porites', 80, 20, 'high'),
    ];
    expect(rules(many).filter((rule) => rule.startsWith('chemistry'))).toHaveLength(1);
  });

  it('no gap is short of the reach of either', () => {
    const coral = fc.constantFrom(
      'galaxea',
      'torch-coral',
      'zoanthids',
      'acropora-tenuis',
      'discosoma',
      'favia',
    );
    fc.assert(
      fc.property(coral, coral, (a, b) => {
        const [one, other] = [at(a, 0).animal, at(b, 0).animal];
        const gap = gapBetween(one, other);
        expect(gap).toBe(gapBetween(other, one));
        if (one.family !== other.family)
          expect(gap).toBeGreaterThan(Math.min(1, Math.max(one.sweepersCm, other.sweepersCm)));
      }),
    );
  });
});

describe('light', () => {
  it('a piece from dim light rises a level every two weeks; one from bright light goes in place', () => {
    expect(lightSteps('low', 'high', DEFAULT_REEF)).toEqual([
      { day: 0, level: 'low' },
      { day: 14, level: 'middle' },
      { day: 28, level: 'high' },
    ]);
    expect(lightSteps('high', 'high', DEFAULT_REEF)).toEqual([{ day: 0, level: 'high' }]);
    expect(lightSteps('high', 'sand', DEFAULT_REEF)).toEqual([{ day: 0, level: 'sand' }]);
    expect(lightSteps(undefined, 'middle', DEFAULT_REEF)[0]).toEqual({ day: 0, level: 'low' });
  });

  it('a ramp has a step a week across the change of clocks, and ends where it should', () => {
    const steps = rampSteps({ from: 25, to: 65, weeks: 8, start: '2026-03-20' }, 'Europe/Berlin');
    expect(steps).toHaveLength(9);
    expect([steps[0]?.percent, steps[4]?.percent, steps.at(-1)?.percent]).toEqual([25, 45, 65]);
    const hours = steps.map(({ at: when }) => new Date(when).toISOString().slice(11, 16));
    expect([hours[0], hours.at(-1)]).toEqual(['23:00', '22:00']);
  });
});

describe('alkalinity', () => {
  it('the usual draw goes with the colonies and against the water', () => {
    const corals = [at('acropora-tenuis', 0).animal, at('hammer-coral', 0).animal];
    const small = usualDraw(corals, 100);
    const large = usualDraw(corals, 200);
    expect(small.low).toBeCloseTo(large.low * 2);
    expect(small.high / small.low).toBeCloseTo(4);
    expect(usualDraw([], 100)).toEqual({ low: 0, high: 0 });
  });
});
