import type { Milestone } from '../core/cycle/milestone';
import { milestonesOf } from '../core/cycle/milestones';
import type { Forecast } from '../core/cycle/forecast/types';
import type { Assurance } from '../core/cycle/verdict/assurance';
import type { Verdict } from '../core/cycle/verdict/types';
import { verdictOf } from '../core/cycle/verdict/verdict';
import {
  calibrationsUntil,
  deriveHistory,
  entriesUntil,
  type Derived,
} from '../core/history/derive';
import type { TankHistory } from '../core/history/tankHistory';
import { planMarks } from '../core/livestock/planner/dates/marks';
import type { Plan } from '../core/livestock/planner/types';
import type { Bands } from '../core/parameters/bands';
import type { ParameterId } from '../core/parameters/registry';
import { entriesOfTank, liveHead, type Log } from '../core/records/log';
import type { Kit } from '../core/records/schema/kit';
import type { RevisionOf } from '../core/records/schema/revision';
import type { Tank } from '../core/records/schema/tank';
import { dueTasks } from '../core/tasks/due';
import type { AsksOfTank, Occurrence } from '../core/tasks/types';
import { HOUR_MS, instant, MINUTE_MS } from '../core/time/zone';
import { perKey, perKeyUntil } from './memo';
import { selectBands, selectKits, selectLog, selectNow, selectOwnedParameters } from './selectors';
import type { RootState } from './state';

/** What is known of one tank now. */
export interface World {
  tankId: string;
  history: TankHistory;
  verdict: Verdict;
  /** The newest forecast; null until there is one, and of a tank that is not followed. */
  forecast: Forecast | null;
  bands: Bands;
  kits: readonly RevisionOf<'kit'>[];
}

type Heads = readonly RevisionOf<'entry'>[];
type Kits = Readonly<Record<string, Kit>>;

const derivedOf = perKey(
  (
    [tankId, tank, all, count, kits, medicines, calibrations]: readonly [
      string,
      Tank,
      Heads,
      number,
      Kits,
      Log['everyMedicine'],
      Log['calibrations'],
    ],
    before: Derived | null,
  ): Derived => {
    const heads = count === all.length ? all : all.slice(0, count);
    return deriveHistory({ tankId, tank, heads, kits, medicines, calibrations }, before);
  },
);

/** The calibrations up to a moment: made anew only when one that lay ahead comes due. */
const calibrationsFor = perKeyUntil(
  (
    [all]: readonly [Log['calibrations']],
    moment,
  ): { value: Log['calibrations']; until: number } => {
    const ahead = Object.values(all).flatMap((list) =>
      list.map(({ at }) => instant(at)).filter((at) => at > moment),
    );
    return { value: calibrationsUntil(all, moment), until: Math.min(Infinity, ...ahead) };
  },
);

function historyUntil(
  state: RootState,
  tankId: string | null,
  moment: number,
  purpose: string,
): TankHistory | null {
  const log = selectLog(state);
  const tank = liveHead(log, tankId, 'tank');
  if (!tank) return null;
  const all = entriesOfTank(log, tank.id);
  const count = entriesUntil(all, moment);
  const key = `${purpose}/${tank.id}`;
  const calibrations = calibrationsFor(key, [log.calibrations], moment);
  const { everyKit, everyMedicine } = log;
  return derivedOf(key, [tank.id, tank.body, all, count, everyKit, everyMedicine, calibrations])
    .history;
}

/** The history of a tank up to now; it changes when an entry does, or when one that lay ahead comes due. */
export function selectHistoryOf(state: RootState, tankId: string | null): TankHistory | null {
  return historyUntil(state, tankId, selectNow(state) + MINUTE_MS, 'now');
}

/** The same up to the moment that a forecast is made for. */
export function selectHistoryUntil(
  state: RootState,
  tankId: string,
  moment: number,
): TankHistory | null {
  return historyUntil(state, tankId, moment, 'forecast');
}

const marks = new WeakMap<TankHistory, number>();
let lastMark = 0;

/** A number for a history, another for each: what a forecast is of, so that an older one is known. */
export function historyMark(history: TankHistory): number {
  const known = marks.get(history);
  if (known !== undefined) return known;
  lastMark += 1;
  marks.set(history, lastMark);
  return lastMark;
}

/** A forecast older than this is not asked for the verdict: the next is under way. */
const ASSURED_FOR = 6 * HOUR_MS;

/** What the forecast says of a history as it is now; null while it has only spoken of another. */
function assuranceFor(state: RootState, history: TankHistory): Assurance | null {
  const known = state.computed.forecast[history.tankId];
  if (!known?.value || known.of !== historyMark(history)) return null;
  return Math.abs(selectNow(state) - known.value.at) <= ASSURED_FOR ? known.value.assurance : null;
}

const verdictFor = perKeyUntil(
  (
    [history, bands, assurance]: readonly [TankHistory, Bands, Assurance | null],
    now,
  ): { value: Verdict; until: number } => {
    const verdict = verdictOf(history, now, bands, assurance);
    return { value: verdict, until: verdict.until };
  },
);

export function selectVerdictOf(state: RootState, tankId: string | null): Verdict | null {
  const history = selectHistoryOf(state, tankId);
  if (!history) return null;
  return verdictFor(
    history.tankId,
    [history, selectBands(state), assuranceFor(state, history)],
    selectNow(state),
  );
}

export function selectForecastOf(state: RootState, tankId: string | null): Forecast | null {
  return tankId === null ? null : (state.computed.forecast[tankId]?.value ?? null);
}

/** The newest plan of a tank's wishes; null where there is none. */
export function selectPlanOf(state: RootState, tankId: string | null): Plan | null {
  return tankId === null ? null : (state.computed.plan[tankId]?.value ?? null);
}

/** Everything that is known of a tank; null without it. */
export function selectWorld(state: RootState, tankId: string | null): World | null {
  const history = selectHistoryOf(state, tankId);
  const verdict = selectVerdictOf(state, tankId);
  if (!history || !verdict) return null;
  return worldOf(history.tankId, [
    history,
    verdict,
    selectForecastOf(state, history.tankId),
    selectBands(state),
    selectKits(state),
  ]);
}

const worldOf = perKey(
  ([history, verdict, forecast, bands, kits]: readonly [
    TankHistory,
    Verdict,
    Forecast | null,
    Bands,
    readonly RevisionOf<'kit'>[],
  ]): World => ({ tankId: history.tankId, history, verdict, forecast, bands, kits }),
);

/** What is said by the hour is made anew when one begins. */
function nextHour(now: number): number {
  return (Math.floor(now / HOUR_MS) + 1) * HOUR_MS;
}

const tasksFor = perKeyUntil(
  (
    [world, owned, plan, batches, runs, asks]: readonly [
      World,
      ReadonlySet<ParameterId>,
      Plan | null,
      Log['batches'],
      Log['runs'],
      AsksOfTank | undefined,
    ],
    now,
  ): { value: Occurrence[]; until: number } => ({
    value: dueTasks(world.history, world.verdict, owned, now, world.forecast, plan, {
      batches,
      runs,
      ...asks,
    }),
    until: Math.min(nextHour(now), world.verdict.until),
  }),
);

const NO_TASKS: Occurrence[] = [];

export function selectTasksOf(state: RootState, tankId: string | null): Occurrence[] {
  const world = selectWorld(state, tankId);
  if (!world) return NO_TASKS;
  const plan = selectPlanOf(state, tankId);
  const { batches, runs } = selectLog(state);
  return tasksFor(
    world.tankId,
    [
      world,
      selectOwnedParameters(state),
      plan,
      batches,
      runs,
      state.computed.asks[tankId ?? '']?.value ?? undefined,
    ],
    selectNow(state),
  );
}

const milestonesFor = perKeyUntil(
  ([world, plan]: readonly [World, Plan | null], now): { value: Milestone[]; until: number } => ({
    value: [...milestonesOf(world.history, now, world.forecast), ...(plan ? planMarks(plan) : [])],
    until: Math.min(nextHour(now), world.verdict.until),
  }),
);

const NO_MILESTONES: Milestone[] = [];

export function selectMilestonesOf(state: RootState, tankId: string | null): Milestone[] {
  const world = selectWorld(state, tankId);
  return world
    ? milestonesFor(world.tankId, [world, selectPlanOf(state, tankId)], selectNow(state))
    : NO_MILESTONES;
}

/** Entries of a tank that lie ahead of the clock: slips of a date, or a clock that is wrong. */
export function selectAheadOf(state: RootState, tankId: string | null): Heads {
  const log = selectLog(state);
  if (tankId === null) return NO_HEADS;
  const all = entriesOfTank(log, tankId);
  const count = entriesUntil(all, selectNow(state) + HOUR_MS);
  return aheadFor(tankId, [all, count]);
}

const NO_HEADS: Heads = [];
const aheadFor = perKey(([all, count]: readonly [Heads, number]): Heads =>
  count === all.length ? NO_HEADS : all.slice(count),
);

/**
 * The moment a tank's forecast is made for: the hour that has begun, or the last entry if that is
 * newer, so that it changes with what is logged and not with every minute.
 */
export function forecastMoment(log: Log, tankId: string, now: number): number {
  const all = entriesOfTank(log, tankId);
  const last = all[entriesUntil(all, now + MINUTE_MS) - 1];
  const hour = Math.floor(now / HOUR_MS) * HOUR_MS;
  return last ? Math.max(hour, instant(last.body.at)) : hour;
}
