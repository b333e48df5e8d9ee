import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import X from 'lucide-react-native/icons/x';
import { noticeDismissed } from '@/store/sessionSlice';
import { undoKeys } from '@/store/record';
import { selectSession } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { Bare, LinkButton } from '@/ui/Press';
import { color, radius, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const STAYS_MS = 15_000;

const styles = StyleSheet.create({
  place: {
    position: 'absolute',
    left: 0,
    right: 0,
    alignItems: 'center',
    paddingHorizontal: space.l,
    pointerEvents: 'box-none',
  },
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    maxWidth: 460,
    width: '100%',
    paddingLeft: space.l,
    borderRadius: radius.soft,
    borderWidth: 1,
    borderColor: color.edge,
    backgroundColor: color.raised,
  },
});

/** What was just done, and the way back from it. */
export function NoticeBar({ raised }: { raised: boolean }) {
  const dispatch = useAppDispatch();
  const { notice } = useAppSelector(selectSession);
  const serial = notice?.serial;
  useEffect(() => {
    if (serial === undefined) return;
    const timer = setTimeout(() => dispatch(noticeDismissed()), STAYS_MS);
    return () => clearTimeout(timer);
  }, [serial, dispatch]);
  return (
    <View style={[styles.place, { bottom: raised ? 128 : 96 }]} role="status" aria-live="polite">
      {notice ? (
        <View key={notice.serial} style={styles.bar}>
          <View style={{ flex: 1 }}>
            <Words as="strong">{notice.text}</Words>
          </View>
          {notice.undo ? (
            <LinkButton label="Undo" onPress={() => void dispatch(undoKeys(notice.undo ?? []))} />
          ) : null}
          <Bare label="Dismiss" onPress={() => dispatch(noticeDismissed())}>
            <X size={18} color={color.inkSoft} />
          </Bare>
        </View>
      ) : null}
    </View>
  );
}
