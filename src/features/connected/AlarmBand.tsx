import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { ALARMS } from '@/core/monitor/alarms/alarms';
import { alarmFirst } from '@/core/monitor/alarms/alarmFirst';
import { alarmTitle, alarmWorst } from '@/core/monitor/alarms/alarmWords';
import { liveHead } from '@/core/records/log';
import { timeWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { to } from '@/frame/addresses';
import { markSeen, othersAnswer, selectUnseen } from '@/store/alarms';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectLog, selectNow } from '@/store/selectors';
import { Button, ButtonRow } from '@/ui/Press';
import { ToneMark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  band: {
    paddingHorizontal: 20,
    paddingVertical: space.m,
    gap: space.s,
    borderBottomWidth: 2,
    borderColor: color.danger,
    backgroundColor: color.raised,
  },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.s },
});

/** One alarm, one sentence, what to do first, over every screen of every tab until somebody says it was seen. */
export function AlarmBand() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const log = useAppSelector(selectLog);
  const unseen = useAppSelector(selectUnseen);
  const [first] = unseen;
  const others = useAppSelector(
    (state) =>
      first?.body.kind === 'alarm' &&
      othersAnswer(state, first.body.connectionId, selectNow(state)),
  );
  if (first?.body.kind !== 'alarm') return null;
  const { alarm, at, worst, past, until, tankId, connectionId } = first.body;
  const tank = liveHead(log, tankId, 'tank')?.body;
  const { emergency } = ALARMS[alarm];
  const told = past
    ? `${past.length === 1 ? 'One alarm was' : `${past.length} alarms were`} found in what was measured while nobody was connected: none of it rang.`
    : alarmFirst(alarm, others);
  return (
    <View style={styles.band} role="alert">
      <View style={styles.head}>
        <ToneMark tone={past ? 'watch' : 'danger'} size={20} />
        <Words as="strong" style={{ flexShrink: 1 }}>
          {[
            past ? 'Found afterwards' : alarmTitle(alarm),
            past ? alarmTitle(alarm) : alarmWorst(alarm, worst),
            `${tank?.name ?? 'a tank'} at ${timeWords(instant(at), tank?.zone ?? 'UTC')}`,
            until && !past ? 'over by now' : '',
          ]
            .filter(Boolean)
            .join(', ')}
        </Words>
      </View>
      <Words as="body">{told}</Words>
      <ButtonRow>
        {emergency && !past ? (
          <Button
            kind="primary"
            label="What to do"
            onPress={() => router.push(to.run(emergency))}
          />
        ) : (
          <Button label="Look at it" onPress={() => router.push(to.connection(connectionId))} />
        )}
        <Button
          label={unseen.length > 1 ? `Seen, all ${unseen.length}` : 'Seen'}
          onPress={() => void dispatch(markSeen(unseen))}
        />
      </ButtonRow>
    </View>
  );
}
