import { useMemo } from 'react';
import type { TankHistory } from '@/core/history/tankHistory';
import { batchView, type BatchView } from '@/core/quarantine/batch';
import { protocolOf } from '@/core/quarantine/protocols';
import { workingSponge } from '@/core/quarantine/tank/seeded';
import { ammoniaPlan, type AmmoniaPlan } from '@/core/quarantine/tank/water';
import type { Protocol } from '@/core/records/schema/protocol';
import type { RevisionOf } from '@/core/records/schema/revision';
import { useAppSelector } from '@/store/hooks';
import { selectLog, selectNow } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { useFinder } from '../useStock';

/** One batch with all that is known of it at the moment. */
export interface BatchNow {
  head: RevisionOf<'batch'>;
  history: TankHistory;
  protocol: Protocol;
  view: BatchView;
  ammonia: AmmoniaPlan;
  /** The name of the tank it is for. */
  forName: string;
  /** Which of its tank's batches it is, from 1. */
  number: number;
}

/** A batch by its id; null where there is none. */
export function useBatch(id: string): BatchNow | null {
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const find = useFinder();
  const head = log.batches.find((batch) => batch.id === id);
  const history = useAppSelector((state) => selectHistoryOf(state, head?.body.tankId ?? null));
  return useMemo(() => {
    if (!head || !history) return null;
    const { batches, protocols, tanks, kits } = log;
    const protocol = protocolOf(
      head.body.protocol,
      protocols.map(({ body }) => body),
    );
    const earlier = batches.filter(
      ({ body }) => body.tankId === head.body.tankId && body.begunAt <= head.body.begunAt,
    );
    return {
      head,
      history,
      protocol,
      view: batchView(head.body, history, protocol, now),
      ammonia: ammoniaPlan(
        history,
        head.body,
        find,
        now,
        kits.map(({ body }) => body).filter(({ inUse }) => inUse),
        workingSponge(log, head.body.tankId, now, find)?.low,
      ),
      forName:
        tanks.find(({ id: tankId }) => tankId === head.body.forTankId)?.body.name ?? 'a tank',
      number: earlier.length,
    };
  }, [head, history, log, find, now]);
}
