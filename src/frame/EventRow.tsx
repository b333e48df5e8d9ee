import { useRouter } from 'expo-router';
import type { LoggedEvent } from '@/core/history/events';
import { momentWords } from '@/core/time/words';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { to } from './addresses';

/** Something logged as a line that leads to its entry, to be seen or corrected. */
export function EventRow({
  event: { id, at, title, note },
  zone,
  now,
}: {
  event: LoggedEvent;
  zone: string;
  now: number;
}) {
  const router = useRouter();
  const when = momentWords(at, zone, now);
  return (
    <Row
      title={title}
      note={when}
      accessibleName={`${title}, ${note}, ${when}. Change`}
      end={
        <Words as="body" lines={2} style={{ textAlign: 'right' }}>
          {note}
        </Words>
      }
      onPress={() => router.push(to.entry(id))}
    />
  );
}
