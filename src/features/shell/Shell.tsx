import { Redirect, usePathname, useRouter } from 'expo-router';
import { Suspense, useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { selectSession, selectTank } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { to } from '@/frame/addresses';
import { Button } from '@/ui/Press';
import { HeadEnd, Opening, Screen, ScreenEnd } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Bar } from './Bar';
import { Banners } from './Banners';
import { KeysSheet, useHotkeys } from './hotkeys';
import { NoticeBar } from './NoticeBar';
import { KeptPlaces } from './kept';
import { isEntryPath, isHelpPath, isKept, needsTank, opensLogs } from './places';
import { Rail } from './Rail';
import { HeadButtons } from './SosButton';
import { ScreenBoundary } from './ScreenBoundary';

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: color.paper, flexDirection: 'row' },
  column: { flex: 1, minWidth: 0 },
});

// One element, so that no head is drawn anew as the place changes.
const HEAD_BUTTONS = <HeadButtons />;

/** The frame of every screen: rail or bar, banners, the Log button and notices. */
export function Shell({
  RunBar,
  Band,
  Alarms,
  end = null,
  children,
}: {
  /** What goes on, in a slim bar; none while nothing does. */
  RunBar?: ComponentType<{ hidden: boolean }>;
  /** What says that the tank is a made-up one; none of a log of one's own. */
  Band?: ComponentType;
  /** What rang; none where nothing is read by itself. */
  Alarms?: ComponentType;
  /** What stands quietly at the end of each screen. */
  end?: ReactNode;
  children: ReactNode;
}) {
  const wide = useWide();
  const path = usePathname();
  const router = useRouter();
  const { status } = useAppSelector(selectSession);
  const tank = useAppSelector(selectTank);
  const [keysOpen, setKeysOpen] = useState(false);
  const bare = path === '/demo' || status !== 'ready';
  const entering = isEntryPath(path);
  useHotkeys({
    enabled: !bare,
    go: (to) => router.push(to),
    showKeys: () => setKeysOpen(true),
    canLog: tank !== null,
  });
  useEffect(() => {
    document.title = tank ? `${tank.body.name}: Zoarium` : 'Zoarium';
  }, [tank]);

  const stopped = status === 'newer' || status === 'failed' || status === 'silent';
  if (stopped && !isHelpPath(path)) return <Stopped why={status} />;
  if (status === 'opening' && !opensLogs(path)) return <View style={styles.page} aria-busy />;
  if (status === 'ready' && !tank && needsTank(path)) return <Redirect href="/" />;
  return (
    <View style={styles.page}>
      {wide && !bare ? <Rail path={path} canLog={tank !== null} /> : null}
      <View style={styles.column}>
        {bare ? null : (
          <View id="banners">
            {Alarms ? <Alarms /> : null}
            {Band ? <Band /> : null}
            <Banners />
          </View>
        )}
        <View role="main" style={styles.column}>
          <HeadEnd
            value={
              wide || bare || path === to.emergency || path === to.search ? null : HEAD_BUTTONS
            }
          >
            <ScreenEnd value={bare ? null : end}>
              <KeptPlaces path={path}>
                <ScreenBoundary key={isKept(path) ? 'kept' : path}>
                  <Suspense fallback={<View style={styles.column} aria-busy />}>
                    {children}
                  </Suspense>
                </ScreenBoundary>
              </KeptPlaces>
            </ScreenEnd>
          </HeadEnd>
        </View>
        {bare || !RunBar ? null : <RunBar hidden={entering} />}
        <NoticeBar raised={!wide && !entering} />
        {!wide && !bare && !entering ? <Bar path={path} canLog={tank !== null} /> : null}
      </View>
      <KeysSheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </View>
  );
}

const STOPPED = {
  newer: {
    title: 'This log is newer than the app.',
    text: 'Another tab or a later version of Zoarium wrote it. Nothing was changed. Reload the page to get the newer version.',
  },
  failed: {
    title: 'The log cannot be opened.',
    text: 'The browser did not give access to its storage. Nothing was lost. Private windows and blocked site data can be the reason: allow storage for this address, then reload.',
  },
  silent: {
    title: 'The browser’s storage does not answer.',
    text: 'The log was asked for and nothing came back yet. Nothing was lost, and it opens by itself should the answer come. Closing other tabs of this address, or the browser, and opening it again usually helps.',
  },
} as const;

function Stopped({ why }: { why: keyof typeof STOPPED }) {
  const { title, text } = STOPPED[why];
  const router = useRouter();
  return (
    <View style={styles.page}>
      <Screen>
        <Opening title={title}>{text}</Opening>
        <Button label="Reload the page" onPress={() => location.reload()} />
        <Button label="Emergencies" onPress={() => router.push(to.emergency)} />
      </Screen>
    </View>
  );
}
