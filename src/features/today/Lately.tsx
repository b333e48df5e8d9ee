import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { TankHistory } from '@/core/history/tankHistory';
import { momentWords } from '@/core/time/words';
import { latestEvents } from '@/core/history/events';
import { Row, SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** What was logged last, each line a way to correct it. */
export function Lately({
  history,
  now,
  most,
}: {
  history: TankHistory;
  now: number;
  most: number;
}) {
  const router = useRouter();
  const events = latestEvents(history, most);
  if (events.length === 0) return null;
  return (
    <View>
      <SectionHead title="Logged lately" />
      {events.map((event) => (
        <Row
          key={event.id}
          title={event.title}
          note={momentWords(event.at, history.tank.zone, now)}
          accessibleName={`${event.title}, ${event.note}, ${momentWords(event.at, history.tank.zone, now)}. Change`}
          end={
            <Words as="body" lines={2} style={{ textAlign: 'right' }}>
              {event.note}
            </Words>
          }
          onPress={() => router.push(to.entry(event.id))}
        />
      ))}
    </View>
  );
}
