import { View } from 'react-native';
import { journeyOf } from '@/core/livestock/add/journey';
import { shortDay } from '@/core/time/words';
import { useAppSelector } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { Timeline } from '@/ui/Drawing';
import { Row, SectionHead } from '@/ui/Row';

/** The way of a group from its source to the display, on one line: what lies behind it, and what is expected. */
export function Journey({
  tankId,
  cohortId,
  now,
  zone,
  drawn = false,
}: {
  tankId: string;
  cohortId: string;
  now: number;
  zone: string;
  /** Its drawing alone: the page says the rest. */
  drawn?: boolean;
}) {
  const log = useAppSelector(selectLog);
  const parts = journeyOf(log, tankId, cohortId, now);
  if (parts.length < 2) return null;
  return (
    <View>
      <SectionHead title="From its source to the display" />
      <Timeline
        bare
        now={now}
        nowLabel="now"
        ticks={[]}
        marks={parts.map(({ id, label, from, range }) => ({
          id,
          label,
          at: from,
          date: shortDay(from, zone),
          passed: from <= now,
          ...(range && range.high > range.low
            ? { range: { ...range, innerLow: range.low, innerHigh: from } }
            : {}),
        }))}
        summary={parts.map(({ title, note }) => `${title}: ${note}`).join('; ')}
      />
      {drawn
        ? null
        : parts.map(({ id, title, note }) => <Row key={id} title={title} note={note} />)}
    </View>
  );
}
