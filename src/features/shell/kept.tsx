import {
  Activity,
  createContext,
  Suspense,
  useContext,
  useLayoutEffect,
  useState,
  type ComponentType,
  type ReactNode,
} from 'react';
import { StyleSheet, View } from 'react-native';
import { ScreenBoundary } from './ScreenBoundary';

const styles = StyleSheet.create({ column: { flex: 1, minWidth: 0 } });

const Keeping = createContext<(path: string, Screen: ComponentType) => void>(() => undefined);

/**
 * A place at the foot of the phone as a route. Its screen is not the route's own: it is made at the first
 * visit and kept out of sight between visits, so that a thumb which goes to and fro waits for nothing.
 */
export function kept(path: string, Screen: ComponentType) {
  return function Place() {
    const keep = useContext(Keeping);
    useLayoutEffect(() => keep(path, Screen), [keep]);
    return null;
  };
}

/** What a tap on the place one is in does: it lies where it was left, which may be far down. */
export function scrollToTop(): void {
  for (const part of Array.from(document.querySelectorAll('[role="main"] *'))) {
    if (part.scrollTop > 0) part.scrollTo({ top: 0, behavior: 'smooth' });
  }
}

function framed(Screen: ComponentType): ReactNode {
  return (
    <ScreenBoundary>
      <Suspense fallback={<View style={styles.column} aria-busy />}>
        <Screen />
      </Suspense>
    </ScreenBoundary>
  );
}

/** The screens that are kept, that of `path` in sight, above what the router shows of all others. */
export function KeptPlaces({ path, children }: { path: string; children: ReactNode }) {
  // The elements themselves: made anew at each change of place, every screen would render once more.
  const [places, setPlaces] = useState<ReadonlyMap<string, ReactNode>>(new Map());
  const [keep] = useState(() => (at: string, Screen: ComponentType) => {
    setPlaces((before) => (before.has(at) ? before : new Map([...before, [at, framed(Screen)]])));
  });
  return (
    <Keeping value={keep}>
      {[...places].map(([at, screen]) => (
        // Out of sight it listens to nothing: what changed meanwhile is read as it comes back.
        <Activity key={at} mode={at === path ? 'visible' : 'hidden'}>
          {screen}
        </Activity>
      ))}
      {children}
    </Keeping>
  );
}
