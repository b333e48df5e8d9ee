import { cycleProblem, infer } from '../cycle/forecast';
import { carry } from '../cycle/forecast/course/carry';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { upkeepOfNew } from '../maintenance/upkeepOfNew';
import { moveTank } from '../runs/procedures/moveTank';
import { stepsOf, stepText } from '../runs/procedure';
import { gapOf, gapWords, KEPT, moveWater } from './plan';
import { withoutShare } from './withoutShare';

describe('the water of a move', () => {
  it('from 76 to 208 L takes 38 L of old water and a tenth more than the rest in new', () => {
    expect(moveWater(76, 208)).toEqual({ old: 38, fresh: expect.closeTo(187, 6) });
    expect(moveWater(300, 100)).toEqual({ old: 100, fresh: 0 });
  });
});

describe('the gap of the filter', () => {
  function settled() {
    const builder = new LogBuilder();
    builder.dose(onDay(1), 2);
    builder.ammonia(onDay(4), 2);
    builder.nitrite(onDay(8), 2);
    for (const day of [18, 22, 26]) {
      builder.ammonia(onDay(day), 0);
      builder.nitrite(onDay(day), 0);
    }
    return tankHistory(builder.log(), builder.tankId, onDay(27));
  }
  const history = settled();
  const gap = (kept: number, ratio = 1) => {
    const problem = cycleProblem(withoutShare(history, 1 - kept, onDay(27)), onDay(27));
    const load = [{ fromDay: 0, nitrogen: 0.4 }];
    return gapOf(
      carry(
        infer(problem, { seed: 1, particles: 120, otherParticles: 24, members: 120 }),
        load,
        28,
      ),
      ratio,
    );
  };

  it('grows as less comes along, and shrinks in more water', () => {
    const [all, rock, sponge] = [1, KEPT.rock.share, KEPT.sponge.share].map((kept) => gap(kept));
    expect(rock?.usual).toBeGreaterThanOrEqual(all?.usual ?? Infinity);
    expect(sponge?.usual).toBeGreaterThan(rock?.usual ?? Infinity);
    expect(sponge?.high).toBeGreaterThanOrEqual(sponge?.usual ?? Infinity);
    expect(gap(KEPT.sponge.share, 76 / 208).usual).toBeCloseTo(
      (sponge?.usual ?? 0) * (76 / 208),
      9,
    );
  }, 60_000);

  it('leaves a history that keeps all of it as it was', () => {
    expect(withoutShare(history, 0, onDay(27))).toBe(history);
    expect(withoutShare(history, 0.4, onDay(27)).entries.media).toHaveLength(1);
    expect(history.entries.media).toHaveLength(0);
  });

  it('is said by what it does to gills', () => {
    expect(gapWords({ usual: 0.004, high: 0.01, days: 3 }).title).toBe(
      'The filter should carry them at once.',
    );
    expect(gapWords({ usual: 0.02, high: 0.04, days: 3 }).title).toBe('A small gap.');
    expect(gapWords({ usual: 0.05, high: 0.2, days: 9 })).toMatchObject({
      title: 'The filter falls short for a time.',
    });
  });
});

describe('the order of a move', () => {
  const run = (kept: string) => ({
    procedure: 'moveTank',
    tankId: 'x',
    begunAt: '',
    ended: null,
    given: { kept, litres: 208, old: 38, fresh: 187 },
    steps: {},
    clocks: {},
  });

  it('takes corals, then rock, then fish out, and never moves old sand unrinsed', () => {
    const ids = stepsOf(moveTank, run('rockAndMedia')).map(({ id }) => id);
    const place = (id: string) => ids.indexOf(id);
    expect(place('corals')).toBeLessThan(place('rock'));
    expect(place('rock')).toBeLessThan(place('fish'));
    expect(place('fish')).toBeLessThan(place('sand'));
    expect(place('fill')).toBeLessThan(place('in'));
    expect(ids).not.toContain('rinse');
    const rinsed = stepsOf(moveTank, run('all'));
    expect(rinsed.map(({ id }) => id)).not.toContain('sand');
    const rinse = rinsed.find(({ id }) => id === 'rinse');
    expect(rinse && stepText(rinse, run('all'), null)).toMatch(
      /Never unrinsed, never with animals/,
    );
  });

  it('knows the litres that were worked out', () => {
    const texts = stepsOf(moveTank, run('rock')).map((step) => stepText(step, run('rock'), null));
    expect(texts.join(' ')).toMatch(/\*\*187 L\*\*.*\*\*38 L\*\*/s);
  });
});

describe('one more tank', () => {
  it('takes more as it is larger, and more with a sump, and counts its changes', () => {
    const builder = new LogBuilder();
    const history = tankHistory(builder.log(), builder.tankId);
    const small = upkeepOfNew(history, 60, false);
    const large = upkeepOfNew(history, 300, false);
    expect(small.litres).toBeCloseTo(6, 6);
    expect(large.litres).toBeCloseTo(15, 6);
    expect(upkeepOfNew(history, 300, true).minutes).toBeGreaterThan(large.minutes);
  });
});
