import { useMemo } from 'react';
import { awayPlan, type AwayPlan } from '@/core/rhythm/awayPlan';
import type { Absence } from '@/core/records/schema/absence';
import { useAppSelector } from '@/store/hooks';
import { selectNow } from '@/store/selectors';
import { selectTasksOf } from '@/store/world';
import { shallowEqual } from 'react-redux';
import { useHistories, useRhythm } from './useRhythm';

/** What days away mean for each tank that stands. */
export function useAwayPlans(absence: Absence | null): AwayPlan[] {
  const histories = useHistories();
  const { chores } = useRhythm();
  const batches = useAppSelector((state) => state.log.batches);
  const now = useAppSelector(selectNow);
  const tasks = useAppSelector(
    (state) => histories.map(({ tankId }) => selectTasksOf(state, tankId)),
    shallowEqual,
  );
  return useMemo(
    () =>
      absence === null
        ? []
        : histories
            .filter(({ start }) => start !== null)
            .map((history, i) =>
              awayPlan(history, { chores, batches }, tasks[i] ?? [], absence, now),
            ),
    [absence, histories, chores, batches, tasks, now],
  );
}
