import { createSelector } from '@reduxjs/toolkit';
import { tanksInOrder } from '../core/history/tanksInOrder';
import { bandsOf } from '../core/parameters/bands';
import type { ParameterId } from '../core/parameters/registry';
import { liveHead } from '../core/records/log';
import type { RevisionOf } from '../core/records/schema/revision';
import { METRIC_SETTINGS, SETTINGS_ID } from '../core/records/schema/settings';
import type { RootState } from './state';

export const selectLog = (state: RootState) => state.log;
export const selectSession = (state: RootState) => state.session;
export const selectPending = (state: RootState) => state.pending;
export const selectNow = (state: RootState) => state.clock.now;
export const selectTankId = (state: RootState) => state.session.tankId;

const selectTankHeads = (state: RootState) => state.log.tanks;

export const selectTanks = createSelector([selectLog], tanksInOrder, {
  memoizeOptions: { resultEqualityCheck: sameList },
});

function sameList(a: unknown, b: unknown): boolean {
  return (
    Array.isArray(a) &&
    Array.isArray(b) &&
    a.length === b.length &&
    a.every((item, i) => item === b[i])
  );
}

export const selectTank = createSelector(
  [selectTankHeads, selectTankId, selectLog],
  (_heads, tankId, log): RevisionOf<'tank'> | null => liveHead(log, tankId, 'tank'),
);

/** The zone of the tank in view, where days are counted; the browser's own before there is one. */
export const selectZone = (state: RootState): string =>
  selectTank(state)?.body.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Every kit, in the keeper's own order. */
export const selectKits = createSelector(
  [(state: RootState) => state.log.kits],
  (kits): readonly RevisionOf<'kit'>[] =>
    [...kits].sort((a, b) => a.body.order - b.body.order || (a.id < b.id ? -1 : 1)),
);

/** The one record of the settings. */
export const selectSettingsRecord = (state: RootState): RevisionOf<'settings'> | null =>
  liveHead(state.log, SETTINGS_ID, 'settings');

export const selectSettings = createSelector(
  [selectSettingsRecord],
  (record) => record?.body ?? METRIC_SETTINGS,
);

export const selectBands = createSelector([selectSettings], (settings) =>
  bandsOf(settings.bandPreset, settings.bands),
);

export const selectOwnedParameters = createSelector(
  [selectKits],
  (kits): ReadonlySet<ParameterId> =>
    new Set(kits.filter((kit) => kit.body.inUse).map((kit) => kit.body.parameter)),
);
