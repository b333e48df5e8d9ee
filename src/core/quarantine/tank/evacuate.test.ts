import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { finderWith } from '../../livestock/roster/lodgers';
import { evacuationOf } from './evacuate';

const find = finderWith([]);

function display(...species: [string, number][]) {
  const log = new LogBuilder();
  for (const [id, count] of species) {
    const animal = find(id);
    log.entry(onDay(1), {
      kind: 'animals',
      move: 'in',
      group: animal?.group ?? 'fish',
      what: animal?.names[0] ?? id,
      species: id,
      count,
    });
  }
  return tankHistory(log.log(), log.tankId, onDay(40));
}

describe('an evacuation', () => {
  it('counts fish alone, by their lengths and what they make', () => {
    const history = display(['ocellaris-clownfish', 2], ['trochus-snail', 5], ['hammer-coral', 1]);
    const small = evacuationOf(history, 40, onDay(40), find);
    expect(small.fish.map(({ what, here }) => [what, here])).toHaveLength(1);
    expect(small.litres.wanted).toBeGreaterThan(0);
    expect(small.rivals).toEqual([]);
    const large = evacuationOf(history, 400, onDay(40), find);
    // Ten times the water gathers a tenth as fast: a longer interval, or a smaller share.
    expect((large.ammonia?.litresAWeek ?? 0) / 400).toBeLessThan(
      (small.ammonia?.litresAWeek ?? 0) / 40,
    );
    expect(evacuationOf(history, 0, onDay(40), find).ammonia).toBeNull();
    expect(evacuationOf(display(['hammer-coral', 1]), 80, onDay(40), find)).toMatchObject({
      cm: 0,
      ammonia: null,
    });
  });

  it('names those that no bare tank holds together', () => {
    const between = (...species: [string, number][]) =>
      evacuationOf(display(...species), 200, onDay(40), find).rivals.map((found) =>
        found.between.toSorted(),
      );
    expect(
      between(['orchid-dottyback', 1], ['firefish', 1], ['bicolor-dottyback', 1]),
    ).toContainEqual(['bicolor-dottyback', 'orchid-dottyback']);
    expect(between(['volitans-lionfish', 1], ['firefish', 1])).not.toEqual([]);
    expect(between(['ocellaris-clownfish', 2], ['firefish', 1])).toEqual([]);
  });
});
