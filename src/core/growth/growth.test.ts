import fc from 'fast-check';
import { crewFor } from './crew';
import {
  FEATURE_IDS,
  FEATURES,
  identify,
  KNOWN_GROWTHS,
  loggedAs,
  nextLook,
  surenessWords,
  type Seen,
} from './identify';

describe('naming a growth', () => {
  it('has a chance for every answer, and each adds up', () => {
    for (const growth of KNOWN_GROWTHS) {
      for (const feature of FEATURE_IDS) {
        const sum = Object.values(growth[feature]).reduce((a, b) => a + b, 0);
        expect([growth.id, feature, Math.round(sum * 100)]).toEqual([growth.id, feature, 100]);
        for (const option of Object.keys(growth[feature])) {
          expect(Object.keys(FEATURES[feature].options)).toContain(option);
        }
      }
      expect(growth.do.length * growth.not.length).toBeGreaterThan(0);
    }
  });

  it('knows the usual ones by their looks', () => {
    const first = (seen: Seen, weeks: number | null = 8) => identify(seen, weeks)[0]?.growth.id;
    expect(first({ colour: 'brown', texture: 'dust', comesOff: 'wipes' }, 3)).toBe('diatoms');
    expect(first({ colour: 'red', texture: 'sheet', comesOff: 'peels' })).toBe('sheet');
    expect(first({ colour: 'green', texture: 'threads' })).toBe('hair');
    expect(first({ colour: 'brown', texture: 'slime', bubbles: 'many', night: 'gone' })).toBe(
      'brownSnot',
    );
    expect(first({ texture: 'crust' }, 30)).toBe('coralline');
    expect(first({ texture: 'beads' })).toBe('bubble');
  });

  it('brown alone is open between dust and snot, and the next look is one that tells them apart', () => {
    const likely = identify({ colour: 'brown' }, 8);
    expect(likely[0]?.chance).toBeLessThan(0.7);
    const next = nextLook({ colour: 'brown' }, 8);
    expect(['texture', 'comesOff', 'night', 'bubbles']).toContain(next?.feature);
    const asked = identify({ colour: 'brown', night: 'gone', bubbles: 'many' }, 8);
    expect([asked[0]?.growth.id, surenessWords(asked[0]?.chance ?? 0)]).toEqual([
      'brownSnot',
      'almost certainly',
    ]);
    // The one piece of advice that must not be got wrong.
    expect(asked[0]?.growth.not.join()).toMatch(/Starving it of nutrients: that makes it worse/);
  });

  it('chances sum to one, and a look never lowers the sum of what is known', () => {
    const seen = fc.record(
      Object.fromEntries(
        FEATURE_IDS.map((id) => [id, fc.constantFrom(...Object.keys(FEATURES[id].options))]),
      ),
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(seen, fc.option(fc.integer({ min: 0, max: 200 })), (looks, weeks) => {
        const likely = identify(looks as Seen, weeks);
        expect(likely.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1);
        const next = nextLook(looks as Seen, weeks);
        if (next) expect(next.bits).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });

  it('is logged under the kind of the log where there is one', () => {
    expect(
      KNOWN_GROWTHS.filter((growth) => loggedAs(growth))
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['brownSnot', 'diatoms', 'film', 'hair', 'sheet']);
  });
});

describe('the crew', () => {
  it('begins with a quarter of the school, by what there is to eat', () => {
    expect(crewFor(200, [{ growth: 'film', extent: 'patches' }], 0)).toMatchObject({
      bySnails: 50,
      byGrazers: 11,
      addNow: 13,
    });
    expect(crewFor(200, [{ growth: 'film', extent: 'trace' }], 0).addNow).toBeLessThan(8);
    expect(crewFor(200, [], 0)).toMatchObject({ addNow: 0, starves: false });
  });

  it('counts who is there, adds when it does not hold, and warns of hunger', () => {
    expect(crewFor(200, [{ growth: 'hair', extent: 'patches' }], 13).addNow).toBe(0);
    expect(crewFor(200, [{ growth: 'hair', extent: 'covering' }], 13).addNow).toBe(7);
    expect(crewFor(200, [{ growth: 'film', extent: 'none' }], 9)).toMatchObject({
      starves: true,
      addNow: 0,
    });
    // A red skin feeds nobody.
    expect(crewFor(200, [{ growth: 'sheet', extent: 'covering' }], 0).addNow).toBe(0);
  });
});
