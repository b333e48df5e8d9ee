import { PARAMETERS } from '../../parameters/registry';
import { occurrence } from '../../tasks/occurrence';
import { challengeRun } from '../dosing/challengeRun';
import { passedDose } from '../verdict/criteria/challenge';
import type { DoneRule } from './doneRule';

export const challenge: DoneRule<'challenge'> = {
  id: 'challenge',
  name: 'Challenge dose',
  asks: 'A dose of 2 ppm ammonia, as the kit counts it, and the nitrite it makes are both gone a day or two later.',
  trades: 'Proves a size, not only a presence. Costs alkalinity, reagent and often several doses.',
  criteria: ['challengePassed'],
  supports: ['nitrateSeen'],
  words: ({ windowHours }) => `challenge dose, ${windowHours} h`,
  readyDay: (clear, _choice, tools) => tools.proven(clear),
  provesByDose: () => true,
  milestone: (inquiry) => {
    const passed = passedDose(inquiry);
    return passed
      ? {
          id: 'challenge',
          label: 'Challenge',
          at: passed.dose.at,
          because: 'Both were zero in time.',
          passed: true,
        }
      : null;
  },
  tasks: ({ history }, { windowHours }, from) => {
    const run = challengeRun(history, from);
    if (run.phase !== 'running' && run.phase !== 'due') return [];
    return [
      occurrence(
        {
          id: 'challenge-test',
          title: 'Test ammonia and nitrite for the challenge',
          because: `${windowHours} h after the dose; two hours later it no longer counts`,
          at: run.testAt,
          minutes: PARAMETERS.ammonia.minutes,
          parameters: ['ammonia', 'nitrite'],
          opens: { screen: 'challenge' },
        },
        run.testAt,
        history.tank.zone,
        from,
      ),
    ];
  },
  dosesAtOnce: true,
};
