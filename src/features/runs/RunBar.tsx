import { useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet } from 'react-native';
import { standingOfRun } from '@/core/runs/standing';
import { countdownWords } from '@/core/time/words';
import { MINUTE_MS } from '@/core/time/zone';
import { to } from '@/frame/addresses';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { LOGS } from '@/store/services';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { buzz, tone } from '@/ui/sound';
import { color, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  bar: {
    minHeight: touch - 8,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: 12,
    paddingHorizontal: 20,
    borderTopWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.shoal1,
  },
});

/** A short tone and a buzz, where the browser allows them. */
function ring(): void {
  buzz([200, 100, 200]);
  tone(880, 0.5);
}

/** What goes on, in a slim bar wherever one is, and the sound when one of its clocks ends. */
export function RunBar({ hidden }: { hidden: boolean }) {
  const runs = useAppSelector(selectLiveRuns);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [now, setNow] = useState(wallClock);
  const rings = useAppSelector(({ session }) => LOGS[session.which].rings);
  const told = useRef(new Set<string>());
  useEffect(() => {
    if (runs.length === 0) return;
    const ticker = setInterval(() => setNow(wallClock()), 500);
    return () => clearInterval(ticker);
  }, [runs.length]);
  const standings = runs.flatMap((run) => {
    const standing = standingOfRun(run.body, now);
    return standing ? [{ run, standing }] : [];
  });
  useEffect(() => {
    for (const { run, standing } of standings) {
      for (const clock of standing.clocks) {
        const key = `${run.id}/${clock.id}/${clock.ends}`;
        // Told once, and not about what ended long before the page was opened.
        if (clock.left > 0 || now - clock.ends > MINUTE_MS || told.current.has(key)) continue;
        told.current.add(key);
        if (rings) ring();
        dispatch(noticed({ text: standing.procedure.rings(run.body, clock.id), undo: null }));
      }
    }
  });
  const [first] = standings;
  if (hidden || !first) return null;
  const clock = first.standing.clocks.find((c) => c.left > 0) ?? first.standing.clocks.at(-1);
  const more = standings.length > 1 ? ` and ${standings.length - 1} more` : '';
  return (
    <Tap
      role="link"
      aria-label={`${first.standing.procedure.name}${more}. Open`}
      onPress={() => router.push(to.run(first.run.id))}
      style={styles.bar}
    >
      <Words as="strong" lines={1} style={{ flexShrink: 1 }}>
        {`${clock?.name ?? first.standing.procedure.name}${more}`}
      </Words>
      <Words as="figure" style={{ fontSize: 19 }}>
        {clock ? (clock.left > 0 ? countdownWords(clock.left) : 'now') : ''}
      </Words>
    </Tap>
  );
}
