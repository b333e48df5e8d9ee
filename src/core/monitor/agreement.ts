import { STANDARD_WORDS } from '../instruments/calibrateEvery';
import type { Trust } from '../instruments/correction';
import { formatSignificant } from '../units/format';
import { channelWords } from './alarms/alarmWords';
import { CHANNELS, type ChannelId } from './channels';

/** What a probe and a keeper's own test say of the same water. */
export interface Pair {
  at: number;
  probe: number;
  /** The test, and how far it may be off either way, canonical. */
  test: number;
  allows: number;
}

/** How the two instruments stand towards their standards. */
interface Standings {
  probe: Trust | null;
  test: Trust | null;
}

export interface Agreement {
  /** null: nothing to compare. */
  agrees: boolean | null;
  words: string;
  /** What would settle it; empty where they agree. */
  settles: string;
}

/** Of two instruments the one that is likelier wrong by when each was last held against a standard. */
function likelier({ probe, test }: Standings): 'probe' | 'test' | null {
  const rank = (trust: Trust | null) =>
    trust === null || trust.state === 'never' ? 2 : trust.state === 'overdue' ? 1 : 0;
  const [ofProbe, ofTest] = [rank(probe), rank(test)];
  if (ofProbe === ofTest) return null;
  return ofProbe > ofTest ? 'probe' : 'test';
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[(values.length - 1) >> 1] as number;

/**
 * Whether a probe and the keeper's own tests agree: the middle of their differences against what both may be off.
 * @param accuracy ± of the probe, canonical
 * @param pairs of the last two weeks
 */
export function agreementOf(
  channel: ChannelId,
  accuracy: number,
  pairs: readonly Pair[],
  standings: Standings,
): Agreement {
  if (pairs.length === 0)
    return {
      agrees: null,
      words: 'No test of your own in two weeks to hold it against.',
      settles: 'Test it once by your own kit, at the same hour.',
    };
  const difference = middleOf(pairs.map(({ probe, test }) => probe - test));
  const allowed = accuracy + middleOf(pairs.map(({ allows }) => allows));
  const shown = channelWords(channel, Math.abs(difference)).replace('pH ', '');
  const tests = pairs.length === 1 ? 'your test' : `your ${pairs.length} tests`;
  if (Math.abs(difference) <= allowed)
    return {
      agrees: true,
      words: `Agrees with ${tests}: ${shown} apart, and both together may be off by ${formatSignificant(allowed)}.`,
      settles: '',
    };
  const side = difference > 0 ? 'more' : 'less';
  const who = likelier(standings);
  const why = {
    probe: 'The probe is likelier wrong: your own instrument was checked against a standard later.',
    test: 'Your own test is likelier wrong: the probe was checked against a standard later.',
    none: 'Which of the two is wrong cannot be said: neither was checked against a standard before the other.',
  }[who ?? 'none'];
  const standard = STANDARD_WORDS[CHANNELS[channel].parameter];
  return {
    agrees: false,
    words: `Shows ${shown} ${side} than ${tests}, further than both may be off. ${why}`,
    settles: standard
      ? `Hold both against ${standard}.`
      : 'Test the same water with a second kit, or have a shop test it within the hour.',
  };
}
