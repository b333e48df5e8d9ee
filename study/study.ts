/** A study: lives that are each judged by themselves, and what all of them come to. */
export interface Study {
  /** Names of the lives of a study of some size. */
  keys: (size: number) => string[];
  /** Judges one life. */
  run: (key: string) => Record<string, unknown> | Promise<Record<string, unknown>>;
  /** What the lives that are done come to, a line each. */
  report: (rows: readonly Record<string, unknown>[]) => Record<string, unknown>[];
  /** What it opened, closed once all are judged. */
  end?: () => Promise<void>;
}

/**
 * The upper end of what a share may truly be, with 95 % confidence, where so many of so many were seen: by
 * Wilson's interval, and 3/n where none was.
 */
export function upperBound(seen: number, of: number): number {
  if (of === 0) return 1;
  if (seen === 0) return Math.min(1, 3 / of);
  const z = 1.645;
  const p = seen / of;
  const middle = p + (z * z) / (2 * of);
  const half = z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of));
  return (middle + half) / (1 + (z * z) / of);
}

export const round = (value: number) => Number(value.toPrecision(3));
