import type { Logged } from '../history/logged';
import type { FeedEntry } from '../records/kinds/feed';
import { DAY_MS } from '../time/zone';
import { feedingNitrogen } from './bioload';

/** Days of feeding that are looked at, and the least of them that show a habit. */
const FEED_DAYS = 14;
const FED_DAYS_LEAST = 4;

/** Mean nitrogen of the food logged in the last two weeks, mg a day; null where too little was logged. */
export function fedNitrogen(
  history: { entries: { feed: readonly Logged<FeedEntry>[] } },
  at: number,
): number | null {
  const from = at - FEED_DAYS * DAY_MS;
  const fed = history.entries.feed.filter((feed) => feed.at > from && feed.at <= at);
  const days = new Set(fed.map((feed) => Math.floor((at - feed.at) / DAY_MS)));
  if (days.size < FED_DAYS_LEAST) return null;
  const span = Math.max(...days) - Math.min(...days) + 1;
  return fed.reduce((sum, feed) => sum + feedingNitrogen(feed.entry), 0) / span;
}
