import { useDeferredValue, useMemo } from 'react';
import { eventSearch } from '@/core/history/events';
import { shortDay } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { EventRow } from '@/frame/EventRow';
import { TankHead } from '@/frame/TankHead';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';

/** Everything that was logged of the tank in view, newest first, each line a way to correct it. */
export function JournalScreen() {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const [text, setText] = useTyped('journal/sought');
  const wanted = useDeferredValue(text);
  const search = history ? eventSearch(history) : null;
  const found = useMemo(() => search?.find(wanted) ?? [], [search, wanted]);
  if (!history || !search) return null;
  const { events } = search;
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
        render={(event) => <EventRow event={event} zone={zone} now={now} />}
      />
    </Screen>
  );
}
