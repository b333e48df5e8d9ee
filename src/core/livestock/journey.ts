import type { Entry } from '../records/kinds';
import { entriesOfTank, liveHead, type Log } from '../records/log';
import { shortDay } from '../time/words';
import { addDaysIn, daysBetween, instant, MINUTE_MS, startOfDayIn } from '../time/zone';
import { countOf } from '../units/format';

/** One part of the way of a lot from its source to the display. */
export interface JourneyPart {
  title: string;
  note: string;
  /** ms */
  from: number;
}

/** Days after which an arrival has been watched: as long as its tests follow. */
const WATCHED_DAYS = 7;
/** Moves that a lot may have made; more would be a loop of a damaged log. */
const MOST_MOVES = 12;
/** The two entries of a move are of one act, and of one moment. */
const SAME_MS = MINUTE_MS;

interface Stay {
  tankId: string;
  from: number;
}

/** Where a lot was before, and since when, the newest first. */
function staysOf(log: Log, tankId: string, lotId: string): Stay[] {
  const stays: Stay[] = [];
  let [tank, lot]: [string, string | undefined] = [tankId, lotId];
  while (lot !== undefined && stays.length < MOST_MOVES) {
    const came: Entry | undefined = liveHead(log, lot, 'entry')?.body;
    if (came?.kind !== 'animals') break;
    const at = instant(came.at);
    stays.push({ tankId: tank, from: at });
    const otherTankId: string | undefined = came.otherTankId;
    if (otherTankId === undefined) break;
    const here = tank;
    const left: Entry | undefined = entriesOfTank(log, otherTankId).find(
      ({ body }) =>
        body.kind === 'animals' &&
        body.move === 'moved' &&
        body.otherTankId === here &&
        body.what === came.what &&
        Math.abs(instant(body.at) - at) <= SAME_MS,
    )?.body;
    tank = otherTankId;
    lot = left?.kind === 'animals' ? left.lot : undefined;
  }
  return stays;
}

/** The way of a lot: arrival, quarantine, acclimation, display, watched; in order of time. */
export function journeyOf(log: Log, tankId: string, lotId: string, at: number): JourneyPart[] {
  const stays = staysOf(log, tankId, lotId).reverse();
  const tankOf = (id: string) => liveHead(log, id, 'tank')?.body;
  const parts = stays.map(({ tankId: id, from }, i): JourneyPart => {
    const tank = tankOf(id);
    const zone = tank?.zone ?? 'UTC';
    const next = stays[i + 1];
    const days = daysBetween(from, next?.from ?? at, zone);
    const quarantine = tank?.kind === 'quarantine';
    return {
      title: `${quarantine ? 'Quarantine in' : i === 0 ? 'Into' : 'Over to'} ${tank?.name ?? 'a tank that is gone'}`,
      note: `${shortDay(from, zone)}, ${countOf(days, 'day')}${next ? '' : ' so far'}`,
      from,
    };
  });
  const last = stays.at(-1);
  const home = last ? tankOf(last.tankId) : undefined;
  if (!last || !home || home.kind === 'quarantine') return parts;
  const watched = addDaysIn(startOfDayIn(last.from, home.zone), WATCHED_DAYS, home.zone);
  return [
    ...parts,
    {
      title: watched <= at ? 'Watched' : 'Being watched',
      note: `${watched <= at ? 'through' : 'until'} ${shortDay(watched, home.zone)}, ammonia tested on days 1, 3 and 7`,
      from: watched,
    },
  ];
}
