import { isPastItsDate } from '../history/reading';
import { PARAMETERS } from '../parameters/registry';
import type { Kit } from '../records/schema/kit';
import { dayWords } from '../time/words';
import { dayStart } from '../time/zone';
import { formatPlain } from '../units/format';
import { unitSymbol } from '../units/units';

/** What a test kit or meter measures, how finely, and how long it is good: each a part of a line. */
export function kitFacts(kit: Kit, now: number, zone: string): string[] {
  const scale =
    kit.scale.form === 'card'
      ? `${kit.scale.steps.map((step) => formatPlain(step)).join(' · ')} ${unitSymbol(kit.unit)}`
      : `to ${formatPlain(kit.scale.resolution, 4)}, ± ${formatPlain(kit.scale.accuracy, 4)} ${unitSymbol(kit.unit)}`.trim();
  const until = kit.expiresOn
    ? isPastItsDate(kit, now, zone)
      ? `past its date since ${dayWords(dayStart(kit.expiresOn, zone), zone, now)}`
      : `good until ${dayWords(dayStart(kit.expiresOn, zone), zone, now)}`
    : '';
  return [PARAMETERS[kit.parameter].name, scale, until].filter((part) => part !== '');
}
