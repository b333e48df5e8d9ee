import type { TankHistory } from '../history/tankHistory';
import { LEVEL_WORDS, type Position } from '../records/schema/position';
import { DEFAULT_REEF } from '../records/schema/tank';
import type { Ask } from '../tasks/types';
import { addDaysIn, DAY_MS, startOfDayIn } from '../time/zone';
import { lightSteps } from './placing';

/** A step that was due longer ago was taken, or the coral stays where it is, days. */
const TAKEN_DAYS = 6;

/** The dated steps of corals that rise to their light, from the day each came in. */
export function coralAsks(
  history: TankHistory,
  positions: readonly { id: string; body: Position }[],
  at: number,
): Ask[] {
  const { zone, reef = DEFAULT_REEF } = history.tank;
  const came = new Map(history.entries.animals.map((one) => [one.id, one.at]));
  return positions.flatMap(({ id, body }): Ask[] => {
    const arrived = body.cohort === undefined ? undefined : came.get(body.cohort);
    if (arrived === undefined) return [];
    return lightSteps(body.cameFrom, body.level, reef)
      .filter(({ day }) => day > 0)
      .map(({ day, level }) => ({
        id: `coralLight/${id}/${level}`,
        title: `${body.what}: up, ${LEVEL_WORDS[level].toLowerCase()}`,
        because: 'A step on its way to the light of its place; paler or closed, it stays lower',
        minutes: 5,
        opens: { stock: 'corals' as const },
        due: addDaysIn(startOfDayIn(arrived, zone), day, zone),
      }))
      .filter(({ due }) => at - due <= TAKEN_DAYS * DAY_MS);
  });
}
