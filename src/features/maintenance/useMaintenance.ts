import { createSelector } from '@reduxjs/toolkit';
import { useMemo } from 'react';
import { shallowEqual } from 'react-redux';
import type { TankHistory } from '@/core/history/tankHistory';
import type { Maintenance } from '@/core/maintenance/choreAsks';
import type { Occurrence } from '@/core/tasks/types';
import { useAppSelector } from '@/store/hooks';
import { selectTanks } from '@/store/selectors';
import type { RootState } from '@/store/state';
import { selectHistoryOf, selectTasksOf } from '@/store/world';

const selectMaintenance = createSelector(
  [(state: RootState) => state.log.chores, (state: RootState) => state.log.absences],
  (chores, absences): Maintenance => ({ chores, absences }),
);

/** The chores of the log and its days away. */
export function useMaintenance(): Maintenance {
  return useAppSelector(selectMaintenance);
}

/** The histories of every tank that stands, in order. */
export function useHistories(): TankHistory[] {
  return useAppSelector(
    (state) =>
      selectTanks(state).flatMap(({ id }) => {
        const history = selectHistoryOf(state, id);
        return history && history.standing.closedAt === null ? [history] : [];
      }),
    shallowEqual,
  );
}

/** Every tank that stands with what is due at it. */
export function useTanksWithTasks(): { history: TankHistory; tasks: Occurrence[] }[] {
  const histories = useHistories();
  const tasks = useAppSelector(
    (state) => histories.map(({ tankId }) => selectTasksOf(state, tankId)),
    shallowEqual,
  );
  return useMemo(
    () => histories.map((history, i) => ({ history, tasks: tasks[i] ?? [] })),
    [histories, tasks],
  );
}
