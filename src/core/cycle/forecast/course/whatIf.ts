import { quantileOfSorted, sortedCopy } from '../../../math/quantile';
import { SEEDS } from '../../kinetics/parameters';
import type { CycleEvent } from '../../kinetics/events';
import { ALKALINITY_GOAL, ALKALINITY_STEP } from '../../dosing/alkalinityRaise';
import { subset, type Ensemble, type Member } from '../../inference/ensemble';
import { conditionsAt } from '../../problem/conditions';
import { AHEAD_STEPS, nowDay, runAhead, type AheadOptions } from './ahead';
import { dateRange, rounded } from '../dates/dates';
import { readiness } from '../dates/ready';
import type { WhatIf, WhatIfId } from '../types';

/** Alkalinity from which raising it changes little. */
const ALKALINITY_ENOUGH = 7.8;
/** Members played: enough for a median. */
const PLAYED = 80;

/** Raises alkalinity to the goal in daily steps that are safe for animals. */
export function raising(alkalinity: number): CycleEvent[] {
  const events: CycleEvent[] = [];
  let left = ALKALINITY_GOAL - alkalinity;
  for (let day = 0; left > 0.05; day += 1) {
    const rise = Math.min(ALKALINITY_STEP, left);
    events.push({ step: day * AHEAD_STEPS, alkalinity: rise });
    left -= rise;
  }
  return events;
}

/** The changes that make sense for a tank as it stands. */
function optionsFor(ensemble: Ensemble): { id: WhatIfId; options: AheadOptions }[] {
  const { problem, members } = ensemble;
  const { temperature } = conditionsAt(problem, nowDay(problem));
  const alkalinity = quantileOfSorted(sortedCopy(members.map((m) => m.now.alkalinity)), 0.5);
  const list: { id: WhatIfId; options: AheadOptions }[] = [{ id: 'doNothing', options: {} }];
  if (alkalinity < ALKALINITY_ENOUGH) {
    list.push({
      id: 'raiseAlkalinity',
      options: { events: (member) => raising(member.now.alkalinity) },
    });
  }
  if (temperature < 25.5)
    list.push({ id: 'warmTo26', options: { conditions: { temperature: 26 } } });
  if (!problem.animals && problem.facts.noDose === null) {
    list.push({
      id: 'doseAgain',
      options: {
        events: (member: Member) => [
          { step: 0, ammonia: problem.facts.challengeDose * member.strength },
        ],
      },
    });
  }
  list.push({
    id: 'addBottle',
    options: {
      // A bottle as likely to be poor as any: the members' own places stand in for chance.
      events: (member) => [
        {
          step: 0,
          capacityA: SEEDS.bottle.a * (0.3 + ((member.particle * 0.618) % 1) * 2),
          capacityB: SEEDS.bottle.b * (0.3 + ((member.particle * 0.382) % 1) * 2),
          asleep: true,
        },
      ],
    },
  });
  return list;
}

/** What each change would do to the dates, played on the same tanks. */
export function whatIfsOf(ensemble: Ensemble): WhatIf[] {
  const stride = Math.max(1, Math.ceil(ensemble.members.length / PLAYED));
  const rows = ensemble.members.map((_, i) => i).filter((i) => i % stride === 0);
  const part = subset(ensemble, rows);
  const results = optionsFor(ensemble).map(({ id, options }) => {
    const ahead = runAhead(part, options);
    const ready = readiness(part, ahead).days;
    const middle = quantileOfSorted(sortedCopy(ready), 0.5);
    return {
      middle,
      whatIf: {
        id,
        nitriteClears: dateRange(part, ahead.nitriteClears),
        ready: dateRange(part, ready),
        lowestAlkalinity: rounded(quantileOfSorted(sortedCopy(ahead.lowestAlkalinity), 0.5), 3),
        daysSaved: null as number | null,
      },
    };
  });
  const base = results[0]?.middle ?? Infinity;
  return results.map(({ middle, whatIf }) => ({
    ...whatIf,
    daysSaved: Number.isFinite(base) && Number.isFinite(middle) ? rounded(base - middle, 2) : null,
  }));
}
