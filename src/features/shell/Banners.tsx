import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { countOf } from '@/core/units/format';
import { openLog } from '@/store/open';
import { retryUnsaved } from '@/store/record';
import { selectSession } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { damageSeen } from '@/store/sessionSlice';
import { LinkButton } from '@/ui/Press';
import { ToneMark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { rememberLog } from './whichLog';

const styles = StyleSheet.create({
  banner: {
    flexDirection: 'row',
    alignItems: 'center',
    flexWrap: 'wrap',
    columnGap: space.l,
    paddingHorizontal: 20,
    borderBottomWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.raised,
  },
  words: {
    flex: 1,
    minWidth: 200,
    flexDirection: 'row',
    gap: space.s,
    alignItems: 'center',
    paddingVertical: space.s,
  },
});

/** What a person has to know before anything else: the demo, an unsaved log, damage found. */
export function Banners() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const { which, unsaved, trouble, damage } = useAppSelector(selectSession);
  const leaveDemo = () => {
    rememberLog('own');
    void dispatch(openLog('own'));
    router.replace('/');
  };
  return (
    <>
      {which === 'demo' ? (
        <View style={styles.banner}>
          <View style={styles.words}>
            <Words as="soft">Demo, apart from your own log.</Words>
          </View>
          <LinkButton soft label="Leave the demo" onPress={leaveDemo} />
        </View>
      ) : null}
      {unsaved > 0 ? (
        <View style={styles.banner} role="alert">
          <View style={styles.words}>
            <ToneMark tone="danger" />
            <Words as="body" style={{ flexShrink: 1 }}>
              {`**Not saved.** ${trouble ?? ''} ${countOf(unsaved, 'record')} ${unsaved === 1 ? 'is' : 'are'} kept in this tab only. Export the log now, then make room and try again.`}
            </Words>
          </View>
          <LinkButton label="Export" onPress={() => router.push('/data')} />
          <LinkButton label="Try again" onPress={() => void dispatch(retryUnsaved())} />
        </View>
      ) : null}
      {damage.length > 0 ? (
        <View style={styles.banner} role="alert">
          <View style={styles.words}>
            <ToneMark tone="caution" />
            <Words as="body" style={{ flexShrink: 1 }}>
              {`**Part of the log was damaged.** ${countOf(damage.length, 'block')} could not be read in full and ${damage.length === 1 ? 'was' : 'were'} set aside untouched; everything else is open.`}
            </Words>
          </View>
          <LinkButton label="See what is aside" onPress={() => router.push('/data')} />
          <LinkButton label="Understood" onPress={() => dispatch(damageSeen())} />
        </View>
      ) : null}
    </>
  );
}
