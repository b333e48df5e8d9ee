import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { wordsContext, type TankHistory } from '@/core/history/tankHistory';
import { entryLine, entryTitle } from '@/core/records/kinds';
import type { RevisionOf } from '@/core/records/schema/revision';
import { fullDayWords, momentWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { Remark } from '@/ui/Remark';
import { Row } from '@/ui/Row';

const MOST = 4;

/** Entries dated after now: the clock of this device is wrong, or was when they were made. */
export function AheadOfClock({
  heads,
  history,
  now,
}: {
  heads: readonly RevisionOf<'entry'>[];
  history: TankHistory;
  now: number;
}) {
  const router = useRouter();
  if (heads.length === 0) return null;
  const { zone } = history.tank;
  const context = wordsContext(history);
  return (
    <View role="alert" style={{ gap: 8 }}>
      <Remark tone="watch" title="The clock looks wrong">
        {`This device says ${fullDayWords(now, zone)}, and ${countOf(heads.length, 'entry is', 'entries are')} dated after that. Until they are past they count for nothing here. Set the clock right, or open an entry and set its date.`}
      </Remark>
      <View>
        {heads.slice(0, MOST).map(({ id, body }) => (
          <Row
            key={id}
            title={entryTitle(body)}
            note={[momentWords(instant(body.at), zone, now), entryLine(body, context)]
              .filter(Boolean)
              .join(', ')}
            onPress={() => router.push(to.entry(id))}
          />
        ))}
      </View>
    </View>
  );
}
