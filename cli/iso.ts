/** A moment as commands print it; null where there is none. */
export function iso(ms: number): string;
export function iso(ms: number | null): string | null;
export function iso(ms: number | null): string | null {
  return ms === null ? null : new Date(ms).toISOString();
}
