/** Days that a sign is taken to last until all are seen well. */
export const USUAL_HEALING_DAYS = 7;
/** Beyond this a release is not told any more, days. */
const FARTHEST = 400;

/**
 * Days from today until a batch has been clear long enough. Early: without another sign. Middle and
 * late: of a batch of which each day shows a sign with an equal chance, so that one that is followed
 * from its first day shows any with the chance given; a sign costs its healing and all clear days.
 * @param daysClear clear days so far; null while a sign stands
 * @param days clear days asked for
 * @param chance of a restart over the whole of it, 0 to 0.9
 */
export function releaseIn(
  daysClear: number | null,
  days: number,
  chance: number,
): { p10: number; p50: number; p90: number } {
  const left = daysClear === null ? USUAL_HEALING_DAYS + days : Math.max(0, days - daysClear);
  if (left === 0 || days === 0) return { p10: 0, p50: 0, p90: 0 };
  const daily = 1 - (1 - chance) ** (1 / days);
  // Chances of each state: so many clear days, or so many days of healing left.
  let clear = new Float64Array(days);
  let healing = new Float64Array(USUAL_HEALING_DAYS + 1);
  if (daysClear === null) healing[USUAL_HEALING_DAYS] = 1;
  else clear[daysClear] = 1;
  let released = 0;
  let [p50, p90] = [FARTHEST, FARTHEST];
  for (let day = 1; day <= FARTHEST; day += 1) {
    const nextClear = new Float64Array(days);
    const nextHealing = new Float64Array(USUAL_HEALING_DAYS + 1);
    for (let k = 0; k < days; k += 1) {
      const here = clear[k] as number;
      if (here === 0) continue;
      nextHealing[USUAL_HEALING_DAYS] = (nextHealing[USUAL_HEALING_DAYS] as number) + here * daily;
      if (k + 1 === days) released += here * (1 - daily);
      else nextClear[k + 1] = (nextClear[k + 1] as number) + here * (1 - daily);
    }
    for (let j = 1; j <= USUAL_HEALING_DAYS; j += 1) {
      const here = healing[j] as number;
      if (j === 1) nextClear[0] = (nextClear[0] as number) + here;
      else nextHealing[j - 1] = (nextHealing[j - 1] as number) + here;
    }
    clear = nextClear;
    healing = nextHealing;
    if (released >= 0.5 - 1e-12 && p50 === FARTHEST) p50 = day;
    if (released >= 0.9 - 1e-12) {
      p90 = day;
      break;
    }
  }
  return { p10: left, p50: Math.max(left, p50), p90: Math.max(left, p90) };
}
