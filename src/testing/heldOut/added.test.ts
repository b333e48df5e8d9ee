import { addedStudy, heldShare } from './added';
import { draws } from '../draws';
import { drawLives } from './study';

describe('animals added to tanks of another model', () => {
  it('peak under the 90th percentile in most of them, over the median in some', () => {
    const few = { seed: 1, particles: 60, otherParticles: 10, members: 60 };
    const trials = addedStudy(drawLives(draws(6), 31), 5, few);
    expect(trials.every(({ p50, p90, truth }) => p50 <= p90 && truth > 0)).toBe(true);
    expect(heldShare(trials, 'p90')).toBeGreaterThanOrEqual(0.75);
    expect(heldShare(trials, 'p50')).toBeLessThan(1);
  });
});
