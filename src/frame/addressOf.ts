import type { Opens } from '@/core/tasks/types';
import { unreachable } from '@/core/unreachable';
import { to } from './addresses';
import { logPath } from './logPaths';

/** The address of what doing a task, or a step of a run, opens. */
export function addressOf(opens: Opens): string {
  if ('form' in opens) return to.log(logPath(opens.form), opens.given);
  if ('stock' in opens) return to.stockPage(opens.stock, opens.given);
  if ('quarantine' in opens) return to.quarantinePage(opens.quarantine, opens.given);
  if ('batch' in opens) return to.batch(opens.batch);
  if ('acclimate' in opens) return to.acclimate(opens.acclimate);
  if ('chore' in opens) return to.chore(opens.chore);
  if ('moving' in opens) return to.moving(opens.moving);
  if ('sum' in opens) return to.sum(opens.sum);
  if ('tank' in opens) return to.tankPart('this', opens.tank);
  if ('screen' in opens) return to.cycleTool(opens.screen);
  if ('run' in opens) return to.run(opens.run);
  return unreachable(opens);
}
