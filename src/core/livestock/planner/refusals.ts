import { shortDay } from '../../time/words';
import { INSTEAD } from '../add/instead';
import { callIt, type Finding } from '../compatibility/types';
import { earliestDay, heldOn, passagesFor, type PlanState } from './search/place';
import { conflictOf, momentOf, type PlanProblem } from './problem';
import { mayCome } from './search/search';
import { HORIZON } from './dates/span';
import type { PlanRefusal } from './types';

function refusedBy(problem: PlanProblem, index: number, finding: Finding): PlanRefusal {
  const item = problem.items[index];
  return {
    wishId: item?.wishId ?? '',
    species: item?.animal.id ?? '',
    name: item ? callIt(item.animal) : '',
    rule: finding.rule,
    because: finding.because,
    mend: finding.mend,
    instead: finding.instead ?? INSTEAD[finding.rule],
  };
}

/** Why a wish is in no plan. */
export function refusalOf(problem: PlanProblem, state: PlanState, index: number): PlanRefusal {
  const item = problem.items[index];
  if (!item) throw new RangeError('A plan refuses only its own wishes.');
  if (item.forbidden) return refusedBy(problem, index, item.forbidden);
  // Those of the plan first; then those that were wished for before it and keep it out, planned or not.
  const placed = state.placed.map(({ item: other }) => other);
  for (const other of [...placed, ...Array.from({ length: index }, (_, i) => i)]) {
    const against = problem.items[other];
    const conflict = against ? conflictOf(item, against, problem.facts.home) : null;
    if (conflict && against && mayCome(against)) {
      const refused = refusedBy(problem, index, conflict);
      const swap = `Or wish for it above ${callIt(against.animal)}.`;
      return { ...refused, mend: `${refused.mend} ${swap}` };
    }
  }
  const base = { wishId: item.wishId, species: item.animal.id, name: item.name };
  const never = item.bounds.find(({ day }) => !(day <= HORIZON));
  if (never) {
    const unknown = never.rule === 'ready' || !Number.isFinite(never.day);
    return {
      ...base,
      rule: never.rule,
      instead: INSTEAD[never.rule],
      because: unknown
        ? `${never.because}, and nothing says yet when that is.`
        : `${never.because}: that is further off than a plan looks.`,
      mend: unknown ? 'Log the tests of the cycle, and it gets its date.' : 'Ask again in a year.',
    };
  }
  const free = {
    ...problem,
    items: problem.items.map((one, i) => (i === index ? { ...one, pinned: null } : one)),
  };
  const unpinned = passagesFor(free, state, index)
    .flatMap((way) => earliestDay(free, state, index, way, [index]) ?? [])
    .sort((a, b) => a.day - b.day)[0];
  if (item.pinned !== null && unpinned) {
    const { zone } = problem.facts;
    return {
      ...base,
      rule: 'pin',
      instead: INSTEAD.pin,
      because: `Pinned to ${shortDay(momentOf(problem, item.pinned), zone)}, but not before ${shortDay(momentOf(problem, unpinned.day), zone)}: ${unpinned.bound.because.charAt(0).toLowerCase()}${unpinned.bound.because.slice(1)}.`,
      mend: 'Let the day go, or set the rule aside with your reason.',
    };
  }
  const rule = heldOn(problem, state, item, HORIZON) ?? 'order';
  const because = {
    first:
      'The first addition is at most two small fish or a pair, and nothing that small is in before it.',
    doubling:
      'It eats so much that even the fish here, full-grown, would more than double their food with it.',
    interval: 'No day is left for it between the others.',
    capacity: 'Your tests do not yet show that the filter would carry it.',
    order: 'It would come after another that has no day.',
  }[rule];
  return {
    ...base,
    rule,
    instead: INSTEAD[rule],
    because: `${item.name}: ${because.charAt(0).toLowerCase()}${because.slice(1)}`,
    mend:
      rule === 'capacity'
        ? 'Test ammonia after feeding well, so that more is known of it; or fewer fish.'
        : 'Wish for some small fish before it, or set the rule aside with your reason.',
  };
}
