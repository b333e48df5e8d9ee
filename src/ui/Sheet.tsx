import { useRef, type ReactNode } from 'react';
import { Modal, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import X from 'lucide-react-native/icons/x';
import { useHotkeys } from 'react-hotkeys-hook';
import { Bare } from './Press';
import { color, radius, space, wideFrom } from './tokens';
import { Words } from './Words';
import { Tap } from './press/Tap';

const styles = StyleSheet.create({
  veil: { position: 'absolute', top: 0, left: 0, right: 0, bottom: 0, backgroundColor: color.veil },
  frame: { flex: 1, justifyContent: 'flex-end' },
  frameWide: { justifyContent: 'center', alignItems: 'center' },
  sheet: {
    backgroundColor: color.paper,
    borderTopLeftRadius: radius.soft * 2,
    borderTopRightRadius: radius.soft * 2,
    maxHeight: '88%',
    paddingBottom: space.xl,
  },
  sheetWide: { width: 520, borderRadius: radius.soft * 2 },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingLeft: 20,
    paddingRight: space.s,
    paddingTop: space.s,
  },
  body: { paddingHorizontal: 20, gap: space.m, paddingBottom: space.s },
});

/** A panel over the screen: from below on a phone, in the middle on a wide one. */
export function Sheet({
  title,
  open,
  onClose,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const wide = useWindowDimensions().width >= wideFrom;
  const frame = useRef<View>(null);
  // Listened for from the paint that shows the sheet on: the modal itself begins a moment later,
  // and on a busy machine an Escape pressed at once was lost. Of several sheets the top one closes.
  useHotkeys(
    'escape',
    (event) => {
      event.stopImmediatePropagation();
      onClose();
    },
    {
      enabled: open,
      useKey: true,
      enableOnFormTags: true,
      // On its way down: a field keeps its keys from going up.
      eventListenerOptions: { capture: true },
      ignoreEventWhen: () =>
        !(frame.current as unknown as HTMLElement | null)?.closest('[role="dialog"]'),
    },
  );
  return (
    <Modal transparent visible={open} animationType="none" aria-label={title}>
      <View ref={frame} style={[styles.frame, wide && styles.frameWide]}>
        <Tap style={styles.veil} onPress={onClose} tabIndex={-1} aria-hidden focusable={false} />
        <View style={[styles.sheet, wide && styles.sheetWide]}>
          <View style={styles.head}>
            <Words as="section">{title}</Words>
            <Bare label="Close" onPress={onClose}>
              <X size={22} color={color.ink} />
            </Bare>
          </View>
          <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}
