import { useEffect, useRef, useState } from 'react';
import * as z from 'zod';
import { MINUTE_MS } from '@/core/time/zone';
import { buzz, tone } from '@/shared/sound';
import { useDraft } from '@/store/hooks';

const timersSchema = z.record(z.string(), z.number());

export interface Timers {
  /** Milliseconds left; 0 when it has ended; null when none runs. */
  left: (kitId: string) => number | null;
  start: (kitId: string, minutes: number) => void;
  clear: (kitIds: readonly string[]) => void;
}

/**
 * Waiting times of the tests, by tank and kit. Only the moment each one ends is kept, and kept at
 * once, so a reload or a phone asleep costs nothing.
 */
export function useTimers(tankId: string, onEnd: (kitId: string) => void): Timers {
  const [ends, setEnds] = useDraft<Record<string, number>>(`timers/${tankId}`, timersSchema, {});
  const [now, setNow] = useState(() => Date.now());
  const running = Object.values(ends).some((end) => end > now);
  const told = useRef(new Set<string>());
  const ended = useRef(onEnd);
  useEffect(() => {
    ended.current = onEnd;
  });
  useEffect(() => {
    if (!running) return;
    const ticker = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(ticker);
  }, [running]);
  useEffect(() => {
    for (const [kitId, end] of Object.entries(ends)) {
      const key = `${kitId}/${end}`;
      // Told once, and not about what ended long before the page was opened.
      if (end <= now && now - end < MINUTE_MS && !told.current.has(key)) {
        told.current.add(key);
        ended.current(kitId);
      }
    }
  }, [ends, now]);
  return {
    left: (kitId) => {
      const end = ends[kitId];
      return end === undefined ? null : Math.max(0, end - now);
    },
    start: (kitId, minutes) => {
      const begun = Date.now();
      setNow(begun);
      setEnds({ ...ends, [kitId]: begun + minutes * MINUTE_MS });
    },
    clear: (kitIds) => {
      const rest = Object.entries(ends).filter(([kitId]) => !kitIds.includes(kitId));
      setEnds(rest.length > 0 ? Object.fromEntries(rest) : null);
    },
  };
}

/** A short tone and a buzz, where the browser allows them. */
export function ring(): void {
  buzz([200, 100, 200]);
  tone(880, 0.5);
}
