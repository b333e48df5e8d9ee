import { createSelector } from '@reduxjs/toolkit';
import {
  alarmEntryId,
  lastNight,
  nightOf,
  parameterOf,
  spanId,
  steadyHour,
  type Span,
} from '../core/monitor/samples/span';
import { alarmTitle } from '../core/monitor/alarms/alarmWords';
import { ALARM_IDS } from '../core/monitor/alarms/alarmIds';
import { CHANNEL_IDS } from '../core/monitor/channels';
import type { StillRinging, Turn } from '../core/monitor/alarms/watch';
import { entriesOfTank, liveHead, recordOf } from '../core/records/log';
import { MOST_PAST } from '../core/records/kinds/alarm';
import type { RevisionOf } from '../core/records/schema/revision';
import { PARAMETERS } from '../core/parameters/registry';
import {
  addDaysIn,
  dayOf,
  dayStart,
  HOUR_MS,
  instant,
  isoInZone,
  MINUTE_MS,
} from '../core/time/zone';
import { countOf } from '../core/units/format';
import type { SampleStore } from '../storage/sampleStore';
import { liveConnections } from './connections';
import { liveOf } from './live';
import { recordAct } from './record';
import type { AppThunk, RootState } from './state';

type Connection = RevisionOf<'connection'>;
type EntryHead = RevisionOf<'entry'>;

/** So long an alarm that nobody has seen stands over every screen. */
const SHOWN_MS = 24 * HOUR_MS;
/** Nights that are looked back at for what they measured. */
const NIGHTS = 7;

/** An entry's moment has no more: the id of what rang has to follow from it. */
const wholeSecond = (at: number): number => Math.floor(at / 1000) * 1000;

const zoneOf = (state: RootState, tankId: string): string =>
  liveHead(state.log, tankId, 'tank')?.body.zone ?? 'UTC';

/** Alarms of a connection that rang before this page was opened and are not over: their moments in whole seconds. */
export function stillRinging(state: RootState, connection: Connection): StillRinging[] {
  return entriesOfTank(state.log, connection.body.tankId).flatMap(({ body }) =>
    body.kind === 'alarm' &&
    body.connectionId === connection.id &&
    body.until === undefined &&
    body.past === undefined
      ? [{ alarm: body.alarm, since: instant(body.at), worst: body.worst }]
      : [],
  );
}

/** A monitor tells a sample a minute: one that was heard so lately did not fall silent with another. */
const HEARD_MS = 2 * MINUTE_MS;

/**
 * Whether another monitor than a connection's was heard just now. That it does not ring is not enough: all fall
 * silent at once where the power fails, and one of them is the first to ring.
 */
export function othersAnswer(state: RootState, connectionId: string, now: number): boolean {
  return liveConnections(state).some(({ id, body }) => {
    const { state: link, at } = liveOf(id);
    return (
      id !== connectionId &&
      body.kind === 'monitor' &&
      link === 'live' &&
      at !== null &&
      now - at <= HEARD_MS
    );
  });
}

/** Records that something began to ring, or that it is over. Two tabs that record it make one of it. */
export function recordTurn(connection: Connection, turn: Turn): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const { tankId } = connection.body;
    const zone = zoneOf(getState(), tankId);
    const id = alarmEntryId(connection.id, turn.alarm, wholeSecond(turn.since));
    const known = liveHead(getState().log, id, 'entry');
    const until = turn.until === null ? {} : { until: isoInZone(turn.until, zone) };
    const worst = turn.worst === undefined ? {} : { worst: turn.worst };
    if (known && turn.until === null) return false;
    await dispatch(
      recordAct((act) => {
        if (known?.body.kind === 'alarm') {
          act.revise(known, { ...known.body, ...worst, ...until });
          return;
        }
        act.createAs(id, 'entry', {
          kind: 'alarm',
          tankId,
          at: isoInZone(turn.since, zone),
          connectionId: connection.id,
          alarm: turn.alarm,
          ...worst,
          ...until,
        });
      }),
    );
    return !known;
  };
}

/** Records what was found afterwards as one entry, told in one sentence: none of it rang. */
export function recordPast(
  connection: Connection,
  turns: readonly Turn[],
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const began = new Map<string, Turn>();
    // What was over replaces what began: it says until when.
    for (const turn of turns) began.set(`${turn.alarm}/${turn.since}`, turn);
    const found = [...began.values()].sort((a, b) => a.since - b.since).slice(-MOST_PAST);
    const gravest = ALARM_IDS.find((id) => found.some(({ alarm }) => alarm === id));
    const [first] = found;
    if (!first || !gravest) return;
    const { tankId } = connection.body;
    const zone = zoneOf(getState(), tankId);
    const words =
      found.length === 1
        ? `Found afterwards: ${alarmTitle(gravest)}`
        : `${countOf(found.length, 'alarm')} found afterwards, ${alarmTitle(gravest).toLowerCase()} among them`;
    await dispatch(
      recordAct((act) => {
        act.createAs(alarmEntryId(connection.id, 'past', first.since), 'entry', {
          kind: 'alarm',
          tankId,
          // When it was found: what it holds has moments of its own, and may lie days back.
          at: isoInZone(services.now(), zone),
          connectionId: connection.id,
          alarm: gravest,
          past: found.map(({ alarm, since, until, worst }) => ({
            alarm,
            at: isoInZone(since, zone),
            ...(until === null ? {} : { until: isoInZone(until, zone) }),
            ...(worst === undefined ? {} : { worst }),
          })),
        });
      }, words),
    );
  };
}

/** Says that an alarm was seen, in whichever tab. */
export function markSeen(heads: readonly EntryHead[]): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    await dispatch(
      recordAct((act) => {
        for (const head of heads) {
          if (head.body.kind !== 'alarm') continue;
          const zone = zoneOf(getState(), head.body.tankId);
          act.revise(head, { ...head.body, seenAt: isoInZone(services.now(), zone) });
        }
      }),
    );
  };
}

/** Alarms of any tank that rang within a day and that nobody has seen, the gravest first. */
export const selectUnseen = createSelector(
  [
    (state: RootState) => state.log.connections,
    (state: RootState) => state.log,
    // By the hour: it only lets go of what is old.
    (state: RootState) => Math.floor(state.clock.now / HOUR_MS),
  ],
  (connections, log, hour): readonly EntryHead[] => {
    const from = hour * HOUR_MS - SHOWN_MS;
    const tanks = new Set(connections.map(({ body }) => body.tankId));
    return [...tanks]
      .flatMap((tankId) => {
        const entries = entriesOfTank(log, tankId);
        // In order of their time: the newest lie at the end.
        const first = entries.findLastIndex(({ body }) => instant(body.at) < from) + 1;
        return entries
          .slice(first)
          .filter(({ body }) => body.kind === 'alarm' && body.seenAt === undefined);
      })
      .sort((a, b) => rank(a) - rank(b));
  },
);

const rank = ({ body }: EntryHead): number =>
  body.kind === 'alarm' ? ALARM_IDS.indexOf(body.alarm) + (body.past ? ALARM_IDS.length : 0) : 0;

/** The steady hours of the last nights that no reading stands for yet. */
async function nightsOf(state: RootState, connection: Connection, store: SampleStore, now: number) {
  const zone = zoneOf(state, connection.body.tankId);
  const last = dayStart(lastNight(now, zone), zone);
  const found: { id: string; day: string; span: Span; kitId: string }[] = [];
  for (let back = NIGHTS - 1; back >= 0; back -= 1) {
    const day = dayOf(addDaysIn(last, -back, zone), zone);
    for (const channel of CHANNEL_IDS) {
      const kitId = connection.body.kits[channel];
      const id = spanId(connection.id, channel, day);
      if (kitId === undefined || recordOf(state.log, id)) continue;
      const { from, to } = nightOf(day, zone);
      const { values } = await store.stretch(connection.id, channel, 1, from, to - 1);
      const span = steadyHour(channel, day, zone, values);
      if (span) found.push({ id, day, span, kitId });
    }
  }
  return { zone, found };
}

/** Makes a reading of each night's steadiest hour: one entry with its spread, the same in every tab. */
export function recordNights(
  connection: Connection,
  store: SampleStore,
): AppThunk<Promise<number>> {
  return async (dispatch, getState, { services }) => {
    const { zone, found } = await nightsOf(getState(), connection, store, services.now());
    if (found.length === 0) return 0;
    await dispatch(
      recordAct((act) => {
        for (const { id, span, kitId } of found) {
          const parameter = parameterOf(span.channel);
          act.createAs(id, 'entry', {
            kind: 'reading',
            tankId: connection.body.tankId,
            at: isoInZone(span.at + HOUR_MS / 2, zone),
            parameter,
            kitId,
            value: {
              form: 'digital',
              value: span.middle,
              unit: PARAMETERS[parameter].canonicalUnit,
            },
            dilution: 1,
            spread: { minutes: 60, low: span.least, high: span.most },
          });
        }
      }),
    );
    return found.length;
  };
}
