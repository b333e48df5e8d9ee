import { alkalinityDue, raiseWords } from '../../cycle/dosing/alkalinityRaise';
import { programmeStanding } from '../../cycle/dosing/programme';
import { redoseAdvice } from '../../cycle/dosing/redose';
import { riseWords } from '../../cycle/doseSize';
import { doneRuleOf } from '../../cycle/doneRules';
import { PARAMETERS } from '../../parameters/registry';
import { formatExact, formatPlain, formatSignificant } from '../../units/format';
import { occurrence } from '../occurrence';
import type { Occurrence, TaskSource, TaskWorld } from '../types';

type Of = (world: TaskWorld, from: number) => Occurrence[];

/** What the tank's own rule for done asks for. */
const doneRuleTasks: Of = (world, from) => {
  const { doneRule } = world.history.tank;
  return doneRuleOf(doneRule).tasks?.(world, doneRule, from) ?? [];
};

/** The next dose of the bottle's programme, and the test at its end. */
const programmeTasks: Of = ({ history }, from) => {
  const { zone } = history.tank;
  return programmeStanding(history, from).map((step) =>
    occurrence(
      step.kind === 'bacteria'
        ? {
            id: 'programme-dose',
            title: `${formatSignificant(step.mL ?? 0, 3)} mL of bacteria`,
            because: `Day ${step.day} of the bottle’s programme`,
            minutes: 2,
            opens: {
              form: 'bacteria',
              given: { by: 'mL', amount: formatExact(Number((step.mL ?? 0).toPrecision(3))) },
            },
          }
        : {
            id: 'programme-end',
            title: 'Test ammonia and nitrite',
            because: 'The bottle’s programme ends: only a test shows anything',
            minutes: PARAMETERS.ammonia.minutes,
            parameters: ['ammonia', 'nitrite'],
            opens: { form: 'reading' },
          },
      step.at,
      zone,
      from,
    ),
  );
};

/** Ammonia, when the filter bacteria should be fed and the keeper doses it. */
const doseTask: Of = ({ history, forecast }, from) => {
  const source = history.tank.method?.source;
  const doses = source === undefined || /ammoni/i.test(source);
  if (!doses || history.start === null || history.tank.kind === 'quarantine') return [];
  const { rise, because } = redoseAdvice(history, forecast, from);
  if (rise <= 0) return [];
  return [
    occurrence(
      {
        id: 'ammonia-dose',
        title: `Dose ${riseWords(history, rise)} of ammonia`,
        because,
        minutes: 3,
        opens: { screen: 'dose' },
      },
      from,
      history.tank.zone,
      from,
    ),
  ];
};

/** Alkalinity, when it is so low that the filter bacteria slow. */
const alkalinityTask: Of = ({ history }, from) => {
  const raise = alkalinityDue(history, from);
  if (!raise) return [];
  return [
    occurrence(
      {
        id: 'alkalinity',
        title: `Raise alkalinity to ${formatPlain(raise.goal, 1)} dKH`,
        because: `${raiseWords(raise)}. Low alkalinity slows the filter bacteria.`,
        minutes: 3,
        opens: { sum: 'alkalinity' },
      },
      from,
      history.tank.zone,
      from,
    ),
  ];
};

/** What a cycle asks for beside tests on a cadence. */
export const cycle: TaskSource = {
  occurrences: (world, from) =>
    world.history.standing.runningSince === null
      ? [doneRuleTasks, programmeTasks, doseTask, alkalinityTask].flatMap((of) => of(world, from))
      : [],
};
