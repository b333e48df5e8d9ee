import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo } from 'react';
import { allEvents, eventsWith, type LoggedEvent } from '@/core/history/events';
import type { TankHistory } from '@/core/history/tankHistory';
import { momentWords, shortDay } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { TankHead } from '@/frame/TankHead';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';

/** Everything that was logged of the tank in view, newest first, each line a way to correct it. */
export function JournalScreen() {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const [text, setText] = useTyped('journal/sought');
  const wanted = useDeferredValue(text);
  const events = useMemo(() => (history ? allEvents(history) : []), [history]);
  const found = useMemo(() => eventsWith(events, wanted), [events, wanted]);
  if (!history) return null;
  const first = events.at(-1);
  const { zone } = history.tank;
  return (
    <Screen head={<TankHead place="Journal" />}>
      <Opening
        title={first ? `${countOf(events.length, 'entry', 'entries')}.` : 'Nothing logged yet.'}
      >
        {first
          ? `Since ${shortDay(first.at, zone)}, the newest first. Tap one to see or correct it.`
          : 'Whatever you log of this tank is kept here, day by day.'}
      </Opening>
      {first ? (
        <Field
          label="Find an entry"
          value={text}
          onChange={setText}
          placeholder="nitrite, water change, clownfish …"
        />
      ) : null}
      {first && found.length === 0 ? (
        <Words as="soft">{`No entry has "${wanted.trim()}" in it.`}</Words>
      ) : null}
      <LongList
        items={found}
        keyOf={({ id }) => id}
        rowHeight={66}
        render={(event) => <Line event={event} history={history} now={now} />}
      />
    </Screen>
  );
}

function Line({ event, history, now }: { event: LoggedEvent; history: TankHistory; now: number }) {
  const router = useRouter();
  const when = momentWords(event.at, history.tank.zone, now);
  return (
    <Row
      title={event.title}
      note={when}
      accessibleName={`${event.title}, ${event.note}, ${when}. Change`}
      end={
        <Words as="body" lines={2} style={{ textAlign: 'right' }}>
          {event.note}
        </Words>
      }
      onPress={() => router.push(to.entry(event.id))}
    />
  );
}
