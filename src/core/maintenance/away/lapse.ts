import { firstFrom, type TankHistory } from '../../history/tankHistory';
import { ENTRY_KINDS } from '../../records/kinds';
import type { Opens } from '../../tasks/types';
import { DAY_MS } from '../../time/zone';
import { countOf, formatPlain } from '../../units/format';
import { lastEntryAt, phaseOf } from '../chores';

/** Days without an entry after which the way back is shown, in a tank with animals and in a cycle. */
const SILENT_DAYS = { running: 14, cycling: 21 };
/** Days that the way back is shown for once it was begun. */
const SHOWN_DAYS = 4;
/** Share of the water that the first change after a silence renews: nitrate may have risen far. */
const FIRST_SHARE = 0.15;

/** One of the things that lead back. */
export interface WayBack {
  id: 'look' | 'test' | 'change';
  title: string;
  because: string;
  minutes: number;
  opens: Opens;
  done: boolean;
}

/** A silence of weeks, and the shortest way back from it. */
export interface Lapse {
  /** Days without an entry. */
  days: number;
  /** Whether anything was logged since. */
  back: boolean;
  steps: WayBack[];
}

/** "five weeks", "16 days": how long nothing was written. */
export function silenceWords(days: number): string {
  const words = ['two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
  const weeks = Math.floor(days / 7);
  if (days < 14) return countOf(days, 'day');
  return weeks <= 10
    ? `${words[weeks - 2] ?? weeks} weeks`
    : countOf(Math.floor(days / 30), 'month');
}

/** The moments of entries since another, with the last one before it, in order: a long log is not gone through. */
function latelyOf({ entries }: TankHistory, since: number): number[] {
  const moments: number[] = [];
  let before = -Infinity;
  for (const kind of ENTRY_KINDS) {
    const list: readonly { at: number }[] = entries[kind];
    const from = firstFrom(list, since);
    for (let i = from; i < list.length; i += 1) moments.push(list[i]?.at ?? 0);
    before = Math.max(before, list[from - 1]?.at ?? -Infinity);
  }
  if (before > -Infinity) moments.push(before);
  return moments.sort((a, b) => a - b);
}

/** The silence that matters now: one that goes on, or the one that ended within days; null without. */
function silenceOf(history: TankHistory, least: number, at: number) {
  const last = lastEntryAt(history);
  if (last === null) return null;
  const open = (at - last) / DAY_MS;
  if (open >= least) return { days: Math.floor(open), ended: null };
  const moments = latelyOf(history, at - SHOWN_DAYS * DAY_MS);
  for (let i = moments.length - 1; i > 0; i -= 1) {
    const [before, after] = [moments[i - 1] ?? 0, moments[i] ?? 0];
    const gap = (after - before) / DAY_MS;
    if (gap >= least) return { days: Math.floor(gap), ended: after };
  }
  return null;
}

/**
 * The shortest way back from weeks without an entry: three things in order. Looking and topping up
 * first, since level and salinity move most and a missing animal decides all else; then the tests that
 * say how much to do; then one change, which mends most of what they find.
 * @param at now, ms
 * @returns null where nothing lapsed, or all three are done
 */
export function lapseOf(history: TankHistory, at: number): Lapse | null {
  const phase = phaseOf(history);
  if (phase === null || phase === 'idle') return null;
  const silence = silenceOf(history, SILENT_DAYS[phase], at);
  if (!silence) return null;
  const since = silence.ended ?? at;
  const { readings, entries, netLitres } = history;
  const after = (moments: readonly { at: number }[]) => moments.some((one) => one.at >= since);
  const change = Math.max(1, Math.round(netLitres * FIRST_SHARE));
  const steps: WayBack[] = [
    {
      id: 'look',
      title: 'Look, count, top up; test salinity and temperature',
      because: 'Level and salinity drift most, and whoever is missing decides the rest',
      minutes: 15,
      opens: { form: 'reading' },
      done: after(readings.salinity) || after(readings.temperature),
    },
    {
      id: 'test',
      title:
        phase === 'running' ? 'Test ammonia, nitrate and alkalinity' : 'Test ammonia and nitrite',
      because:
        phase === 'running'
          ? 'They say whether one change is enough'
          : 'They say where the cycle stands now',
      minutes: 20,
      opens: { form: 'reading' },
      done: after(readings.ammonia),
    },
  ];
  if (phase === 'running') {
    steps.push({
      id: 'change',
      title: `Change ${formatPlain(change, 0)} L, matched`,
      because: 'One change mends most of what the tests find; a larger one at once would shock',
      minutes: 45,
      opens: { run: 'waterChange' },
      done: after(entries.waterChange),
    });
  }
  if (silence.ended !== null && steps.every(({ done }) => done)) return null;
  return { days: silence.days, back: silence.ended !== null, steps };
}
