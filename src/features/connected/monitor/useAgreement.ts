import { useEffect, useState } from 'react';
import { agreementOf, type Agreement, type Pair } from '@/core/monitor/agreement';
import { minuteOf, NONE, summed, valueOf } from '@/core/monitor/samples/block';
import { AGREES_DAYS } from '@/core/monitor/ownTests';
import { testsOfChannel } from '@/core/monitor/testsOfChannel';
import { CHANNELS, type ChannelId } from '@/core/monitor/channels';
import type { TankHistory } from '@/core/history/tankHistory';
import { calibrateEvery } from '@/core/instruments/calibrateEvery';
import { checksOf, trustOf, type Trust } from '@/core/instruments/correction';
import type { Kit } from '@/core/records/schema/kit';
import type { RevisionOf } from '@/core/records/schema/revision';
import { DAY_MS } from '@/core/time/zone';
import { sampleStoreOf } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { selectLog, selectSession } from '@/store/selectors';

/** Minutes about each test that a probe is held against, and tests at the most. */
const ABOUT = 15;
const MOST = 5;

/** Whether a probe agrees with the keeper's own tests; null while it is looked up. */
export function useAgreement(
  connection: RevisionOf<'connection'>,
  channel: ChannelId,
  history: TankHistory | null,
  today: number,
): Agreement | null {
  const { which } = useAppSelector(selectSession);
  const log = useAppSelector(selectLog);
  const [agreement, setAgreement] = useState<Agreement | null>(null);
  const { parameter } = CHANNELS[channel];
  // The clock moves on by the minute; a comparison of days need not.
  const now = Math.ceil(today / DAY_MS) * DAY_MS;
  useEffect(() => {
    let current = true;
    const kitOf = (id: string | undefined): Kit | undefined =>
      id === undefined ? undefined : log.everyKit[id];
    const trust = (id: string | undefined): Trust | null => {
      const kit = kitOf(id);
      const every = kit ? calibrateEvery(kit) : null;
      return id === undefined || every === null
        ? null
        : trustOf(checksOf(log.calibrations, id), every, now);
    };
    const probeId = connection.body.kits[parameter];
    const probe = kitOf(probeId);
    const own = (history ? testsOfChannel(channel, history) : [])
      .filter(({ at }) => at > now - AGREES_DAYS * DAY_MS)
      .slice(-MOST);
    const look = async () => {
      const pairs: Pair[] = [];
      for (const test of own) {
        const minute = minuteOf(test.at);
        const { values } = await sampleStoreOf(which).stretch(
          connection.id,
          channel,
          1,
          minute - ABOUT,
          minute + ABOUT,
        );
        const [, middle] = summed([...values]);
        const value = middle === NONE ? null : valueOf(channel, middle);
        if (value !== null)
          pairs.push({ at: test.at, probe: value, test: test.value, allows: test.allows });
      }
      const accuracy = probe?.scale.form === 'digital' ? probe.scale.accuracy : 0;
      const standings = { probe: trust(probeId), test: trust(own.at(-1)?.kitId) };
      if (current) setAgreement(agreementOf(channel, accuracy, pairs, standings));
    };
    void look().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [connection, channel, history, now, which, log.everyKit, log.calibrations, parameter]);
  return agreement;
}
