import { entryLine, entryTitle, entryTouches, type Entry } from '../records/kinds';
import type { Touch } from '../records/kinds/kind';
import { everyEntry, wordsContext, type Logged, type TankHistory } from './tankHistory';

/** Something logged, as a line of a list: its entry can be opened by its id. */
export interface LoggedEvent {
  id: string;
  at: number;
  title: string;
  note: string;
}

/** Newest first; what belongs to one moment in the order it was entered. */
function newestFirst(a: Logged, b: Logged): number {
  return b.at - a.at || (a.id < b.id ? -1 : 1);
}

/** Entries as lines, newest first. */
function linesOf(history: TankHistory, entries: readonly Logged[]): LoggedEvent[] {
  const context = wordsContext(history);
  return [...entries].sort(newestFirst).map(({ id, at, entry }) => ({
    id,
    at,
    title: entryTitle(entry),
    note: entryLine(entry, context),
  }));
}

const isTest = (entry: Entry) => entry.kind === 'reading';

/** How many entries a tank has, and when the first of them was, ms; null without any. */
export function entrySpan({ entries }: TankHistory): { count: number; first: number | null } {
  const lists: Logged[][] = Object.values(entries);
  const starts = lists.flatMap(([first]) => (first ? [first.at] : []));
  return {
    count: lists.reduce((sum, list) => sum + list.length, 0),
    first: starts.length > 0 ? Math.min(...starts) : null,
  };
}

/** Every entry of a tank, newest first. */
export function allEvents(history: TankHistory): LoggedEvent[] {
  return linesOf(history, everyEntry(history));
}

/** Some entries of a tank as lines, newest first, so many at most. */
export function entryEvents(
  history: TankHistory,
  entries: readonly Logged[],
  most: number,
): LoggedEvent[] {
  return linesOf(history, [...entries].sort(newestFirst).slice(0, most));
}

/** Every entry of a tank as a line, and those of them that hold what somebody looks for. */
export interface EventSearch {
  events: readonly LoggedEvent[];
  /**
   * The lines with every word of a text in their title or note, large letters or small, newest first.
   * @param most lines at most; all of them where it is left out
   */
  find: (text: string, most?: number) => readonly LoggedEvent[];
}

const SEARCHES = new WeakMap<TankHistory, EventSearch>();

/** Kept with the history, whoever asks: a letter typed goes through lines that were prepared once. */
export function eventSearch(history: TankHistory): EventSearch {
  const known = SEARCHES.get(history);
  if (known) return known;
  const events = allEvents(history);
  const lines = events.map(({ title, note }) => `${title} ${note}`.toLowerCase());
  const search: EventSearch = {
    events,
    find: (text, most = Infinity) => {
      const words = text.toLowerCase().split(/\s+/).filter(Boolean);
      if (words.length === 0 && most >= events.length) return events;
      const found: LoggedEvent[] = [];
      for (let i = 0; i < events.length && found.length < most; i += 1) {
        const event = events[i];
        if (event && words.every((word) => lines[i]?.includes(word))) found.push(event);
      }
      return found;
    },
  };
  SEARCHES.set(history, search);
  return search;
}

/**
 * Entries by their kind but for what was said of tasks: a mark a day would bury what happened to the
 * tank, and those of chores have a page of their own.
 */
function happenings({ entries }: TankHistory): Logged[][] {
  const { taskMark: _marks, ...rest } = entries;
  return Object.values(rest);
}

/** The moments at which anything happened, each once. */
export function entryMoments(history: TankHistory): number[] {
  const moments = new Set<number>();
  for (const list of happenings(history)) for (const { at } of list) moments.add(at);
  return [...moments];
}

/** Tests that one test session may have: so many more are looked at, so that none is cut in two. */
const TEST_SESSION = 16;

/** What happened to a tank last. */
export function latestEvents(history: TankHistory, most: number): LoggedEvent[] {
  const newest = happenings(history).flatMap((list) => list.slice(-most - TEST_SESSION));
  return linesOf(history, newest.sort(newestFirst).slice(0, most));
}

/** Everything but tests that moves a parameter, newest first. */
export function eventsTouching(history: TankHistory, touch: Touch): LoggedEvent[] {
  return linesOf(
    history,
    everyEntry(history).filter(
      ({ entry }) => !isTest(entry) && entryTouches(entry).includes(touch),
    ),
  );
}

/** Marks of what was done or seen, for a chart of some parameters: their moments, each with its word. */
export function chartMarks(
  history: TankHistory,
  touches: readonly Touch[],
): { x: number; label: string }[] {
  return everyEntry(history)
    .filter(
      ({ entry }) => !isTest(entry) && entryTouches(entry).some((touch) => touches.includes(touch)),
    )
    .map(({ at, entry }) => ({ x: at, label: entryTitle(entry) }));
}
