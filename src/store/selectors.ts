import { createSelector } from '@reduxjs/toolkit';
import { bandsOf } from '../core/parameters/bands';
import type { ParameterId } from '../core/parameters/registry';
import { headOf, headsOfType, isType } from '../core/records/log';
import type { RevisionOf } from '../core/records/schema/revision';
import { METRIC_SETTINGS } from '../core/records/schema/settings';
import { tankHistory } from '../core/history/tankHistory';
import { verdictOf } from '../core/cycle/verdict/verdict';
import { dueTasks } from '../core/tasks/due';
import { milestonesOf } from '../core/cycle/milestones';
import { MINUTE_MS } from '../core/time/zone';
import type { RootState } from './store';

export const selectLog = (state: RootState) => state.log;
export const selectSession = (state: RootState) => state.session;
export const selectNow = (state: RootState) => state.clock.now;
export const selectTankId = (state: RootState) => state.session.tankId;

const KIND_ORDER = ['display', 'other', 'quarantine'];

/** Displays first, then by name. */
export function tanksInOrder(tanks: RevisionOf<'tank'>[]): RevisionOf<'tank'>[] {
  return [...tanks].sort(
    (a, b) =>
      KIND_ORDER.indexOf(a.body.kind) - KIND_ORDER.indexOf(b.body.kind) ||
      // The older of two displays comes second: the one in its cycle is the one that is looked at.
      (b.body.filledOn ?? '').localeCompare(a.body.filledOn ?? '') ||
      a.body.name.localeCompare(b.body.name),
  );
}

export const selectTanks = createSelector([selectLog], (log) =>
  tanksInOrder(headsOfType(log, 'tank')),
);

export const selectTank = createSelector(
  [selectLog, selectTankId],
  (log, tankId): RevisionOf<'tank'> | null => {
    const head = tankId === null ? undefined : headOf(log, tankId);
    return head && isType(head, 'tank') && !head.deleted ? head : null;
  },
);

/** Every kit, in the keeper's own order. */
export const selectKits = createSelector([selectLog], (log) =>
  headsOfType(log, 'kit').sort((a, b) => a.body.order - b.body.order || (a.id < b.id ? -1 : 1)),
);

export const selectSettingsRecord = createSelector(
  [selectLog],
  (log) => headsOfType(log, 'settings')[0] ?? null,
);

export const selectSettings = createSelector(
  [selectSettingsRecord],
  (record) => record?.body ?? METRIC_SETTINGS,
);

export const selectBands = createSelector([selectSettings], (settings) =>
  bandsOf(settings.bandPreset, settings.bands),
);

/** The history of the tank in view up to now; null without a tank. */
export const selectHistory = createSelector([selectLog, selectTank, selectNow], (log, tank, now) =>
  tank ? tankHistory(log, tank.id, now + MINUTE_MS) : null,
);

export const selectVerdict = createSelector(
  [selectHistory, selectNow, selectBands],
  (history, now, bands) => (history ? verdictOf(history, now, bands) : null),
);

/** The forecast of the tank in view; null until there is one. */
export const selectForecast = (state: RootState) =>
  state.forecast.tankId === state.session.tankId ? state.forecast.forecast : null;
export const selectForecastStatus = (state: RootState) => state.forecast;

export const selectOwnedParameters = createSelector(
  [selectKits],
  (kits): ReadonlySet<ParameterId> =>
    new Set(kits.filter((kit) => kit.body.inUse).map((kit) => kit.body.parameter)),
);

export const selectDueTasks = createSelector(
  [selectHistory, selectVerdict, selectOwnedParameters, selectNow, selectForecast],
  (history, verdict, kits, now, forecast) =>
    history && verdict ? dueTasks(history, verdict, kits, now, forecast) : [],
);

export const selectMilestones = createSelector(
  [selectHistory, selectNow, selectForecast],
  (history, now, forecast) => (history ? milestonesOf(history, now, forecast) : []),
);
