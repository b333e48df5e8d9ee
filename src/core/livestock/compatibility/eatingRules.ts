import { formatPlain } from '../../units/format';
import { buildOf } from '../body';
import { isCoral, isFish, isInvertebrate, lengthOf, type PairRule } from './pairRule';
import { callIt, type Lodger, type Of } from './types';

/** Depth of the body that would have to pass a mouth, cm: as small as it comes in. */
function bodyDepth(prey: Lodger): number {
  return lengthOf(prey) * buildOf(prey.animal).depth;
}

/** The deepest body that it swallows once grown, cm. */
function mouthCm({ animal }: Lodger): number {
  return animal.group === 'coral' ? 0 : animal.adultCm * buildOf(animal).mouthSize;
}

/** What swallows takes shrimps and crabs up to this share of its own full length. */
const SHRIMP_SHARE = 0.3;

/** Swallowers go by mouth size and body depth, whatever their temper. */
const swallows: PairRule = (a, b) => {
  if (!isFish(a)) return null;
  if (
    a.animal.feeds === 'swallow' &&
    a.animal.eatsInvertebrates &&
    isInvertebrate(b) &&
    ['shrimp', 'crab'].includes(b.animal.form) &&
    lengthOf(b) <= SHRIMP_SHARE * a.animal.adultCm
  ) {
    return {
      rule: 'swallows',
      severity: 'no',
      because: `${callIt(a.animal)} eats shrimps and crabs of the size of ${callIt(b.animal)}.`,
      mend: 'One of the two.',
    };
  }
  // Nothing swallows spines that carry venom.
  if (!a.animal.eatsFish || !isFish(b) || b.animal.venomous) return null;
  // However thin it is, nothing swallows what is longer than itself.
  if (bodyDepth(b) > mouthCm(a) || lengthOf(b) > a.animal.adultCm) return null;
  return {
    rule: 'swallows',
    severity: 'no',
    because: `${callIt(a.animal)} grown swallows a body ${formatPlain(mouthCm(a), 1)} cm deep; ${callIt(b.animal)} is about ${formatPlain(bodyDepth(b), 1)}.`,
    mend: 'Only tankmates too big to swallow.',
  };
};

const CRUSHED = ['shrimp', 'crab', 'hermit', 'snail', 'urchin', 'star', 'clam'];

/** Those that crush open what hides in a shell, larger than their mouth or not. */
const crushes: PairRule = (a, b) => {
  if (!isFish(a) || !a.animal.eatsInvertebrates || !isInvertebrate(b)) return null;
  if (a.animal.feeds === 'crush' && CRUSHED.includes(b.animal.form)) {
    // An eel of this kind takes what runs, and leaves snails and urchins.
    if (a.animal.form === 'eel' && !['shrimp', 'crab', 'hermit'].includes(b.animal.form))
      return null;
    return {
      rule: 'crushes',
      severity: 'no',
      because: `${callIt(a.animal)} crushes shells and legs: ${callIt(b.animal)} is food, whatever its size.`,
      mend: 'One of the two.',
    };
  }
  if (
    a.animal.feeds === 'crush' ||
    !['shrimp', 'crab', 'snail', 'hermit'].includes(b.animal.form)
  ) {
    return null;
  }
  // What picks takes the small ones, and those that have just moulted.
  if (lengthOf(b) > 0.5 * a.animal.adultCm) return null;
  return {
    rule: 'picksAt',
    severity: 'care',
    because: `${callIt(a.animal)} picks off small or freshly moulted ones of ${callIt(b.animal)}.`,
    mend: 'Larger ones, in before it, with cracks to moult in.',
  };
};

/** The longest that an animal without legs or jaws holds and eats, cm: small ones always. */
function caughtCm({ animal }: Lodger & { animal: Of<'invertebrate'> }): number {
  return animal.form === 'anemone' ? Math.max(5, animal.adultCm * 0.2) : animal.adultCm * 0.2;
}

/** Crabs, shrimps and stars that kill what is smaller than they. */
const kills: PairRule = (a, b) => {
  if (!isInvertebrate(a)) return null;
  const { animal } = a;
  if (animal.eatsFish && isFish(b)) {
    if (lengthOf(b) > caughtCm(a)) return null;
    return {
      rule: animal.form === 'anemone' ? 'stings' : 'swallows',
      severity: animal.form === 'anemone' ? 'care' : 'no',
      because: `${callIt(animal)} ${animal.form === 'anemone' ? 'holds and eats' : 'traps'} fish of the size of ${callIt(b.animal)}.`,
      mend: 'Only fish too large for it, or those that live in it.',
    };
  }
  if (
    animal.form === 'anemone' &&
    animal.eatsFish &&
    isInvertebrate(b) &&
    b.animal.form === 'shrimp' &&
    lengthOf(b) <= caughtCm(a)
  ) {
    return {
      rule: 'stings',
      severity: 'care',
      because: `${callIt(animal)} may catch and eat ${callIt(b.animal)}.`,
      mend: 'Room to keep away from it, and an eye on both.',
    };
  }
  if (isFish(b) && animal.killsSmall && animal.foods.includes('small fish')) {
    return lengthOf(b) > animal.adultCm * 0.6
      ? null
      : {
          rule: 'picksAt',
          severity: 'care',
          because: `${callIt(animal)} once large catches fish that rest, such as ${callIt(b.animal)}.`,
          mend: 'Feed it well, and take it out when it grows large.',
        };
  }
  if (
    animal.form === 'star' &&
    animal.eatsFish &&
    isInvertebrate(b) &&
    b.animal.form === 'shrimp'
  ) {
    return {
      rule: 'swallows',
      severity: 'care',
      because: `${callIt(animal)} traps sleeping shrimps.`,
      mend: 'Another brittle star.',
    };
  }
  if (
    animal.foods.some((food) => food.startsWith('sea stars')) &&
    isInvertebrate(b) &&
    b.animal.form === 'star'
  ) {
    return {
      rule: 'starvesStars',
      severity: 'no',
      because: `${callIt(animal)} eats nothing but sea stars.`,
      mend: 'Stars bought as its food, or neither.',
    };
  }
  if (!animal.killsSmall || animal.needsShells || !isInvertebrate(b)) return null;
  const small = ['shrimp', 'snail', 'hermit', 'crab'].includes(b.animal.form);
  if (!small || lengthOf(b) > animal.adultCm * 0.6 || b.animal.id === animal.id) return null;
  return {
    rule: 'picksAt',
    severity: 'care',
    because: `${callIt(animal)} kills small ones of ${callIt(b.animal)} when it can.`,
    mend: 'Larger ones, many cracks, and feed it well.',
  };
};

/** Fan worms are food for those that pick worms. */
const eatsWorms: PairRule = (a, b) => {
  if (isCoral(a) || a.animal.group === 'coral' || !a.animal.eatsWorms) return null;
  if (!isInvertebrate(b) || b.animal.form !== 'worm') return null;
  return {
    rule: 'picksAt',
    severity: isInvertebrate(a) ? 'no' : 'care',
    because: `${callIt(a.animal)} eats worms, ${callIt(b.animal)} among them.`,
    mend: 'One of the two.',
  };
};

const nips: PairRule = (a, b) => {
  const { animal } = a;
  if (animal.group === 'coral' || !animal.nipsCorals) return null;
  const target =
    isCoral(b) || (isInvertebrate(b) && ['clam', 'worm', 'anemone'].includes(b.animal.form));
  if (!target) return null;
  const large = animal.eatsCorals === true;
  return {
    rule: 'nipsCorals',
    severity: large ? 'no' : 'care',
    because: `${callIt(animal)} ${large ? 'eats from' : 'may nip at'} ${callIt(b.animal)}.`,
    mend: large
      ? 'A tank without corals for it.'
      : 'Watch it, with a way to take it out; feed it well.',
  };
};

const wanders: PairRule = (a, b) => {
  if (!isInvertebrate(a) || a.animal.form !== 'anemone') return null;
  if ((isCoral(b) || (isInvertebrate(b) && b.animal.form === 'clam')) && a.animal.wanders) {
    return {
      rule: 'wanders',
      severity: 'care',
      because: `${callIt(a.animal)} walks until it likes its place, and stings what it touches on the way.`,
      mend: 'The anemone first, settled for weeks; pumps guarded, and clear reach about it.',
    };
  }
  if (isInvertebrate(b) && b.animal.form === 'anemone' && a.animal.id < b.animal.id) {
    return {
      rule: 'stings',
      severity: 'care',
      because: `${callIt(a.animal)} and ${callIt(b.animal)} sting each other when they meet.`,
      mend: 'One kind of anemone, or two that cannot walk together.',
    };
  }
  if (isFish(b) && b.animal.form === 'seahorse') {
    return {
      rule: 'stings',
      severity: 'no',
      because: `${callIt(b.animal)} holds on to what it finds, and ${callIt(a.animal)} stings it.`,
      mend: 'No anemone with seahorses.',
    };
  }
  return null;
};

const trapsFish: PairRule = (a, b) =>
  isCoral(a) && a.animal.eatsFish && isFish(b) && lengthOf(b) <= 6
    ? {
        rule: 'stings',
        severity: 'care',
        because: `${callIt(a.animal)} closes over small fish such as ${callIt(b.animal)}.`,
        mend: 'Feed it, and keep small fish that rest on it away.',
      }
    : null;

/** Rules of eating and stinging, which partners are spared by each other and by nobody else. */
export const EATING: readonly PairRule[] = [
  swallows,
  crushes,
  kills,
  eatsWorms,
  nips,
  wanders,
  trapsFish,
];
