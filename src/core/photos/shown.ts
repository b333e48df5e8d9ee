import { headsOfType, type Log } from '../records/log';

/** The photos that animals of a log show now. */
export function photosShown(log: Log): Set<string> {
  return new Set(
    headsOfType(log, 'entry').flatMap(({ body }) =>
      body.kind === 'animals' && body.photo !== undefined ? [body.photo] : [],
    ),
  );
}
