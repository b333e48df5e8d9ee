import { METHOD_WORDS } from '../../acclimation/method';
import { tankHistory } from '../../history/derive';
import { clockOf } from '../../quarantine/batch';
import { protocolOf } from '../../quarantine/protocols';
import type { Entry } from '../../records/kinds';
import { entriesOfTank, liveHead, type Log } from '../../records/log';
import { methodOf } from '../../runs/procedures/acclimate';
import { shortDay } from '../../time/words';
import { addDaysIn, daysBetween, instant, MINUTE_MS, startOfDayIn } from '../../time/zone';
import { countOf } from '../../units/format';

/** One part of the way of a group from its source to the display. */
export interface JourneyPart {
  id: string;
  /** In a word or two, for a drawing. */
  label: string;
  title: string;
  note: string;
  /** ms */
  from: number;
  /** How far it may lie off while it lies ahead, ms. */
  range?: { low: number; high: number };
}

/** Days after which an arrival has been watched: as long as its tests follow. */
const WATCHED_DAYS = 7;
/** Moves that a group may have made; more would be a loop of a damaged log. */
const MOST_MOVES = 12;
/** The two entries of a move are of one act, and of one moment. */
const SAME_MS = MINUTE_MS;

interface Stay {
  tankId: string;
  from: number;
}

/** Where a group was before, and since when, the newest first. */
function staysOf(log: Log, tankId: string, cohortId: string): Stay[] {
  const stays: Stay[] = [];
  let [tank, cohort]: [string, string | undefined] = [tankId, cohortId];
  while (cohort !== undefined && stays.length < MOST_MOVES) {
    const came: Entry | undefined = liveHead(log, cohort, 'entry')?.body;
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
    cohort = left?.kind === 'animals' ? left.cohort : undefined;
  }
  return stays;
}

/** The acclimation that ended with an arrival in a tank; undefined where none was followed here. */
function acclimationOf(log: Log, tankId: string, arrivedAt: number): JourneyPart | undefined {
  const run = log.runs.find(
    ({ body }) =>
      body.procedure === 'acclimate' &&
      body.tankId === tankId &&
      body.ended?.how === 'done' &&
      Math.abs(instant(body.ended.at) - arrivedAt) <= SAME_MS,
  )?.body;
  if (!run) return undefined;
  const begun = instant(run.begunAt);
  const minutes = Math.max(1, Math.round((arrivedAt - begun) / MINUTE_MS));
  const words = METHOD_WORDS[methodOf(run)];
  return {
    id: `acclimated/${begun}`,
    label: 'Acclimated',
    title: 'Acclimated',
    note: `${words}, ${countOf(minutes, 'minute')}`,
    from: begun,
  };
}

/** Where a group that is in quarantine goes from there, and when; none of one that no batch follows. */
function aheadOf(log: Log, tankId: string, cohortId: string, at: number): JourneyPart[] {
  const batch = log.batches.find(
    ({ body }) =>
      body.tankId === tankId &&
      body.endedAt === null &&
      body.animals.some(({ cohort }) => cohort === cohortId),
  )?.body;
  const home = batch && liveHead(log, batch.forTankId, 'tank')?.body;
  if (!batch || !home) return [];
  const protocol = protocolOf(
    batch.protocol,
    log.protocols.map(({ body }) => body),
  );
  const { release } = clockOf(batch, tankHistory(log, tankId, at), protocol, at);
  const { p10, p50, p90 } = release;
  const days = (from: number) => addDaysIn(startOfDayIn(from, home.zone), WATCHED_DAYS, home.zone);
  return [
    {
      id: 'over',
      label: home.name,
      title: `Over to ${home.name}`,
      note: `acclimated, from ${shortDay(p10, home.zone)}${p90 > p10 ? `, late ${shortDay(p90, home.zone)}` : ''}`,
      from: p50,
      range: { low: p10, high: p90 },
    },
    {
      id: 'watched',
      label: 'Watched',
      title: 'Watched',
      note: `${countOf(WATCHED_DAYS, 'day')} from then, ammonia tested on days 1, 3 and 7`,
      from: days(p50),
      range: { low: days(p10), high: days(p90) },
    },
  ];
}

/** The way of a group: arrival, quarantine, acclimation, display, watched; in order of time, what lies ahead among it. */
export function journeyOf(log: Log, tankId: string, cohortId: string, at: number): JourneyPart[] {
  const stays = staysOf(log, tankId, cohortId).reverse();
  const tankOf = (id: string) => liveHead(log, id, 'tank')?.body;
  const parts = stays.map(({ tankId: id, from }, i): JourneyPart => {
    const tank = tankOf(id);
    const zone = tank?.zone ?? 'UTC';
    const next = stays[i + 1];
    const days = daysBetween(from, next?.from ?? at, zone);
    const quarantine = tank?.kind === 'quarantine';
    return {
      id: `stay/${id}/${i}`,
      label: quarantine ? 'Quarantine' : (tank?.name ?? 'A tank'),
      title: `${quarantine ? 'Quarantine in' : i === 0 ? 'Into' : 'Over to'} ${tank?.name ?? 'a tank that is gone'}`,
      note: `${shortDay(from, zone)}, ${countOf(days, 'day')}${next ? '' : ' so far'}`,
      from,
    };
  });
  const last = stays.at(-1);
  const home = last ? tankOf(last.tankId) : undefined;
  if (!last || !home) return parts;
  if (home.kind === 'quarantine') return [...parts, ...aheadOf(log, tankId, cohortId, at)];
  const acclimated = acclimationOf(log, last.tankId, last.from);
  if (acclimated) parts.splice(-1, 0, acclimated);
  const watched = addDaysIn(startOfDayIn(last.from, home.zone), WATCHED_DAYS, home.zone);
  return [
    ...parts,
    {
      id: 'watched',
      label: 'Watched',
      title: watched <= at ? 'Watched' : 'Being watched',
      note: `${watched <= at ? 'through' : 'until'} ${shortDay(watched, home.zone)}, ammonia tested on days 1, 3 and 7`,
      from: watched,
    },
  ];
}
