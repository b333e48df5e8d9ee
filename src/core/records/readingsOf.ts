import type { Log } from './log';

/** Whether any reading was made with a kit: what it measures is then settled. */
export function hasReadings(log: Log, kitId: string | undefined): boolean {
  return Object.values(log.entries).some((list) =>
    list.some(({ body }) => body.kind === 'reading' && body.kitId === kitId),
  );
}
