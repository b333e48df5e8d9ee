import { dateWords } from '../time/words';

/**
 * From when to when a drawing goes, in words; the day it was made on where it spans no time.
 * @param now when it leaves, ms
 */
export function spanLine(
  span: { from: number; to: number } | null,
  now: number,
  zone: string,
): string {
  if (!span) return dateWords(now, zone);
  const [from, to] = [dateWords(span.from, zone), dateWords(span.to, zone)];
  return from === to ? from : `${from} to ${to}`;
}
