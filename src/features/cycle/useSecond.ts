import { useEffect, useState } from 'react';
import { wallClock } from '@/store/wallClock';

/** The time, renewed each second while `on`. */
export function useSecond(on: boolean): number {
  const [now, setNow] = useState(() => wallClock());
  useEffect(() => {
    if (!on) return;
    const timer = setInterval(() => setNow(wallClock()), 1000);
    return () => clearInterval(timer);
  }, [on]);
  return now;
}
