import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { demoLog } from '@/core/demo/demoLog';
import { openLog } from '@/store/open';
import { useAppDispatch } from '@/store/hooks';
import { Opening, Screen } from '@/ui/Screen';

/** Opens the demo's own database, filling and dating it the first time, and goes to Today. */
export function DemoScreen({ remember }: { remember: () => void }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  useEffect(() => {
    remember();
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    void dispatch(openLog('demo', { make: demoLog, zone })).then(() => router.replace('/'));
    // Opened once: what follows is the demo's own.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  return (
    <Screen>
      <Opening title="Opening the demo.">Three invented tanks, dated from today.</Opening>
    </Screen>
  );
}
