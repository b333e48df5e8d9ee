import { SIGN_WORDS } from '../records/kinds/dailyCheck';
import type { Protocol } from '../records/schema/protocol';
import { dayWords, shortDay, timeWords } from '../time/words';
import { DAY_MS } from '../time/zone';
import { countOf, formatPlain, listWords } from '../units/format';
import { unitSymbol } from '../units/units';
import type { BatchView } from './batch';
import type { BatchClock, StandingSign } from './clock/clock';
import { otherSigns, type Transfer } from './transfer';
import { PARAMETERS } from '../parameters/registry';
import type { Held, Holds } from './clock/held';
import type { AmmoniaPlan } from './tank/water';

/** Whether a batch may be released, and if not, what it waits for: first of all in a sentence. */
export function batchSentence(
  { clock, animals }: BatchView,
  protocol: Pick<Protocol, 'days' | 'holds' | 'moves'>,
  zone: string,
  now: number,
): { title: string; text: string } {
  const heads = animals.reduce((sum, { cohort }) => sum + (cohort.here ?? 1), 0);
  const who = countOf(heads, 'animal');
  const first = clock.standing.find(({ expected }) => !expected);
  const held = protocol.holds && clock.held ? heldSentence(clock.held, protocol.holds) : null;
  const moves = clock.transfer?.next
    ? movesSentence(clock.transfer, protocol.moves?.everyHours ?? 72, first, { zone, now })
    : null;
  if (moves) return moves;
  if (first) {
    return {
      title: 'A sign stands.',
      text: `**${first.what}**: ${listWords(first.signs.map((sign) => SIGN_WORDS[sign].toLowerCase()))} since ${shortDay(first.since, zone)}. Once it is seen well, the ${protocol.days} days begin anew for all.`,
    };
  }
  if (held && !clock.isClear) return held;
  if (clock.isClear) {
    return {
      title: 'Clear.',
      text: `${who} without a sign for ${countOf(clock.daysClear, 'day')}. The check below, and they may move.`,
    };
  }
  const left = protocol.days - clock.daysClear;
  return {
    title: `${countOf(left, 'clear day')} to go.`,
    text: `${who} without a sign for ${countOf(clock.daysClear, 'day')}. The first day to move them is **${dayWords(clock.release.p10, zone, now)}**; a sign in any of them begins the ${protocol.days} anew.`,
  };
}

/** What is said of a figure that is held, and of the days that come after. */
function heldSentence(
  { days, done, reads }: Held,
  { parameter, low, high, days: asked, below, then }: Holds,
): { title: string; text: string } {
  const { inSentence, units } = PARAMETERS[parameter];
  const range = `${formatPlain(low)} to ${formatPlain(high)} ${unitSymbol(units[0] ?? 'ppt')}`;
  if (done !== null) {
    return {
      title: 'Held long enough.',
      text: `${inSentence.charAt(0).toUpperCase()}${inSentence.slice(1)} stood at ${range} for ${countOf(asked, 'day')}.${then > 0 ? ' Now up by at most 1 ppt a day to that of the tank they go to, then watched: the check below comes after.' : ''}`,
    };
  }
  const off = {
    above: ' The newest reading lies above it: the days begin anew once it is back.',
    below:
      below === 'anew'
        ? ' The newest reading lies below it: the days begin anew once it is back.'
        : ' The newest reading lies below it: that does not count. Raise it by at most 1 ppt a day.',
    within: '',
    none: ' No reading of it is on record since they came in.',
  }[reads ?? 'none'];
  return {
    title: `${countOf(asked - days, 'day')} at ${range} to go.`,
    text: `${days} of ${asked} so far, counted while every reading of ${inSentence} lies within it, one at least every two days.${off}`,
  };
}

/** What is said of moves that go on: the next of them, by when, and what they do not answer. */
function movesSentence(
  { next, count, anew }: Transfer,
  hours: number,
  first: StandingSign | undefined,
  { zone, now }: { zone: string; now: number },
): { title: string; text: string } {
  const by = next ? `${dayWords(next.by, zone, now)}, ${timeWords(next.by, zone)}` : '';
  const other = first ? otherSigns(first.signs) : [];
  const shown =
    first && other.length > 0
      ? ` **${first.what}** shows ${listWords(other.map((sign) => SIGN_WORDS[sign].toLowerCase()))}: that is another disease. Go on moving, and decide on treatment today, with a veterinarian.`
      : '';
  if (next?.number === 0) {
    return {
      title: 'Move them now.',
      text: `${anew === 'grains' ? 'Grains were seen after the last move' : `This move was due by ${by}`}: all ${count} moves are made again, beginning with this one.${shown}`,
    };
  }
  return {
    title: `Move ${next?.number ?? count} of ${count} by ${by}.`,
    text: `At most ${hours} h after the last, into the tank that was disinfected and dried. White grains before the last move are expected and stop nothing.${shown}`,
  };
}

/** How far a release may lie off. */
export function releaseWords({ release, isClear }: BatchClock, zone: string): string {
  if (isClear) return `Clear since ${shortDay(release.p10, zone)}.`;
  const { p10, p50, p90 } = release;
  const late = shortDay(p90, zone);
  if (p90 - p10 < 2 * DAY_MS) return `Released on ${shortDay(p10, zone)}, with little doubt.`;
  return p50 - p10 < DAY_MS
    ? `Most likely ${shortDay(p10, zone)}; with another sign by about ${late}.`
    : `At the earliest ${shortDay(p10, zone)}, likely about ${shortDay(p50, zone)}, late ${late}.`;
}

const ASSUMED = { ph: 'pH 8.1', temperature: '25.5 °C', salinity: '35 ppt' } as const;
const BY = {
  tests: 'Your last two tests come to',
  food: 'The food you logged comes to',
  bodies: 'Their bodies and a usual ration come to',
} as const;

/**
 * How to hold ammonia down, in words.
 * @param volume litres in the keeper's own unit
 */
export function ammoniaWords(
  plan: AmmoniaPlan,
  volume: (litres: number) => string = (litres) => `${formatPlain(litres, 0)} L`,
): { text: string; open: string[] } {
  const open: string[] = [];
  const left = plan.carried > 0 ? ' more than the sponge carries' : '';
  const figures = `${BY[plan.by]} ${formatPlain(plan.nitrogen, 1)} mg N a day${left}`;
  if (plan.assumed.length > 0) {
    open.push(
      `Not tested here of late, so taken as usual: ${listWords(plan.assumed.map((name) => ASSUMED[name]))}.`,
    );
  }
  if (plan.carried > 0) {
    open.push(
      `The sponge is taken to carry ${formatPlain(plan.carried, 1)} mg N a day, the least it may: a test daily in the first week says whether it does.`,
    );
  }
  if (plan.carried > 0 && (plan.nitrogen <= 0 || plan.litres === 0)) {
    return {
      text: 'By its days in the other tank it carries all of it: no change is needed for ammonia, as long as tests show none.',
      open,
    };
  }
  if (plan.nitrogen <= 0 || plan.litres === 0) {
    return { text: 'Nothing is fed here that ammonia could come from.', open };
  }
  if (plan.step) {
    open.push(
      `Your ${plan.step.kit.toLowerCase()}: up to ${formatPlain(plan.step.value, 2)} ${unitSymbol(plan.step.unit)} is under the limit here; the next step is not.`,
    );
  } else {
    open.push(
      `The limit lies at ${formatPlain(plan.mostTotal, 2)} mg/L of total ammonia nitrogen here: under the first step of most cards.`,
    );
  }
  if (!plan.holds) {
    return {
      text: `${figures}: more than changes can hold. **Food for ${formatPlain(Math.max(1, plan.mostShare * 100), 0)} %** of that, fewer animals, more water, or a seeded sponge.`,
      open,
    };
  }
  const every = plan.everyDays === 1 ? 'every day' : `every ${plan.everyDays} days`;
  return {
    text: `${figures}. Change **${volume(plan.litres)} ${every}**: free ammonia then peaks at ${formatPlain(plan.peakFreeAmmoniaN, 3)} mg/L. That is ${volume(plan.litresAWeek)} and ${formatPlain(plan.saltAWeek / 1000, 1)} kg of salt a week; a seeded sponge saves most of it.`,
    open,
  };
}
