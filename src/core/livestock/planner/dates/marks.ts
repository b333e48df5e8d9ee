import type { Milestone, MilestoneId } from '../../../cycle/milestone';
import type { Plan, PlanItem } from '../types';

/** A point of the plan on the course of a tank, in its range of dates. */
function mark(id: MilestoneId, label: string, item: PlanItem): Milestone {
  const { p10, p50, p90 } = item.addOn;
  const low = Math.min(p10 ?? p50, p50);
  const high = Math.max(p90 ?? p50, p50);
  return {
    id,
    label,
    at: p50,
    passed: false,
    because: `${item.name}: ${item.because}.`,
    range: {
      low,
      high,
      innerLow: (low + p50) / 2,
      innerHigh: (high + p50) / 2,
    },
  };
}

/** First and last of each group in a plan, as points of the course. */
export function planMarks(plan: Plan): Milestone[] {
  const of = (group: PlanItem['group']) => plan.items.filter((item) => item.group === group);
  const fish = of('fish');
  const corals = of('coral');
  const [cleanUpCrew] = of('invertebrate');
  const ends = (list: PlanItem[], first: MilestoneId, last: MilestoneId, name: string) => {
    const [a] = list;
    const b = list.at(-1);
    return [
      ...(a ? [mark(first, `First ${name}`, a)] : []),
      ...(b && b !== a ? [mark(last, `Last ${name}`, b)] : []),
    ];
  };
  return [
    ...(cleanUpCrew ? [mark('cleanUpCrew', 'Clean-up crew', cleanUpCrew)] : []),
    ...ends(fish, 'firstFish', 'lastFish', 'fish'),
    ...ends(corals, 'firstCoral', 'lastCoral', 'coral'),
  ];
}
