import { actsOf, type Act } from '@/core/records/acts';
import type { Log } from '@/core/records/log';

/** The acts of a log, the newest first: what a run does by itself is no act of the keeper’s. */
export function keepersActs(log: Log): Act[] {
  return actsOf(log).filter((act) => act.revisions.some(({ type }) => type !== 'run'));
}
