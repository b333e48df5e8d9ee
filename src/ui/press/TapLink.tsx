import { Link, type LinkProps } from 'expo-router';
import { useTap } from './useTap';

/** A link to a place of the app, guarded as every target is. */
export function TapLink(props: LinkProps) {
  const [target, refused] = useTap();
  return (
    <Link
      {...props}
      ref={target}
      onPress={(event) => {
        if (refused(event)) event.preventDefault();
        else props.onPress?.(event);
      }}
    />
  );
}
