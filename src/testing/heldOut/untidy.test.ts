import { assure } from '@/core/cycle/forecast';
import { ASSURED } from '../assured';
import { judge } from './judge';
import { runReef } from './reef';
import { falsehoodOf } from './truth';
import { liveUntidily, SCHOOL_CHOICES, TROUBLES } from './untidy';
import { middlingReef } from './plainLife';

const BOTH_ZERO = { school: 'bothZero' } as const;
const lives = TROUBLES.map((trouble, n) => liveUntidily(trouble, BOTH_ZERO, 'bottle', 40 + n));
const life = (trouble: (typeof TROUBLES)[number]) => {
  const found = lives.find((l) => l.trouble === trouble);
  if (!found) throw new Error(trouble);
  return found;
};

describe('untidy lives', () => {
  it('are the same for the same seed', () => {
    const again = liveUntidily('none', BOTH_ZERO, 'bottle', 40);
    expect(again.sittings).toEqual(life('none').sittings);
    expect(again.builder.revisions).toEqual(life('none').builder.revisions);
  });

  it('go as their trouble says', () => {
    expect(life('unfed').doses).toEqual([]);
    expect(life('none').events).toEqual([]);
    expect(life('diluted').events.some((e) => e.what === 'change' && e.share >= 0.6)).toBe(true);
    const bought = life('kitLate').sittings.find((s) => s.nitrite !== null)?.day ?? 0;
    expect(bought).toBeGreaterThanOrEqual(14);
    const kinds = (trouble: (typeof TROUBLES)[number]) =>
      life(trouble).builder.revisions.flatMap((r) =>
        r.type === 'entry' && r.body.kind === 'dose' ? [r.body.substance] : [],
      );
    expect(kinds('bound')).toContain('ammoniaBinder');
  });

  it('do to the water what is logged', () => {
    const reef = middlingReef('bottle');
    const doses = [{ day: 1, believed: 2 }];
    const plain = runReef(reef, doses);
    const at = (course: typeof plain, day: number) => course.ammonia[day * 24] ?? 0;
    const changed = runReef(reef, doses, [{ day: 2, what: 'change', share: 0.9 }]);
    expect(at(changed, 3)).toBeLessThan(0.2 * at(plain, 3));
    const rotting = runReef(reef, doses, [{ day: 2, what: 'rots', nitrogen: 6 }]);
    expect(at(rotting, 8)).toBeGreaterThan(at(plain, 8) + 2);
    const harmed = runReef(reef, doses, [{ day: 8, what: 'harm', survival: 0.05 }]);
    expect(at(harmed, 14)).toBeGreaterThan(at(plain, 14));
    const loaded = runReef(reef, [], [{ day: 1, what: 'load', nitrogen: 0.5, days: 2 }]);
    expect(at(loaded, 4)).toBeGreaterThan(at(runReef(reef, []), 4) + 0.7);
    const raised = runReef(reef, doses, [{ day: 6, what: 'alkalinity', rise: 1.4 }]);
    const gained = (day: number) =>
      (raised.alkalinity[day * 24] ?? 0) - (plain.alkalinity[day * 24] ?? 0);
    expect([gained(6), gained(7)]).toEqual([0, expect.closeTo(1.4, 1)]);
  });
});

describe('what is false about calling a tank ready', () => {
  it('is what stands, and what is not carried', () => {
    const tidy = life('none');
    expect(falsehoodOf(tidy, 2)).toBe('stands');
    const bare = { ...tidy, doses: [], events: [] };
    expect(
      falsehoodOf(
        { ...bare, reef: { ...tidy.reef, quick: 1e-6, slow: 1e-6, labile: 0, stubborn: 0 } },
        5,
      ),
    ).toBe('notCarried');
    expect(falsehoodOf(bare, 5)).not.toBe('notRepeated');
  });

  it('is a challenge that would not pass again', () => {
    const starved = { ...life('unfed'), school: { school: 'challenge', windowHours: 24 } as const };
    expect(falsehoodOf(starved, 60)).toBe('notRepeated');
  });
});

describe('the verdict along a life', () => {
  it('is asked of the forecast where the rules grant, and counted', () => {
    let asked = 0;
    const judged = judge(life('none'), () => {
      asked += 1;
      return ASSURED;
    });
    expect(judged.granted).not.toBeNull();
    expect(judged.ready).toBe(judged.granted);
    expect(asked).toBeGreaterThan(0);
    expect(asked).toBeLessThanOrEqual(judged.grants);
    expect(judged.falseReadies).toEqual(judged.falseGrants);
    const withheld = judge(life('none'), () => ({ ...ASSURED, stays: 0 }));
    expect(withheld).toMatchObject({ ready: null, falseReadies: [] });
    expect(withheld.falseGrants).toEqual(judged.falseGrants);
  });

  it('asks nothing of an untidy life where ready would be true', () => {
    let asked = 0;
    const judged = judge(life('fiveHours'), () => {
      asked += 1;
      return ASSURED;
    });
    expect(asked).toBe(judged.falseGrants.length);
  });

  it('is never ready by rules alone in a tank that was harmed and not shown anew', () => {
    for (const [n, school] of SCHOOL_CHOICES.entries()) {
      const harmed = liveUntidily('treated', school, 'liveRock', 900 + n);
      const harm = harmed.events[0]?.day ?? Infinity;
      const judged = judge(harmed, () => ASSURED);
      expect(judged.falseReadies.filter((f) => f.day > harm)).toEqual([]);
    }
  });

  // Its colony decays at 0.2 a day, three times as fast as usual, and nobody feeds it for a fortnight.
  it('does not call a colony ready that starves and carries no fish', () => {
    const seed = 2_000_003 + 97 * 159 + 7919 * 6;
    const starved = liveUntidily('kitLate', { school: 'algaeSuccession' }, 'dryRock', seed);
    const judged = judge(starved, (problem) => assure(problem, { seed: 1 }));
    expect(judged.falseGrants.length).toBeGreaterThan(0);
    expect(judged.falseReadies).toEqual([]);
  });
});
