import { countedReadings, type TankHistory } from '../history/tankHistory';
import { EXTENTS, type Extent, type Growth } from '../records/kinds/sighting';
import { MEASURE_WORDS, type Measure } from '../records/kinds/growthMeasure';
import { quantileOfSorted } from '../math/quantile';
import { DAY_MS } from '../time/zone';

/** What a measure did, as far as the log shows. */
export interface GrowthMeasureEffect {
  measure: Measure;
  name: string;
  begunAt: number;
  endedAt: number | null;
  strengths: string[];
  /** How far each growth reached before it and since, of those that were seen both times. */
  growths: { growth: Growth; before: Extent; after: Extent }[];
  /** Medians before it and since, in canonical units; null where it was not tested. */
  nitrate: { before: number; after: number } | null;
  phosphate: { before: number; after: number } | null;
}

/** How long before a measure is looked at, and how soon after it it may have done anything. */
const BEFORE_DAYS = 28;
const SETTLES_DAYS = 5;

function median(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  return quantileOfSorted(
    [...values].sort((a, b) => a - b),
    0.5,
  );
}

function around(
  history: TankHistory,
  parameter: 'nitrate' | 'phosphate',
  begun: number,
  until: number,
) {
  const readings = countedReadings(history, parameter);
  const before = median(
    readings
      .filter(({ at }) => at <= begun && at > begun - BEFORE_DAYS * DAY_MS)
      .map(({ best }) => best),
  );
  const after = median(
    readings
      .filter(({ at }) => at > begun + SETTLES_DAYS * DAY_MS && at <= until)
      .map(({ best }) => best),
  );
  return before === null || after === null ? null : { before, after };
}

/** Every measure begun, newest first, with what was seen before it and since. */
export function growthMeasureEffects(history: TankHistory, at: number): GrowthMeasureEffect[] {
  const { growthMeasure: growthMeasures, sighting } = history.entries;
  return growthMeasures
    .filter(({ entry }) => entry.action === 'begun')
    .map(({ at: begunAt, entry }) => {
      const own = growthMeasures.filter(
        (other) => other.entry.measure === entry.measure && other.at >= begunAt,
      );
      const endedAt = own.find((other) => other.entry.action === 'ended')?.at ?? null;
      const until = (endedAt ?? at) + SETTLES_DAYS * DAY_MS;
      const growths = [...new Set(sighting.map(({ entry: seen }) => seen.growth))].flatMap(
        (growth) => {
          const of = sighting.filter(({ entry: seen }) => seen.growth === growth);
          const before = of.findLast((seen) => seen.at <= begunAt)?.entry.extent;
          const after = of.findLast((seen) => seen.at > begunAt && seen.at <= until)?.entry.extent;
          return before && after ? [{ growth, before, after }] : [];
        },
      );
      return {
        measure: entry.measure,
        name: MEASURE_WORDS[entry.measure],
        begunAt,
        endedAt,
        strengths: own.flatMap(({ entry: one }) => one.strength ?? []),
        growths,
        nitrate: around(history, 'nitrate', begunAt, until),
        phosphate: around(history, 'phosphate', begunAt, until),
      };
    })
    .sort((a, b) => b.begunAt - a.begunAt);
}

/** Whether a growth reached less far, as far, or further. */
export function extentMove(before: Extent, after: Extent): 'less' | 'same' | 'more' {
  const move = EXTENTS.indexOf(after) - EXTENTS.indexOf(before);
  return move < 0 ? 'less' : move > 0 ? 'more' : 'same';
}
