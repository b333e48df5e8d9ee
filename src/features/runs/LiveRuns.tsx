import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { standingOfRun } from '@/core/runs/standing';
import { untilMomentWords } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { useAppSelector } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { Row, SectionHead } from '@/ui/Row';

/** What is being gone through now, at any tank, on top of what is due. */
export function LiveRuns({ now }: { now: number }) {
  const runs = useAppSelector(selectLiveRuns);
  const tanks = useAppSelector((state) => state.log.tanks);
  const router = useRouter();
  const rows = runs.flatMap((run) => {
    const standing = standingOfRun(run.body, now);
    return standing ? [{ run, standing }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <View>
      <SectionHead title="Going on" />
      {rows.map(({ run, standing }) => {
        const tank = tanks.find((head) => head.id === run.body.tankId);
        const next = standing.clocks.find((clock) => clock.left > 0);
        return (
          <Row
            key={run.id}
            title={`${standing.procedure.name}${tank ? `, ${tank.body.name}` : ''}`}
            note={
              next
                ? `${next.name} ${untilMomentWords(next.ends, tank?.body.zone ?? 'UTC', now)}`
                : (standing.step?.title ?? 'All steps are done')
            }
            onPress={() => router.push(to.run(run.id))}
          />
        );
      })}
    </View>
  );
}
