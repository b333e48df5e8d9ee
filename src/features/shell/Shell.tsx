import { Redirect, usePathname, useRouter } from 'expo-router';
import { useEffect, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { selectSession, selectTank } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Bar } from './Bar';
import { Banners } from './Banners';
import { KeysSheet, useHotkeys } from './hotkeys';
import { LogButton } from './LogButton';
import { NoticeBar } from './NoticeBar';
import { isEntryPath, needsTank } from './places';
import { Rail } from './Rail';

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: color.paper, flexDirection: 'row' },
  column: { flex: 1, minWidth: 0 },
});

/** The frame of every screen: rail or bar, banners, the Log button and notices. */
export function Shell({ children }: { children: ReactNode }) {
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
    go: (to) => router.push(to as never),
    showKeys: () => setKeysOpen(true),
    canLog: tank !== null,
  });
  useEffect(() => {
    document.title = tank ? `${tank.body.name}: Zoarium` : 'Zoarium';
  }, [tank]);

  if (status === 'newer' || status === 'failed') return <Stopped newer={status === 'newer'} />;
  if (status === 'opening' && path !== '/demo') return <View style={styles.page} aria-busy />;
  if (status === 'ready' && !tank && needsTank(path)) return <Redirect href="/" />;
  return (
    <View style={styles.page}>
      {wide && !bare ? <Rail path={path} canLog={tank !== null} /> : null}
      <View style={styles.column}>
        {bare ? null : <Banners />}
        <View role="main" style={styles.column}>
          {children}
        </View>
        <NoticeBar raised={!wide && !entering} />
        {!wide && !bare && !entering && tank ? <LogButton /> : null}
        {!wide && !bare && !entering ? <Bar path={path} /> : null}
      </View>
      <KeysSheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </View>
  );
}

function Stopped({ newer }: { newer: boolean }) {
  return (
    <View style={styles.page}>
      <Screen>
        {newer ? (
          <Opening title="This log is newer than the app.">
            Another tab or a later version of Zoarium wrote it. Nothing was changed. Reload the page
            to get the newer version.
          </Opening>
        ) : (
          <Opening title="The log cannot be opened.">
            The browser did not give access to its storage. Nothing was lost. Private windows and
            blocked site data can be the reason: allow storage for this address, then reload.
          </Opening>
        )}
      </Screen>
    </View>
  );
}
