import fc from 'fast-check';
import { METHODS } from '../../acclimation/method';
import type { Run } from '../../records/schema/run';
import { acclimate, drawnIn, replacedIn } from './acclimate';
import { withStep } from './changes';
import { stepsOf, stepText } from '../procedure';

const AT = '2026-11-24T12:00:00Z';

const run = (given: Run['given']): Run => ({
  procedure: 'acclimate',
  tankId: 'tank',
  begunAt: AT,
  ended: null,
  given,
  steps: {},
  clocks: {},
});

const anyRun = fc
  .record({
    method: fc.constantFrom(...METHODS),
    animal: fc.constantFrom('fish', 'coral', 'shrimp', 'star'),
    litresDrawn: fc.double({ min: 0, max: 12, noNaN: true }),
    floatMinutes: fc.constantFrom(0, 15),
    dipMinutes: fc.constantFrom(0, 5),
    pods: fc.constantFrom('yes', 'no'),
  })
  .map(run);

const idsOf = (of: Run) => stepsOf(acclimate, of).map(({ id }) => id);

describe('the steps of an acclimation', () => {
  it('stop the top-off unit before a drip draws, and start it only once salt water is back', () => {
    fc.assert(
      fc.property(anyRun, (of) => {
        const ids = idsOf(of);
        const place = (id: string) => ids.indexOf(id);
        if (of.given.method !== 'drip' && of.given.method !== 'cleanDrip') {
          expect([place('topOff'), place('drip'), place('topOn')]).toEqual([-1, -1, -1]);
          return;
        }
        expect(place('topOff')).toBeLessThan(place('drip'));
        expect(place('topOff')).toBeGreaterThanOrEqual(0);
        expect(place('topOn')).toBe(ids.length - 1);
        if (drawnIn(of) >= 0.2) {
          expect(place('replace')).toBeGreaterThan(place('drip'));
          expect(place('replace')).toBeLessThan(place('topOn'));
        }
      }),
    );
  });

  it('pour the water of a bag into no tank, but for pods', () => {
    fc.assert(
      fc.property(anyRun, (of) => {
        const ids = idsOf(of);
        expect(ids.includes('over')).toBe(of.given.pods !== 'yes');
        expect(ids.includes('pour')).toBe(of.given.pods === 'yes');
      }),
    );
  });

  it('look a coral over before its dip and again after it', () => {
    fc.assert(
      fc.property(anyRun, (of) => {
        const ids = idsOf(of);
        const coral = of.given.animal === 'coral';
        expect(ids.includes('inspect')).toBe(coral);
        expect(ids.includes('rinse')).toBe(coral);
        const dipped = coral && of.given.dipMinutes === 5;
        expect(ids.includes('dip')).toBe(dipped);
        if (!dipped) return;
        expect(ids.indexOf('inspect')).toBeLessThan(ids.indexOf('dip'));
        expect(ids.indexOf('dip')).toBeLessThan(ids.indexOf('rinse'));
      }),
    );
  });

  it('say of every step what to do, whatever the run', () => {
    fc.assert(
      fc.property(anyRun, (of) => {
        for (const step of stepsOf(acclimate, of)) {
          expect(stepText(step, of, null)).toMatch(/\w/);
          expect(stepText(step, of, null)).not.toMatch(/NaN|undefined|Infinity/);
        }
      }),
    );
  });

  it('ask back what was really drawn, once that is known', () => {
    const planned = run({ method: 'drip', litresDrawn: 4 });
    expect(drawnIn(planned)).toBe(4);
    expect(drawnIn({ ...planned, given: { ...planned.given, drawn: 2.5 } })).toBe(2.5);
    expect(replacedIn(planned)).toBeUndefined();
    expect(replacedIn(withStep(planned, 'replace', AT, 2.4))).toBe(2.4);
  });
});
