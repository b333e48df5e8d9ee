import { METER_PEAK, type Reader } from './reading';

/** A reading with all of it that never changes from particle to particle. */
export interface Sight {
  series: Float64Array;
  index: number;
  kit: number;
  scale: number;
  reader: Reader;
  weight: number;
  kept: number;
  blundered: number;
}

/** A part of the way with the readings that fall into it. */
export interface Leg {
  /** Step of the last of them. */
  until: number;
  sights: Sight[];
  /** The most that all readings after it can add to a log likelihood. */
  mostAfter: number;
}

/** Legs of a likelihood: more of them tell sooner that a tank is unlikely, and cost a start each. */
const LEGS = 10;

export function legsOf(sights: readonly Sight[]): Leg[] {
  const sorted = [...sights].sort((a, b) => a.index - b.index);
  const shortest = (sorted.at(-1)?.index ?? 0) / LEGS;
  const legs: Leg[] = [];
  let from = 0;
  for (const sight of sorted) {
    const leg = legs.at(-1);
    if (leg && (sight.index === leg.until || sight.index - from < shortest)) {
      leg.sights.push(sight);
      leg.until = sight.index;
    } else {
      from = leg?.until ?? 0;
      legs.push({ until: sight.index, sights: [sight], mostAfter: 0 });
    }
  }
  for (let i = legs.length - 2; i >= 0; i -= 1) {
    const after = legs[i + 1] as Leg;
    (legs[i] as Leg).mostAfter =
      after.mostAfter + after.sights.reduce((sum, sight) => sum + mostOf(sight), 0);
  }
  return legs;
}

/** The most that a reading can add to a log likelihood: it was as likely as can be. */
function mostOf({ reader, weight, kept, blundered }: Sight): number {
  return weight * Math.log(kept * (reader.card ? 1 : METER_PEAK) + blundered);
}
