import { latestReading, type TankHistory } from '../history/tankHistory';
import { MEASURE_WORDS } from '../records/kinds/growthMeasure';
import type { Ask } from '../tasks/types';
import { addDaysIn, DAY_MS, startOfDayIn } from '../time/zone';

/** What eats nutrients by light of its own, which is raised by steps. */
const LIT = ['refugium', 'scrubber'] as const;
/** Hours of its light, by weeks from its beginning: small first, so that nutrients are not stripped. Judgement. */
const LIGHT_HOURS = [6, 8, 10, 12] as const;
/** Under these nothing that eats nutrients is raised, mg N/L and mg PO4/L. */
const LEAST = { nitrate: 2 / 4.43, phosphate: 0.03 };
/** A step that was due longer ago was taken or left, days. */
const TAKEN_DAYS = 6;

/** Whether something that eats nutrients would find too few of them; null where that was not tested of late. */
function starving(history: TankHistory, at: number): string | null {
  for (const parameter of ['nitrate', 'phosphate'] as const) {
    const last = latestReading(history, parameter);
    if (last && at - last.at < 14 * DAY_MS && last.best < LEAST[parameter]) {
      return `${parameter === 'nitrate' ? 'Nitrate' : 'Phosphate'} is at the bottom of its band: leave the light as it is`;
    }
  }
  return null;
}

/** The dated light steps of a refugium or a scrubber, a week apart, until it has its hours. */
export function lightAsks(history: TankHistory, at: number): Ask[] {
  const { zone } = history.tank;
  return LIT.flatMap((measure): Ask[] => {
    const own = history.entries.growthMeasure.filter(({ entry }) => entry.measure === measure);
    const begun = own.findLast(({ entry }) => entry.action === 'begun');
    if (!begun || own.some((one) => one.at >= begun.at && one.entry.action === 'ended')) return [];
    const held = starving(history, at);
    return LIGHT_HOURS.slice(1)
      .map((hours, week) => ({
        id: `light/${measure}/${begun.id}/${hours}`,
        title: `${MEASURE_WORDS[measure]}: light to ${hours} hours`,
        because:
          held ??
          'Small first, two hours more a week, by night: so that nutrients are not stripped',
        minutes: 3,
        opens: {
          form: 'growthMeasure' as const,
          given: { measure, action: 'changed', strength: `${hours} hours` },
        },
        due: addDaysIn(startOfDayIn(begun.at, zone), 7 * (week + 1), zone),
      }))
      .filter(({ due }) => at - due <= TAKEN_DAYS * DAY_MS)
      .slice(0, 1);
  });
}
