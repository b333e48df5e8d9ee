import { bodyGrams, usualCm } from './body';
import type { CatalogueAnimal } from './catalogue';
import {
  ANY_HOME,
  callIt,
  type Finding,
  type Home,
  type Lodger,
  type Of,
} from './compatibility/types';
import { isFish, lengthOf } from './compatibility/pairRule';
import { pairFindings } from './compatibility/pairRules';

/** A quarantine tank: bare, small, with a lid and nowhere to hide. */
const BARE: Home = { ...ANY_HOME, litres: 100, lid: true };

/** Litres of quarantine to a fish of a gram, and the least for any; the need grows with the root of its mass. */
const LITRES_AT_GRAM = 6;
const LEAST_LITRES = 5;
/** One that fights needs so much more, to be kept from its own mirror and from whoever is beside it. */
const FIGHTS = 1.5;

/** Where what sheds poisonous slime is kept with company, L at least. */
export const SLIME_LITRES = 40;

type Fish = Of<'fish'>;

/** One that turns on whoever shares a tank without rock, however small it is. */
function bullies({ temper, territory, family, form }: Fish): boolean {
  if (temper === 'aggressive') return true;
  if (temper === 'peaceful') return false;
  const damsel = form === 'damsel' && territory === 'cave';
  return territory === 'all' || family === 'Pseudochromidae' || damsel;
}

/** Why a fish goes through quarantine by itself; null where it may have company. */
export function quarantinesAlone(animal: CatalogueAnimal): string | null {
  if (animal.group !== 'fish') return null;
  const { toxic, bites, form } = animal;
  if (toxic) return `${callIt(animal)} poisons the water when it is stressed or dies`;
  if (bites && form === 'puffer') return `${callIt(animal)} bites whoever is in with it`;
  return null;
}

/** Litres of quarantine that some fish of a kind want; 0 for what is no fish. */
export function quarantineLitres(animal: CatalogueAnimal, cm: number, count = 1): number {
  if (animal.group !== 'fish') return 0;
  const each = LITRES_AT_GRAM * Math.sqrt(bodyGrams(animal, cm));
  return count * Math.max(LEAST_LITRES, each * (bullies(animal) ? FIGHTS : 1));
}

/** Litres that all of some lodgers want together. */
export function quarantineLitresOf(lodgers: readonly Lodger[]): number {
  return lodgers.reduce(
    (sum, { animal, count, sizeCm }) =>
      sum + quarantineLitres(animal, sizeCm ?? usualCm(animal), count),
    0,
  );
}

/** What is done with two that must not share, and what that costs. */
const APART = {
  mend: 'A quarantine tank each, or one after the other.',
  instead: {
    what: 'Leave one of them in the shop until the first is through, or set up a second quarantine tank.',
    price: 'Weeks more, or a second heater, filter and tank of water.',
  },
};

const apart = (a: Lodger, b: Lodger, rule: Finding['rule'], because: string): Finding => ({
  rule,
  severity: 'no',
  between: [a.animal.id, b.animal.id],
  because: `${because}.`,
  ...APART,
});

/** What keeps one fish from sharing a bare tank with another, asked one way round. */
function against(a: Lodger & { animal: Fish }, b: Lodger & { animal: Fish }): Finding | null {
  const [one, other] = [a.animal, b.animal];
  const alone = quarantinesAlone(one);
  if (alone) return apart(a, b, one.toxic ? 'poison' : 'temper', alone);
  if (bullies(one)) {
    return apart(
      a,
      b,
      'temper',
      `${callIt(one)} fights, and ${callIt(other)} has nowhere to hide in a bare tank`,
    );
  }
  if (one.temper === 'semi' && other.temper === 'semi' && one.form === other.form) {
    return apart(
      a,
      b,
      'lookAlike',
      `${callIt(one)} and ${callIt(other)} are of one shape and will fight`,
    );
  }
  if (one.mucus && other.temper !== 'peaceful') {
    return apart(
      a,
      b,
      'temper',
      `${callIt(one)} sheds poisonous slime when ${callIt(other)} bothers it`,
    );
  }
  const small = lengthOf(b) < 0.5 * lengthOf(a);
  if (one.temper === 'semi' && other.temper === 'peaceful' && (other.slowFeeder || small)) {
    return apart(a, b, 'temper', `${callIt(one)} drives ${callIt(other)} from its food`);
  }
  if ((one.form === 'seahorse') !== (other.form === 'seahorse')) {
    return apart(a, b, 'feedingPace', `Seahorses are quarantined by themselves`);
  }
  return null;
}

/**
 * Why two lodgers must not share the weeks of a quarantine; null where they may. Asked for a bare tank: who
 * lives in peace among rock may fight where there is none.
 */
export function keptApart(a: Lodger, b: Lodger): Finding | null {
  const found = pairFindings(a, b, BARE).find(({ severity }) => severity === 'no');
  if (found) return { ...found, ...APART };
  if (!isFish(a) || !isFish(b) || a.animal.id === b.animal.id) return null;
  return against(a, b) ?? against(b, a);
}

/** Every two of some lodgers that must not share a quarantine tank. */
export function keptApartAmong(lodgers: readonly Lodger[]): Finding[] {
  return lodgers.flatMap((a, i) => lodgers.slice(i + 1).flatMap((b) => keptApart(a, b) ?? []));
}
