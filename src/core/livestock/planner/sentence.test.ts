import fc from 'fast-check';
import { stockSentence } from './sentence';
import type { Plan, PlanLoad } from './types';

const load = (changes: Partial<PlanLoad> = {}): PlanLoad =>
  ({
    now: 20,
    feedingLimit: 40,
    carries: { low: 60, usual: 90, high: 120 },
    smallFish: 5,
    ...changes,
  }) as PlanLoad;
const planOf = (changes: Partial<PlanLoad> = {}) =>
  ({ items: [], refused: [], load: load(changes) }) as unknown as Plan;
const facts = (fish: boolean, isReady = true) => ({
  isReady,
  cohorts: fish ? [{ group: 'fish' }] : [],
});
const said = (plan: Plan | null, fish = true, isReady = true) =>
  stockSentence(plan, facts(fish, isReady) as never);

describe('the first sentence of Stock', () => {
  it('is about the cycle while that is not done, and says what is being worked out', () => {
    expect(said(planOf(), true, false).title).toBe('Not ready for animals.');
    expect(said(null).title).toBe('Who lives here.');
    expect(said(planOf({ feedingLimit: null, carries: null })).title).toBe('Room by your pace.');
  });

  it('names the tighter of pace and filter, and what the other has room for', () => {
    // (40 − 20) / 5 by the pace, (60 − 20) / 5 by the filter.
    const byPace = said(planOf());
    expect(byPace.title).toBe('Room for four small fish.');
    expect(byPace.text).toBe(
      'The filter has room for 8; doubling the food within a month is the limit you chose.',
    );
    const byFilter = said(planOf({ feedingLimit: 60, carries: { low: 31, usual: 90 } }));
    expect(byFilter.title).toBe('Room for two small fish.');
    expect(byFilter.text).toMatch(/^Your pace has room for 8; what the filter carries/);
    expect(said(planOf({ feedingLimit: 22 })).title).toBe('No room for more just now.');
    expect(said(planOf({ feedingLimit: 90, carries: null })).title).toBe(
      'Room for several small fish.',
    );
  });

  it('of a tank without fish, the first addition is two small ones whatever the filter proved', () => {
    expect(said(planOf({ now: 0, feedingLimit: 10 }), false).text).toMatch(
      /the first addition is two small fish or a pair/,
    );
  });

  it('never promises more room than either limit has', () => {
    const figure = fc.double({ min: 0, max: 300, noNaN: true });
    fc.assert(
      fc.property(figure, figure, figure, (now, feedingLimit, low) => {
        const { title } = said(planOf({ now, feedingLimit, carries: { low, usual: low + 10 } }));
        const fits = Math.floor((Math.min(feedingLimit, low) - now) / 5);
        if (fits <= 0) expect(title).toBe('No room for more just now.');
        else expect(title).toMatch(/^Room for (one|two|three|four|five|several) small fish\.$/);
      }),
    );
  });
});
