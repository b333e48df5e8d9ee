import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { countOf } from '@/core/units/format';
import { openLog } from '@/store/open';
import { retryUnsaved } from '@/store/record';
import type { Revision } from '@/core/records/schema/revision';
import { unreachable } from '@/core/unreachable';
import { to } from '@/frame/addresses';
import { applyNewer, useOffline } from '@/frame/offline';
import { selectPending, selectSession } from '@/store/selectors';
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

/** Where a record is changed. */
function addressOfRecord(head: Revision | undefined): string {
  switch (head?.type) {
    case 'tank':
      return to.tank(head.id);
    case 'kit':
      return to.instrument(head.id);
    case 'entry':
      return to.entry(head.id);
    case 'run':
      return to.run(head.id);
    case 'species':
      return to.animal(head.body.id);
    case 'position':
      return to.stockPage('corals');
    case 'wish':
      return to.stock;
    case 'batch':
      return to.batch(head.id);
    case 'medicine':
    case 'protocol':
      return to.quarantine;
    case 'chore':
      return to.maintenance;
    case 'absence':
      return to.away;
    case 'connection':
      return to.connection(head.id);
    case 'settings':
      return to.settings;
    case undefined:
      return to.data;
    default:
      return unreachable(head);
  }
}

/** What a person has to know before anything else: the demo, an unsaved log, damage found. */
export function Banners() {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const { newer } = useOffline();
  const { which, damage } = useAppSelector(selectSession);
  const { queue, trouble } = useAppSelector(selectPending);
  const conflicted = useAppSelector((state) => state.log.conflicted);
  const unsaved = trouble ? queue.reduce((sum, act) => sum + act.revisions.length, 0) : 0;
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
      {newer ? (
        <View style={styles.banner}>
          <View style={styles.words}>
            <Words as="soft">A newer Zoarium is ready. What you have begun is kept.</Words>
          </View>
          <LinkButton soft label="Use it now" onPress={applyNewer} />
        </View>
      ) : null}
      {unsaved > 0 ? (
        <View style={styles.banner} role="alert">
          <View style={styles.words}>
            <ToneMark tone="danger" />
            <Words as="body" style={{ flexShrink: 1 }}>
              {`**Not saved.** ${trouble?.why ?? ''} ${countOf(unsaved, 'record')} ${unsaved === 1 ? 'is' : 'are'} kept in this tab only. ${trouble?.lostConnection ? 'Export the log now, reload, and import what is missing.' : 'Export the log now, then make room and try again.'}`}
            </Words>
          </View>
          <LinkButton label="Export" onPress={() => router.push(to.data)} />
          {trouble?.lostConnection ? (
            <LinkButton label="Reload" onPress={() => location.reload()} />
          ) : (
            <LinkButton label="Try again" onPress={() => void dispatch(retryUnsaved())} />
          )}
        </View>
      ) : null}
      {conflicted.length > 0 ? (
        <View style={styles.banner} role="alert">
          <View style={styles.words}>
            <ToneMark tone="watch" />
            <Words as="body" style={{ flexShrink: 1 }}>
              {`**Changed in two places at once.** In ${countOf(conflicted.length, 'record')} one field was set twice, differently. The later counts until you choose.`}
            </Words>
          </View>
          <LinkButton label="Choose" onPress={() => router.push(addressOfRecord(conflicted[0]))} />
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
          <LinkButton label="See what is aside" onPress={() => router.push(to.data)} />
          <LinkButton label="Understood" onPress={() => dispatch(damageSeen())} />
        </View>
      ) : null}
    </>
  );
}
