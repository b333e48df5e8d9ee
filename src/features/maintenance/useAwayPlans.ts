import { useMemo } from 'react';
import { awayPlan, type AwayPlan } from '@/core/maintenance/away/awayPlan';
import type { Absence } from '@/core/records/schema/absence';
import { useAppSelector } from '@/store/hooks';
import { selectNow } from '@/store/selectors';
import { useMaintenance, useTanksWithTasks } from './useMaintenance';

/** What days away mean for each tank that holds water. */
export function useAwayPlans(absence: Absence | null): AwayPlan[] {
  const tanks = useTanksWithTasks();
  const { chores } = useMaintenance();
  const batches = useAppSelector((state) => state.log.batches);
  const now = useAppSelector(selectNow);
  return useMemo(
    () =>
      absence === null
        ? []
        : tanks
            .filter(({ history }) => history.start !== null)
            .map(({ history, tasks }) =>
              awayPlan(history, { chores, batches }, tasks, absence, now),
            ),
    [absence, tanks, chores, batches, now],
  );
}
