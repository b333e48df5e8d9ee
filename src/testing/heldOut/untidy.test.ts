import { ASSURED } from '../assured';
import { byAssurance, judge, type Ask } from './judge';
import { runReef } from './reef';
import { falsehoodOf } from './truth';
import { TROUBLES, type Trouble } from './troubles';
import { liveUntidily, DONE_RULE_CHOICES } from './untidy';
import { middlingReef } from './plainLife';

const BOTH_ZERO = { rule: 'bothZero' } as const;
const lives = TROUBLES.map((trouble, n) => liveUntidily(trouble, BOTH_ZERO, 'bottle', 40 + n));
const life = (trouble: Trouble) => {
  const found = lives.find((l) => l.trouble === trouble);
  if (!found) throw new Error(trouble);
  return found;
};

/** Kinds that leave other filter bacteria, or fewer, than tests have shown. */
const HARMING: ReadonlySet<Trouble> = new Set<Trouble>([
  'treated',
  'byLabel',
  'rockRemoved',
  'movedDry',
  'restarted',
  'refilled',
  'emptied',
  'heaterFailed',
  'untreatedTap',
]);

describe('untidy lives', () => {
  it('are the same for the same seed', () => {
    const again = liveUntidily('none', BOTH_ZERO, 'bottle', 40);
    expect(again.testSessions).toEqual(life('none').testSessions);
    expect(again.builder.revisions).toEqual(life('none').builder.revisions);
  });

  it('go as their trouble says', () => {
    expect(life('unfed').doses).toEqual([]);
    expect(life('none').events).toEqual([]);
    expect(life('diluted').events.some((e) => e.what === 'change' && e.share >= 0.6)).toBe(true);
    const bought = life('kitLate').testSessions.find((s) => s.nitrite !== null)?.day ?? 0;
    expect(bought).toBeGreaterThanOrEqual(14);
    const kinds = (trouble: Trouble) =>
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
    const starved = {
      ...life('unfed'),
      doneRule: { rule: 'challenge', windowHours: 24 } as const,
    };
    expect(falsehoodOf(starved, 60)).toBe('notRepeated');
  });
});

/** Asks of a life under one rule for done; `answer` is what the forecast says each time. */
const judgeOne = (one: ReturnType<typeof life>, ask: Ask) => {
  const [judged] = judge(one, ask);
  if (!judged) throw new Error('no rule for done');
  return judged;
};
const assured: Ask = () => () => ASSURED;

describe('the verdict along a life', () => {
  it('is asked of the forecast where the rules leave it open, and counted', () => {
    let asked = 0;
    const judged = judgeOne(life('none'), () => () => {
      asked += 1;
      return ASSURED;
    });
    expect(judged.granted).not.toBeNull();
    expect(judged.ready).toBe(judged.granted);
    expect(asked).toBeGreaterThanOrEqual(judged.grants);
    expect(judged.falseReadies.length).toBeGreaterThanOrEqual(judged.falseGrants.length);
    expect(judged).toMatchObject({ ableWithheld: 0, withheld: 0 });
    const doubted: Ask = () => () => ({ ...ASSURED, stays: 0 });
    const withheld = judgeOne(life('none'), doubted);
    expect(withheld).toMatchObject({ ready: null, falseReadies: [] });
    expect(withheld.falseGrants).toEqual(judged.falseGrants);
    expect(withheld.ableWithheld).toBe(withheld.able);
    expect(withheld.withheld).toBe(withheld.grants);
  });

  it('asks nothing of an untidy life where ready would be true', () => {
    let asked = 0;
    const judged = judgeOne(life('fiveHours'), () => () => {
      asked += 1;
      return ASSURED;
    });
    expect(asked).toBe(judged.falseGrants.length);
  });

  it('weighs the readings of a look once for all rules for done', () => {
    let weighed = 0;
    const looks = new Set<number>();
    const all = judge(
      life('none'),
      (problem) => {
        weighed += 1;
        looks.add(problem.at);
        return () => ASSURED;
      },
      DONE_RULE_CHOICES,
    );
    expect(all.map(({ doneRule }) => doneRule)).toEqual(DONE_RULE_CHOICES);
    expect(weighed).toBe(looks.size);
  });

  it('is never ready by rules alone in a tank that was harmed and not shown anew', () => {
    const kinds = TROUBLES.filter((trouble) => HARMING.has(trouble));
    expect(kinds.length).toBe(HARMING.size);
    for (const [n, trouble] of kinds.entries()) {
      const harmed = liveUntidily(trouble, { rule: 'bothZero' }, 'liveRock', 900 + n);
      const harm = harmed.events[0]?.day ?? Infinity;
      for (const judged of judge(harmed, assured, DONE_RULE_CHOICES)) {
        // Doses given since may show the filter bacteria that are left, and that is told by the forecast.
        const unfed = harmed.doses.every((dose) => dose.day < harm);
        if (unfed) expect(judged.falseReadies.filter((f) => f.day > harm)).toEqual([]);
      }
    }
  });

  // Its filter bacteria decay at 0.2 a day, three times as fast as usual, and nobody feeds them for a fortnight.
  it('does not call filter bacteria ready that starve and carry no fish', () => {
    const seed = 2_000_003 + 97 * 159 + 7919 * 6;
    const starved = liveUntidily('kitLate', { rule: 'algaeSuccession' }, 'dryRock', seed);
    // One look in four: each takes the forecast a second.
    const testSessions = starved.testSessions.filter((_, n) => n % 4 === 0);
    const [judged] = judge({ ...starved, testSessions }, byAssurance, [{ rule: 'bothZero' }]);
    expect(judged?.falseGrants.length).toBeGreaterThan(0);
    expect(judged?.falseReadies).toEqual([]);
  });
});
