import { View } from 'react-native';
import { latestEvents } from '@/core/history/events';
import type { TankHistory } from '@/core/history/tankHistory';
import { EventRow } from '@/frame/EventRow';
import { SectionHead } from '@/ui/Row';

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
  const events = latestEvents(history, most);
  if (events.length === 0) return null;
  return (
    <View>
      <SectionHead title="Logged lately" />
      {events.map((event) => (
        <EventRow key={event.id} event={event} zone={history.tank.zone} now={now} />
      ))}
    </View>
  );
}
