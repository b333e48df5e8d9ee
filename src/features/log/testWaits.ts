import { useEffect, useState } from 'react';
import type { ReadingEntry } from '@/core/records/kinds/reading';
import { challengeOver } from '@/core/runs/procedures/challenge';
import { instant, MINUTE_MS } from '@/core/time/zone';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import type { ActWriter } from '@/core/acts/writer';
import { endRun, liveRun, startClock } from '@/store/runs';
import { wallClock } from '@/store/wallClock';

/** Waiting times of the tests of a test session. */
export interface TestWaits {
  /** Milliseconds left; 0 when it has ended; null when none runs. */
  left: (kitId: string) => number | null;
  start: (kitId: string, minutes: number, name: string) => void;
  /** Ends what a saved test session ends: its waits, and a challenge that it tests. */
  finish: (act: ActWriter, entries: readonly ReadingEntry[], at: string) => void;
}

/**
 * The waits of a tank's tests, as clocks of one run: a reload, another tab or a phone asleep cost
 * nothing, and whichever screen is open hears them end.
 */
export function useTestWaits(tankId: string): TestWaits {
  const dispatch = useAppDispatch();
  const run = useAppSelector((state) => liveRun(state, tankId, 'testWait'));
  const challenge = useAppSelector((state) => liveRun(state, tankId, 'challenge'));
  const [now, setNow] = useState(wallClock);
  const clocks = run?.body.clocks ?? {};
  const running = Object.values(clocks).some((end) => instant(end) > now);
  useEffect(() => {
    if (!running) return;
    const ticker = setInterval(() => setNow(wallClock()), 500);
    return () => clearInterval(ticker);
  }, [running]);
  return {
    left: (kitId) => {
      const end = clocks[kitId];
      return end === undefined ? null : Math.max(0, instant(end) - now);
    },
    start: (kitId, minutes, name) => {
      const begun = wallClock();
      setNow(begun);
      const ends = begun + minutes * MINUTE_MS;
      void dispatch(startClock('testWait', tankId, { id: kitId, name, ends }));
    },
    finish: (act, entries, at) => {
      endRun(act, run, at);
      if (challenge && challengeOver(challenge.body, entries, at)) endRun(act, challenge, at);
    },
  };
}
