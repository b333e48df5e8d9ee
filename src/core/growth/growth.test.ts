import fc from 'fast-check';
import { cleanUpCrewFor } from './cleanUpCrew';
import { PEST_SIGN_IDS, PEST_URGENCIES, PESTS, pestsBy } from './pests';
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
    expect(first({ colour: 'green', texture: 'feathers', comesOff: 'holds' }, 30)).toBe('bryopsis');
    expect(first({ colour: 'red', texture: 'turf', place: 'rock' }, 30)).toBe('turf');
    const golden = { colour: 'golden', texture: 'slime', comesOff: 'strings' };
    expect(first({ ...golden, night: 'same', bubbles: 'none' })).toBe('chrysophytes');
    expect(first({ ...golden, night: 'gone', bubbles: 'many' })).toBe('brownSnot');
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

  it('UV is named for dinoflagellates alone, and only behind a microscope', () => {
    const named = KNOWN_GROWTHS.filter(({ do: lines }) => /\bUV\b/.test(lines.join()));
    expect(named.map(({ id }) => id)).toEqual(['brownSnot']);
    const line = named[0]?.do.find((one) => /UV/.test(one));
    expect(line).toMatch(/^A microscope first.*only against kinds that swim free/);
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

describe('pests of corals and rock', () => {
  it('each sign leads to one at least, the most pressing first', () => {
    for (const sign of PEST_SIGN_IDS) {
      const found = pestsBy(sign);
      expect([sign, found.length > 0]).toEqual([sign, true]);
      const ranks = found.map(({ urgency }) => PEST_URGENCIES.indexOf(urgency));
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    }
    expect(pestsBy('jelly').map(({ id }) => id)).toEqual(['brownJelly']);
  });

  it('a remedy is never given a dose, and goes by its label or a veterinarian', () => {
    for (const { id, first, not } of PESTS) {
      expect([id, /\d\s*(mg|g|ml|drops?)\b/i.test(`${first} ${not}`)]).toEqual([id, false]);
      if (/\b(dip|remedy|medicine)\b/i.test(first)) {
        expect([id, /label|veterinarian/.test(first)]).toEqual([id, true]);
      }
    }
  });

  it('eggs outlive a dip, and whoever handles zoanthids is warned', () => {
    for (const pest of pestsBy('eggs')) {
      expect([pest.id, /weekly for (four|six) weeks/.test(pest.first)]).toEqual([pest.id, true]);
    }
    const zoanthids = PESTS.filter(({ looks, name }) => /zoanthid/i.test(`${name} ${looks}`));
    expect(zoanthids.map(({ caution }) => caution)).toEqual(['palytoxin']);
  });
});

describe('the clean-up crew', () => {
  it('begins with a quarter of the rule of thumb, by what there is to eat', () => {
    expect(cleanUpCrewFor(200, [{ growth: 'film', extent: 'patches' }], 0)).toMatchObject({
      bySnails: 50,
      byGrazers: 11,
      addNow: 13,
    });
    expect(cleanUpCrewFor(200, [{ growth: 'film', extent: 'trace' }], 0).addNow).toBeLessThan(8);
    expect(cleanUpCrewFor(200, [], 0)).toMatchObject({ addNow: 0, starves: false });
  });

  it('counts who is there, adds when it does not hold, and warns of hunger', () => {
    expect(cleanUpCrewFor(200, [{ growth: 'hair', extent: 'patches' }], 13).addNow).toBe(0);
    expect(cleanUpCrewFor(200, [{ growth: 'hair', extent: 'covering' }], 13).addNow).toBe(7);
    expect(cleanUpCrewFor(200, [{ growth: 'film', extent: 'none' }], 9)).toMatchObject({
      starves: true,
      addNow: 0,
    });
    // A red skin feeds nobody.
    expect(cleanUpCrewFor(200, [{ growth: 'sheet', extent: 'covering' }], 0).addNow).toBe(0);
  });
});
