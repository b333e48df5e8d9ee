import type { KitTemplateId } from '../parameters/registry';
import type { Kit } from '../records/schema/kit';
import { DEFAULT_DONE_RULE, type Tank } from '../records/schema/tank';

/** The demo's kits by what they were made from. */
export type Kits = Record<KitTemplateId, { id: string; kit: Kit }>;

/** What the demo's tanks have in common. */
export function baseTank(zone: string): Omit<Tank, 'name' | 'kind' | 'volume'> {
  return {
    zone,
    rock: 'dryRock',
    lightPlan: 'off',
    doneRule: DEFAULT_DONE_RULE,
  };
}
