import { NO3_PER_N, PO4_PER_P } from '../../units/constants';
import type { TankEntries } from '../../history/logged';
import { fedGrams, FOODS_AS_FED, type Food } from '../../records/kinds/feed';
import { DAY_MS } from '../../time/zone';
import { portionsOf } from '../../water/learned';
import { feedingNitrogen, PROTEIN_TO_N } from './bioload';

/** What was fed, and what of it was weighed once. */
type Fed = Pick<TankEntries, 'feed' | 'weighing'>;

/** Days of feeding that are looked at, and the least of them that show a habit. */
const FEED_DAYS = 14;
const FED_DAYS_LEAST = 4;

/** Phosphorus of foods as they are fed, share of their weight: usual values, from half to twice by maker. */
const PHOSPHORUS: Record<Food, number> = {
  pellets: 0.012,
  flakes: 0.012,
  frozen: 0.0015,
  seaweed: 0.0025,
};
/** All nitrogen of food ends as nitrate but for what is taken out; 0.16 of protein is nitrogen. */
const N_OF_PROTEIN = 0.16;

/** What a week's feeding adds to the water before anything is taken out, mg/L. */
export interface FeedAdds {
  food: Food;
  /** g a week, as fed. */
  grams: number;
  nitrate: number;
  phosphate: number;
}

/**
 * What the feeding of the last two weeks adds, food by food, mg/L a week as nitrate and phosphate: an
 * upper end, since skimmer, algae, corals and changes take their share.
 */
export function feedAdds(history: { entries: Fed; netLitres: number }, at: number): FeedAdds[] {
  const portions = portionsOf(history);
  const from = at - FEED_DAYS * DAY_MS;
  const fed = history.entries.feed.filter((feed) => feed.at > from && feed.at <= at);
  return [...new Set(fed.map(({ entry }) => entry.food))].map((food) => {
    const grams =
      fed.reduce(
        (sum, { entry }) => sum + (entry.food === food ? fedGrams(entry, portions) : 0),
        0,
      ) /
      (FEED_DAYS / 7);
    const perLitre = (1000 * grams) / history.netLitres;
    return {
      food,
      grams,
      nitrate: perLitre * FOODS_AS_FED[food].protein * N_OF_PROTEIN * NO3_PER_N,
      phosphate: perLitre * PHOSPHORUS[food] * PO4_PER_P,
    };
  });
}

/** Mean nitrogen of the food logged in the last two weeks, mg a day; null where too little was logged. */
export function fedNitrogen(history: { entries: Fed }, at: number): number | null {
  const portions = portionsOf(history);
  const from = at - FEED_DAYS * DAY_MS;
  const fed = history.entries.feed.filter((feed) => feed.at > from && feed.at <= at);
  const days = new Set(fed.map((feed) => Math.floor((at - feed.at) / DAY_MS)));
  if (days.size < FED_DAYS_LEAST) return null;
  const span = Math.max(...days) - Math.min(...days) + 1;
  return (
    fed.reduce((sum, feed) => sum + feedingNitrogen(feed.entry, PROTEIN_TO_N.usual, portions), 0) /
    span
  );
}
