import { Slot } from 'expo-router';
import { useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import {
  connected,
  cycle,
  dailyLife,
  data,
  pictures,
  practice,
  runs,
  stock,
} from '@/features/pieces';
import { Pictures } from '@/features/shell/Pictures';
import { RouteError } from '@/features/shell/RouteError';
import { Shell } from '@/features/shell/Shell';
import { rememberedLog } from '@/features/shell/whichLog';
import { fetchBeforehand } from '@/frame/beforehand';
import { mayNotify } from '@/frame/notify';
import { keepOffline } from '@/frame/offline';
import { browserServices } from '@/store/browserServices';
import { ticked } from '@/store/clockSlice';
import { openLog } from '@/store/open';
import { selectLiveRuns } from '@/store/runs';
import { selectSettings } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { createStore, type AppStore } from '@/store/store';
import { wallClock } from '@/store/wallClock';
import { useAppSelector } from '@/store/hooks';
import { besideOf } from '@/ui/piece';

export { RouteError as ErrorBoundary };

/** What fails in a screen is caught within its route: around the router it would take the address along. */
export const unstable_settings = { screenErrorBoundary: RouteError };

const TICK_MS = 20_000;
const OFFLINE_AFTER_MS = 1500;

/**
 * The store of this page, wired to the clock and the log when it is first asked for. It outlives the
 * layout: after a reload the router does not know the places that Back leads to, and mounts everything
 * anew for each; what waits to be saved and what was worked out must not go with that.
 */
let store: AppStore | null = null;
function theStore(): AppStore {
  if (store) return store;
  const made = createStore(browserServices(), dailyLife.fetch);
  const tick = () => made.dispatch(ticked(wallClock()));
  tick();
  // The demo's own address opens it, seeding it if need be.
  if (location.pathname !== '/demo') void made.dispatch(openLog(rememberedLog()));
  setInterval(tick, TICK_MS);
  document.addEventListener('visibilitychange', tick);
  // After the first screen, which it must not slow down; a build in development has no worker.
  if (!__DEV__) setTimeout(fetchTheRest, OFFLINE_AFTER_MS);
  store = made;
  return made;
}

function fetchTheRest(): void {
  void keepOffline(navigator.serviceWorker, () => location.reload());
  fetchBeforehand([stock.fetch, cycle.fetch]);
}

/** Hands the store to every screen, and frames them. */
export default function Layout() {
  const [shared] = useState(theStore);
  return (
    <Provider store={shared}>
      <Theme />
      <Framed />
      <Reminding />
      <Keeping />
      <Connected />
    </Provider>
  );
}

const PictureSheet = besideOf(pictures, 'PictureSheet');

const RunBar = besideOf(runs, 'RunBar');

const PracticeBand = besideOf(practice, 'PracticeBand');

const TermsHere = besideOf(dailyLife, 'TermsHere');
// One element, so that no screen is drawn anew as the place changes; none until its piece is here.
const END = <TermsHere />;

const Reminders = besideOf(dailyLife, 'Reminders');

/** Reminders of the browser, where it may and there is a log to remind of. */
function Reminding() {
  const open = useAppSelector(
    ({ session }) => session.status === 'ready' && LOGS[session.which].rings,
  );
  return open && mayNotify() === 'granted' ? <Reminders /> : null;
}

/** After the app was opened, so long nothing is copied: whoever opens it wants to see it first. */
const QUIET_MS = 20_000;

const AlarmBand = besideOf(connected, 'AlarmBand');

const Listening = besideOf(connected, 'Listening');

/** Holds the streams of what is read by itself, whatever screen is shown. */
function Connected() {
  const open = useAppSelector(
    ({ session, log }) =>
      session.status === 'ready' && LOGS[session.which].rings && log.connections.length > 0,
  );
  return open ? <Listening /> : null;
}

const KeptCopies = besideOf(data, 'KeptCopies');

/** Keeps copies of one's own log, whatever screen is open, once that has been quiet for a while. */
function Keeping() {
  const own = useAppSelector(
    ({ session }) => session.status === 'ready' && LOGS[session.which].copied,
  );
  const [quiet, setQuiet] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setQuiet(true), QUIET_MS);
    return () => clearTimeout(timer);
  }, []);
  return own && quiet ? <KeptCopies /> : null;
}

/** The frame of every screen, with the bar of what goes on where something does. */
function Framed() {
  const going = useAppSelector((state) => selectLiveRuns(state).length > 0);
  const connects = useAppSelector(({ log }) => log.connections.length > 0);
  const practising = useAppSelector(({ session }) => session.which === 'practice');
  return (
    <Pictures Sheet={PictureSheet}>
      <Shell
        RunBar={going ? RunBar : undefined}
        Alarms={connects ? AlarmBand : undefined}
        Band={practising ? PracticeBand : undefined}
        end={END}
      >
        <Slot />
      </Shell>
    </Pictures>
  );
}

/** Pins day or night on the page, where the stylesheet finds it. */
function Theme() {
  const { theme } = useAppSelector(selectSettings);
  useEffect(() => {
    if (theme === 'system') delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = theme;
  }, [theme]);
  return null;
}
