import { alkalinityRaise } from '../cycle/dosing/alkalinityRaise';
import { challengeRun } from '../cycle/dosing/challengeRun';
import { programmeStanding } from '../cycle/dosing/programme';
import { redoseAdvice } from '../cycle/dosing/redose';
import type { Forecast, NextTest } from '../cycle/forecast/types';
import { riseWords } from '../cycle/problem/schoolFacts';
import type { Nitrogen } from '../cycle/problem/types';
import type { TankHistory } from '../history/tankHistory';
import { PARAMETERS } from '../parameters/registry';
import { daysBetween, startOfDayIn } from '../time/zone';
import { countOf, formatPlain, formatSignificant, listWords } from '../units/format';
import { TEST_MINUTES } from './cadence';
import type { DueTask } from './types';

/** What is tested together: a proof needs both at zero, and one sitting gives it. */
export function testedTogether(next: NextTest): Nitrogen[] {
  return next.purpose === 'confirm' ? ['ammonia', 'nitrite'] : [next.parameter];
}

/** The test that the forecast asks for. */
export function nextTestTask(next: NextTest, zone: string, at: number): DueTask {
  const dueOn = startOfDayIn(next.at, zone);
  const parameters = testedTogether(next);
  return {
    id: `next-${next.parameter}`,
    kind: 'test',
    title: `Test ${listWords(parameters.map((p) => PARAMETERS[p].inSentence))}`,
    because:
      next.purpose === 'confirm'
        ? 'Both are likely clear by then, and zeros would show it'
        : 'The test that tells most about the date',
    dueOn,
    inDays: Math.max(0, daysBetween(at, dueOn, zone)),
    minutes: TEST_MINUTES[next.parameter],
    parameters,
  };
}

/** The test at the end of a challenge, while its school is followed and one runs. */
function challengeTask(history: TankHistory, at: number): DueTask[] {
  const { zone, school } = history.tank;
  if (school.school !== 'challenge') return [];
  const run = challengeRun(history, at);
  if (run.phase !== 'running' && run.phase !== 'due') return [];
  const dueOn = startOfDayIn(run.testAt, zone);
  return [
    {
      id: 'challenge-test',
      kind: 'challengeTest',
      title: 'Test ammonia and nitrite for the challenge',
      because: `${school.windowHours} h after the dose; two hours later it no longer counts`,
      dueOn,
      inDays: daysBetween(at, dueOn, zone),
      at: run.testAt,
      minutes: TEST_MINUTES.ammonia,
      parameters: ['ammonia', 'nitrite'],
    },
  ];
}

/** The next dose of the bottle's programme, and the test at its end. */
function programmeTasks(history: TankHistory, at: number): DueTask[] {
  const { zone } = history.tank;
  return programmeStanding(history, at).map((step) => {
    const dueOn = startOfDayIn(step.at, zone);
    const base = { dueOn, inDays: daysBetween(at, dueOn, zone) };
    return step.kind === 'bacteria'
      ? {
          ...base,
          id: 'programme-dose',
          kind: 'bacteria',
          title: `${formatSignificant(step.mL ?? 0, 3)} mL of bacteria`,
          because: `Day ${step.day} of the bottle’s programme`,
          minutes: 2,
          parameters: [],
        }
      : {
          ...base,
          id: 'programme-end',
          kind: 'test',
          title: 'Test ammonia and nitrite',
          because: 'The bottle’s programme ends: only a test shows anything',
          minutes: TEST_MINUTES.ammonia,
          parameters: ['ammonia', 'nitrite'],
        };
  });
}

/** Ammonia, when the colony should be fed and the keeper doses it. */
function doseTask(history: TankHistory, forecast: Forecast | null, at: number): DueTask[] {
  const source = history.tank.method?.source;
  const doses = source === undefined || /ammoni/i.test(source);
  if (!doses || history.start === null || history.tank.kind === 'quarantine') return [];
  const { rise, because } = redoseAdvice(history, forecast, at);
  if (rise <= 0) return [];
  return [
    {
      id: 'ammonia-dose',
      kind: 'ammoniaDose',
      title: `Dose ${riseWords(history, rise)} of ammonia`,
      because,
      dueOn: startOfDayIn(at, history.tank.zone),
      inDays: 0,
      minutes: 3,
      parameters: [],
    },
  ];
}

/** Alkalinity, when it is so low that the colony slows. */
function alkalinityTask(history: TankHistory, at: number): DueTask[] {
  const raise = alkalinityRaise(history, at);
  if (!raise || raise.now >= WORTH_RAISING) return [];
  return [
    {
      id: 'alkalinity',
      kind: 'raiseAlkalinity',
      title: `Raise alkalinity to ${formatPlain(raise.goal, 1)} dKH`,
      because: `About ${formatSignificant(raise.grams, 2)} g of baking soda over ${countOf(raise.days, 'day')}: low alkalinity slows the colony`,
      dueOn: startOfDayIn(at, history.tank.zone),
      inDays: 0,
      minutes: 3,
      parameters: [],
    },
  ];
}

/** Alkalinity under which raising it is put on the list, dKH. */
const WORTH_RAISING = 7.5;

/** What a cycle asks for beside tests on a cadence. */
export function cycleTasks(history: TankHistory, forecast: Forecast | null, at: number): DueTask[] {
  if (history.tank.runningSince !== null) return [];
  return [
    ...challengeTask(history, at),
    ...programmeTasks(history, at),
    ...doseTask(history, forecast, at),
    ...alkalinityTask(history, at),
  ];
}
