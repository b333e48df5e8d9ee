import { useEffect, useMemo } from 'react';
import type { TankHistory } from '@/core/history/tankHistory';
import { demandOf, type Demand } from '@/core/livestock/food/demand';
import { finderWith, type Finder } from '@/core/livestock/roster/lodgers';
import { isHere, rosterOf, type Cohort } from '@/core/livestock/roster/roster';
import type { Plan } from '@/core/livestock/planner/types';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectForecastStanding, selectHistory, selectPlan, selectVerdict } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { loadStocking } from '@/store/plans';

/** Looks an animal up: the keeper's own first, then the catalogue. */
export function useFinder(): Finder {
  const own = useAppSelector((state) => state.log.species);
  return useMemo(() => finderWith(own.map(({ body }) => body)), [own]);
}

export interface StockView {
  history: TankHistory;
  now: number;
  find: Finder;
  cohorts: Cohort[];
  here: Cohort[];
  demand: Demand;
  plan: Plan | null;
  /** The plan could not be worked out. */
  failed: boolean;
  isReady: boolean;
}

/** What Stock shows of the tank in view; null without one. Its plan is asked for when it is opened. */
export function useStock(): StockView | null {
  const dispatch = useAppDispatch();
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const plan = useAppSelector(selectPlan);
  const now = useAppSelector(selectNow);
  const find = useFinder();
  const tankId = history?.tankId;
  const planning = useAppSelector((state) => state.computed.plan[tankId ?? '']?.status);
  const foretelling = useAppSelector(selectForecastStanding)?.status;
  useEffect(() => {
    if (tankId === undefined || plan !== null || planning === 'failed') return;
    // A forecast that is under way brings the filter bacteria with it: what asks for two would work twice.
    if (foretelling === 'running') return;
    void loadStocking().then(({ renewPlan }) => dispatch(renewPlan(tankId)));
  }, [dispatch, history, tankId, plan, planning, foretelling]);
  const cohorts = useMemo(() => (history ? rosterOf(history) : []), [history]);
  const demand = useMemo(
    () => (history ? demandOf(history, cohorts, now, find) : null),
    [history, cohorts, now, find],
  );
  if (!history || !demand) return null;
  const running = history.standing.runningSince !== null;
  return {
    history,
    now,
    find,
    cohorts,
    here: cohorts.filter(isHere),
    demand,
    plan,
    failed: plan === null && planning === 'failed',
    isReady: running || (verdict?.ready ?? false),
  };
}
