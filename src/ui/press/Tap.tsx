import type { Ref } from 'react';
import { Pressable, type GestureResponderEvent, type PressableProps } from 'react-native';
import { useTap } from './useTap';

/** What a press tells the one who hears it. */
export interface TapProps extends Omit<PressableProps, 'onPress' | 'ref'> {
  onPress?: ((event: GestureResponderEvent) => void) | undefined;
  /** What a tap does, where the name of the target does not say so: a tap on another act waits. */
  act?: string | undefined;
  ref?: Ref<unknown>;
}

/**
 * Whatever can be tapped. A tap is taken by what the finger was put on, not by what appeared, moved or
 * was replaced under it a moment ago.
 */
export function Tap({ onPress, act, ref, ...rest }: TapProps) {
  const [target, refused] = useTap(act);
  return (
    <Pressable
      {...rest}
      ref={(node) => {
        target(node);
        if (typeof ref === 'function') ref(node);
        else if (ref) ref.current = node;
      }}
      onPress={(event) => {
        if (!refused(event)) onPress?.(event);
      }}
    />
  );
}
