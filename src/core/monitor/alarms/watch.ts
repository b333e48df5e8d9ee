import { ALARM_IDS, type AlarmId } from './alarmIds';
import { ALARMS, type Bands } from './alarms';
import { CHANNELS, type ChannelId, type SwitchId } from '../channels';

const MINUTE_MS = 60_000;
/** Samples older than this ring nothing. */
const RINGS_FOR_MS = 10 * MINUTE_MS;
/** What is remembered of each channel, for what moves. */
const RECENT_MS = 31 * MINUTE_MS;
/** Samples in a row before a zero that a bubble of air shows as well is believed. */
const ZEROS = 3;
/** How far a channel may be from zero and still be one, canonical. */
const AIR = 1;

/** How a keeper wants an alarm. */
export interface Choice {
  off?: true | undefined;
  beyond?: number | undefined;
  minutes?: number | undefined;
}

/** What is so at the moment at which something is watched. */
export interface Circumstances {
  now: number;
  bands: Bands;
  choices: Readonly<Partial<Record<AlarmId, Choice>>>;
  /** By night only what kills rings. */
  night: boolean;
  /** A service pause lasts until then; 0 for none. */
  pausedUntil: number;
}

interface Ringing {
  /** Since when what it watches has been so: makes its id, the same in every tab. */
  since: number;
  worst: number | undefined;
  /** It never rang: it was found afterwards. */
  past: boolean;
}

interface Stand {
  since: number | null;
  /** Since when it has been back within its limit. */
  backSince: number | null;
  /** How far beyond its limit it has been, and what was shown then. */
  deepest: number;
  worst: number | undefined;
  ringing: Ringing | null;
}

interface Recent {
  at: number;
  value: number;
}

/** What has to be remembered between two samples. */
export interface Watch {
  stands: Readonly<Partial<Record<AlarmId, Stand>>>;
  recent: Readonly<Partial<Record<ChannelId, readonly Recent[]>>>;
  /** Zeros in a row, by channel. */
  zeros: Readonly<Partial<Record<ChannelId, number>>>;
  on: Readonly<Partial<Record<SwitchId, number>>>;
  /** When anything was last heard, by our clock. */
  heardAt: number;
  /** The moment that the newest of it was of. */
  saidAt: number;
}

const QUIET: Stand = {
  since: null,
  backSince: null,
  deepest: -Infinity,
  worst: undefined,
  ringing: null,
};

/** What rang before this page was opened, and was not over by then. */
export interface StillRinging {
  alarm: AlarmId;
  since: number;
  worst: number | undefined;
}

/** @param still goes on from before: it rings no second time, and is told of once it is over */
export const watchFrom = (now: number, still: readonly StillRinging[] = []): Watch => ({
  stands: Object.fromEntries(
    still.map(({ alarm, since, worst }): [AlarmId, Stand] => [
      alarm,
      { ...QUIET, since, worst, deepest: 0, ringing: { since, worst, past: false } },
    ]),
  ),
  recent: {},
  zeros: {},
  on: {},
  heardAt: now,
  saidAt: -Infinity,
});

/** Something began to ring, or was over. */
export interface Turn {
  alarm: AlarmId;
  since: number;
  worst: number | undefined;
  past: boolean;
  until: number | null;
}

/** What is heard of a monitor: values at a moment of ours, a switch, or only that time goes on. */
export type Heard =
  | { values: Readonly<Partial<Record<ChannelId, number | undefined>>>; at: number }
  | { of: SwitchId; on: boolean; at: number }
  | { at: number };

const middle = (values: readonly Recent[]): number | null => {
  if (values.length === 0) return null;
  const sorted = values.map(({ value }) => value).sort((a, b) => a - b);
  return sorted[(sorted.length - 1) >> 1] as number;
};
const between = (recent: readonly Recent[], from: number, to: number) =>
  recent.filter(({ at }) => at >= from && at <= to);

/** By how much a channel moves in an hour: middles of ten minutes at both ends of the last half hour. */
function rateOf(recent: readonly Recent[], at: number): number | null {
  const first = between(recent, at - 30 * MINUTE_MS, at - 20 * MINUTE_MS);
  const last = between(recent, at - 10 * MINUTE_MS, at);
  if (first.length < 5 || last.length < 5) return null;
  return ((middle(last) as number) - (middle(first) as number)) * 3;
}

/** By how much a channel rose within ten minutes, by the middles of three. */
function jumpOf(recent: readonly Recent[], at: number): number | null {
  const before = middle(between(recent, at - 12 * MINUTE_MS, at - 8 * MINUTE_MS));
  const after = middle(between(recent, at - 2 * MINUTE_MS, at));
  return before === null || after === null ? null : after - before;
}

/** How far something lies beyond its limit (below zero: within it), and what is shown of it; null where it is not known. */
function beyondOf(
  id: AlarmId,
  watch: Watch,
  at: number,
  { bands, choices }: Circumstances,
): { beyond: number; shown?: number } | null {
  const { watches } = ALARMS[id];
  const limit = choices[id]?.beyond;
  switch (watches.by) {
    case 'switch':
      return { beyond: watch.on[watches.switch] === undefined ? -Infinity : 0 };
    case 'silence':
      // Its time counts from the last that was heard.
      return { beyond: at - watch.heardAt > MINUTE_MS * 1.5 ? 0 : -Infinity };
    default: {
      const recent = watch.recent[watches.channel] ?? [];
      const last = recent.at(-1);
      if (!last || last.at !== at) return null;
      if (watches.by === 'above')
        return { beyond: last.value - (limit ?? watches.limit), shown: last.value };
      if (watches.by === 'below')
        return { beyond: (limit ?? watches.limit) - last.value, shown: last.value };
      if (watches.by === 'band') {
        const band = bands[watches.channel];
        if (!band) return null;
        const above = last.value - band.high - (limit ?? watches.above);
        const below = band.low - (limit ?? watches.below) - last.value;
        return { beyond: Math.max(above, below), shown: last.value };
      }
      const moved = watches.by === 'rate' ? rateOf(recent, at) : jumpOf(recent, at);
      if (moved === null) return null;
      const size = watches.by === 'rate' ? Math.abs(moved) : moved;
      return { beyond: size - (limit ?? watches.limit), shown: moved };
    }
  }
}

/** Values that may be judged: a zero that a bubble shows as well only once it has lasted. */
function believed(
  watch: Watch,
  values: Readonly<Partial<Record<ChannelId, number | undefined>>>,
  at: number,
): Pick<Watch, 'recent' | 'zeros'> {
  const recent: Partial<Record<ChannelId, readonly Recent[]>> = { ...watch.recent };
  const zeros: Partial<Record<ChannelId, number>> = { ...watch.zeros };
  for (const [channel, value] of Object.entries(values) as [ChannelId, number | undefined][]) {
    if (value === undefined) continue;
    const zero = CHANNELS[channel].zeroIsAir && value < AIR;
    zeros[channel] = zero ? (zeros[channel] ?? 0) + 1 : 0;
    if (zero && (zeros[channel] as number) < ZEROS) continue;
    const kept = (recent[channel] ?? []).filter((one) => one.at > at - RECENT_MS && one.at < at);
    recent[channel] = [...kept, { at, value }];
  }
  return { recent, zeros };
}

/** One alarm a step on, and what that turned. */
function stepped(
  id: AlarmId,
  before: Stand | undefined,
  found: { beyond: number; shown?: number },
  at: number,
  told: Circumstances,
): { stand: Stand; turn: Turn | null } {
  const alarm = ALARMS[id];
  const choice = told.choices[id];
  const stand: Stand = { ...(before ?? QUIET) };
  const { beyond, shown } = found;
  const turnOf = (ringing: Ringing, until: number | null): Turn => ({
    alarm: id,
    since: ringing.since,
    worst: ringing.worst,
    past: ringing.past,
    until,
  });
  if (choice?.off) return { stand: QUIET, turn: null };
  if (beyond >= 0) {
    stand.since ??= at;
    stand.backSince = null;
    if (beyond > stand.deepest) {
      stand.deepest = beyond;
      stand.worst = shown;
    }
    if (stand.ringing) stand.ringing = { ...stand.ringing, worst: stand.worst };
    // What was found afterwards and still goes on rings like any other.
    if (stand.ringing && !(stand.ringing.past && told.now - at <= RINGS_FOR_MS))
      return { stand, turn: null };
    const after = choice?.minutes === undefined ? alarm.after * 1000 : choice.minutes * MINUTE_MS;
    const late = told.now - at > RINGS_FOR_MS;
    const hushed =
      !late && ((told.night && !alarm.byNight) || (told.now < told.pausedUntil && !alarm.inPause));
    if (at - stand.since < after || hushed) return { stand, turn: null };
    stand.ringing = { since: stand.since, worst: stand.worst, past: late };
    return { stand, turn: turnOf(stand.ringing, null) };
  }
  if (!stand.ringing) return { stand: QUIET, turn: null };
  // Back by a margin, and for two minutes: a value that swings about its limit rings once.
  if (beyond > -alarm.back && beyond !== -Infinity) {
    stand.backSince = null;
    return { stand, turn: null };
  }
  stand.backSince ??= at;
  if (at - stand.backSince < 2 * MINUTE_MS && beyond !== -Infinity) return { stand, turn: null };
  const over = turnOf(stand.ringing, stand.backSince);
  return { stand: QUIET, turn: over };
}

/**
 * Watches one more thing that was heard. That time goes on is told by our clock and may run ahead of what a monitor
 * says; what it says out of turn is passed over, and what is older than ten minutes is told as found afterwards.
 */
export function watched(
  before: Watch,
  heard: Heard,
  told: Circumstances,
): { watch: Watch; turns: Turn[] } {
  const { at } = heard;
  const said = 'values' in heard || 'of' in heard;
  // Fetched late, between what was heard already: it rings nothing.
  if (said && at < before.saidAt) return { watch: { ...before, heardAt: told.now }, turns: [] };
  let watch: Watch = said ? { ...before, heardAt: told.now, saidAt: at } : before;
  if ('values' in heard) watch = { ...watch, ...believed(watch, heard.values, at) };
  if ('of' in heard) {
    const { [heard.of]: was, ...rest } = watch.on;
    watch = { ...watch, on: heard.on ? { ...rest, [heard.of]: was ?? at } : rest };
  }
  const turns: Turn[] = [];
  const stands: Partial<Record<AlarmId, Stand>> = { ...watch.stands };
  for (const id of ALARM_IDS) {
    const found = beyondOf(id, watch, at, told);
    if (!found) continue;
    const { stand, turn } = stepped(id, stands[id], found, at, told);
    stands[id] = stand;
    if (turn) turns.push(turn);
  }
  return { watch: { ...watch, stands }, turns };
}
