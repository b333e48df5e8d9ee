import {
  fedGrams,
  FOODS_AS_FED,
  type FeedEntry,
  type Food,
  type Portions,
} from '../../records/kinds/feed';

/** mg of nitrogen that a gram of protein becomes when nothing eats it and nothing is removed. */
const NITROGEN_PER_PROTEIN = 160;

/** Nitrogen that a gram of food, weighed as fed, sets free when nobody eats it, mg N. */
export function foodNitrogen(food: Food): number {
  return FOODS_AS_FED[food].protein * NITROGEN_PER_PROTEIN;
}

/** Nitrogen of a feeding that nobody eats, mg N. */
export function feedNitrogen(entry: FeedEntry, portions: Portions = {}): number {
  return fedGrams(entry, portions) * foodNitrogen(entry.food);
}
