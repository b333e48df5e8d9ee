import { countedReadings, type TankHistory } from '../history/tankHistory';
import { CHANNELS, type ChannelId } from './channels';
import { freeShareAt, isOwnTest, middleShare, ownAmmoniaTests } from './ownTests';

/** A card's top step is open: taken for no more than twice what it reads, and one. */
const openTop = (best: number) => best * 2 + 1;

/** An own test as a probe would have shown it. */
export interface OwnTest {
  at: number;
  kitId: string;
  /** Canonical unit of the channel's parameter. */
  value: number;
  /** How far it may be off either way. */
  allows: number;
}

/**
 * The keeper's own tests of what a probe measures, oldest first. For free ammonia they are those of ammonia, by the
 * share that pH, temperature and salinity leave free.
 */
export function testsOfChannel(channel: ChannelId, history: TankHistory): OwnTest[] {
  const same = countedReadings(history, CHANNELS[channel].parameter)
    .filter((reading) => isOwnTest(reading, history.kits[reading.kitId]) && !reading.expired)
    .map(({ at, kitId, best, range }) => ({
      at,
      kitId,
      value: best,
      allows: Math.min(range.high, openTop(best)) - best,
    }));
  if (channel !== 'freeAmmonia') return same;
  const converted = ownAmmoniaTests(history).map(({ at, kitId, best, range }) => {
    const share = freeShareAt(history, at);
    const value = best * middleShare(share);
    return { at, kitId, value, allows: Math.min(range.high, openTop(best)) * share.high - value };
  });
  return [...same, ...converted].sort((a, b) => a.at - b.at);
}
