import type { Member } from '../../inference/ensemble';
import { phPace, temperaturePace } from '../../kinetics/environment';
import { HALF_ALKALINITY } from '../../kinetics/run';
import { conditionsAt } from '../../problem/conditions';
import type { CycleProblem } from '../../problem/types';
import { nowDay } from '../course/ahead';

/**
 * What a tank clears in a day here and now, mg N/L, of ammonia and of nitrite with plenty of either:
 * its capacity, which is meant for 26 °C and plenty of alkalinity, at the temperature, the pH and the
 * alkalinity that it has, and of nitrite only by what is awake.
 */
export function clearsNow(
  problem: CycleProblem,
  members: readonly Member[],
): Record<'ammonia' | 'nitrite', number[]> {
  const { temperature, ph } = conditionsAt(problem, nowDay(problem));
  const pace = temperaturePace(temperature) * phPace(ph);
  const paceOf = ({ now }: Member) => (pace * now.alkalinity) / (HALF_ALKALINITY + now.alkalinity);
  return {
    ammonia: members.map((member) => member.now.capacityA * paceOf(member)),
    nitrite: members.map((member) => member.now.capacityB * member.now.awake * paceOf(member)),
  };
}
