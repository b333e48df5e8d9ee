import { useEffect } from 'react';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectPlan } from '@/store/inView';
import { loadStocking } from '@/store/plans';

/** Asks for the plan of a tank that somebody is wished for in, where it was not made yet. */
export function useRenewedPlan(tankId: string | undefined): void {
  const dispatch = useAppDispatch();
  const plan = useAppSelector(selectPlan);
  const wished = useAppSelector(({ log }) => log.wishes.some(({ body }) => body.tankId === tankId));
  useEffect(() => {
    if (tankId === undefined || plan !== null || !wished) return;
    void loadStocking().then(({ renewPlan }) => dispatch(renewPlan(tankId)));
  }, [dispatch, tankId, plan, wished]);
}
