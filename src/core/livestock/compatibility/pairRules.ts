import { partnersOf } from '../catalogue';
import { EATING } from './eatingRules';
import { LIVING } from './livingRules';
import type { Finding, Home, Lodger } from './types';

/** A community that lived together is borne as it is; what eats by its nature goes on eating. */
const SETTLED = ['lookAlike', 'territory', 'temper', 'ownKind', 'picksAt', 'nipsCorals', 'pods'];

/** What stands between two animals, whichever way round. */
export function pairFindings(a: Lodger, b: Lodger, home: Home): Finding[] {
  const partners = partnersOf(a.animal.id).some(({ id }) => id === b.animal.id);
  const rules = partners ? LIVING : [...EATING, ...LIVING];
  const between = [a.animal.id, b.animal.id];
  const known = a.together !== undefined && a.together === b.together;
  return rules
    .flatMap((rule) => [rule(a, b, home), rule(b, a, home)])
    .flatMap((found) => (found ? [{ ...found, between }] : []))
    .map((found) =>
      known && found.severity === 'no' && SETTLED.includes(found.rule)
        ? {
            ...found,
            severity: 'care',
            because: `${found.because} They lived together before and are moved as one community.`,
            mend: 'All at once, with the rocks laid anew so that no ground is claimed, and an eye on them.',
          }
        : found,
    );
}
