import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { cohortsToCheck } from '@/core/quarantine/who';
import type { RevisionOf } from '@/core/records/schema/revision';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { useAppSelector } from '@/store/hooks';
import { selectHistoryOf } from '@/store/world';
import { Row, SectionHead } from '@/ui/Row';

/** Batches that go on in other tanks than the one in view: whether they were looked at today. */
export function InQuarantine({ tankId, now }: { tankId: string; now: number }) {
  const batches = useAppSelector((state) => state.log.batches).filter(
    ({ body }) => body.endedAt === null && body.tankId !== tankId,
  );
  if (batches.length === 0) return null;
  return (
    <View>
      <SectionHead title="In quarantine" />
      {batches.map((batch) => (
        <BatchRow key={batch.id} batch={batch} now={now} />
      ))}
    </View>
  );
}

function BatchRow({ batch, now }: { batch: RevisionOf<'batch'>; now: number }) {
  const router = useRouter();
  const history = useAppSelector((state) => selectHistoryOf(state, batch.body.tankId));
  if (!history) return null;
  const left = cohortsToCheck(batch.body, history, now).length;
  return (
    <Row
      title={history.tank.name}
      note={left === 0 ? 'All looked at today' : `${countOf(left, 'animal')} not looked at today`}
      onPress={() => router.push(to.batch(batch.id))}
    />
  );
}
