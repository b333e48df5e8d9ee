import { formatPlain } from '../../units/format';
import { buildOf, usualCm } from '../body';
import { partnersOf } from '../catalogue';
import { callIt, type Finding, type Home, type Lodger, type Of } from './types';

/** A rule from one animal towards another; asked each way round. */
type PairRule = (a: Lodger, b: Lodger, home: Home) => Omit<Finding, 'between'> | null;

/** Rules of eating and stinging, which partners are spared by each other and by nobody else. */
const isFish = (lodger: Lodger): lodger is Lodger & { animal: Of<'fish'> } =>
  lodger.animal.group === 'fish';
const isInvertebrate = (lodger: Lodger): lodger is Lodger & { animal: Of<'invertebrate'> } =>
  lodger.animal.group === 'invertebrate';
const isCoral = (lodger: Lodger): lodger is Lodger & { animal: Of<'coral'> } =>
  lodger.animal.group === 'coral';

function lengthOf({ animal, sizeCm }: Lodger): number {
  return sizeCm ?? usualCm(animal);
}

/** Depth of the body that would have to pass a mouth, cm: as small as it comes in. */
function bodyDepth(prey: Lodger): number {
  return lengthOf(prey) * buildOf(prey.animal).depth;
}

/** The deepest body that it swallows once grown, cm. */
function mouthCm({ animal }: Lodger): number {
  return animal.group === 'coral' ? 0 : animal.adultCm * buildOf(animal).gape;
}

/** Swallowers go by gape and body depth, whatever their temper. */
const swallows: PairRule = (a, b) => {
  if (!isFish(a) || a.animal.feeds !== 'swallow') return null;
  const prey =
    (a.animal.eatsFish && isFish(b)) ||
    (a.animal.eatsInvertebrates && isInvertebrate(b) && ['shrimp', 'crab'].includes(b.animal.form));
  if (!prey || bodyDepth(b) > mouthCm(a)) return null;
  return {
    rule: 'swallows',
    severity: 'no',
    because: `${callIt(a.animal)} grown swallows a body ${formatPlain(mouthCm(a), 1)} cm deep; ${callIt(b.animal)} is about ${formatPlain(bodyDepth(b), 1)}.`,
    mend: `${callIt(b.animal)} too deep for its mouth, or neither.`,
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

/** Crabs, shrimps and stars that kill what is smaller than they. */
const kills: PairRule = (a, b) => {
  if (!isInvertebrate(a)) return null;
  const { animal } = a;
  if (animal.eatsFish && isFish(b)) {
    if (lengthOf(b) > animal.adultCm * 0.2) return null;
    return {
      rule: animal.form === 'anemone' ? 'stings' : 'swallows',
      severity: animal.form === 'anemone' ? 'care' : 'no',
      because: `${callIt(animal)} ${animal.form === 'anemone' ? 'holds and eats' : 'traps'} fish of the size of ${callIt(b.animal)}.`,
      mend: 'Fish too large for it, or its own partner.',
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

/** Hermits look for houses; a snail lives in one. */
const shells: PairRule = (a, b) =>
  isInvertebrate(a) && a.animal.needsShells && isInvertebrate(b) && b.animal.form === 'snail'
    ? {
        rule: 'shells',
        severity: 'care',
        because: `${callIt(a.animal)} kills snails for their shells.`,
        mend: 'Spare empty shells, three to each, a size larger.',
      }
    : null;

const nips: PairRule = (a, b) => {
  const { animal } = a;
  if (animal.group === 'coral' || !animal.nipsCorals) return null;
  const target =
    isCoral(b) || (isInvertebrate(b) && ['clam', 'worm', 'anemone'].includes(b.animal.form));
  if (!target) return null;
  const large = animal.group === 'fish' && animal.adultCm >= 20 && animal.diet !== 'herbivore';
  return {
    rule: 'nipsCorals',
    severity: large ? 'no' : 'care',
    because: `${callIt(animal)} ${large ? 'eats from' : 'may nip at'} ${callIt(b.animal)}.`,
    mend: large
      ? 'A tank without corals for it.'
      : 'Watch it, with a way to take it out; feed it well.',
  };
};

/** Those that shove, topple and carry. */
const knocks: PairRule = (a, b) => {
  if (!isInvertebrate(a) || !isCoral(b)) return null;
  if (!a.animal.bulldozes && !a.animal.carriesThings) return null;
  return {
    rule: 'knocksOver',
    severity: 'care',
    because: `${callIt(a.animal)} ${a.animal.bulldozes ? 'pushes over' : 'carries off'} what is not fixed.`,
    mend: `Glue ${callIt(b.animal)} down.`,
  };
};

const wanders: PairRule = (a, b) => {
  if (!isInvertebrate(a) || a.animal.form !== 'anemone') return null;
  if (isCoral(b) && a.animal.wanders) {
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

/** Two of one kind, or of one make. */
const lookAlike: PairRule = (a, b, home) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const [one, other] = [a.animal, b.animal];
  const genus = (name: string) => name.split(' ')[0];
  const sameGenus = genus(one.scientific) === genus(other.scientific);
  const sameFamily = one.family === other.family;
  const quarrel = one.temper !== 'peaceful' || other.temper !== 'peaceful';
  if (!sameFamily || !quarrel) return null;
  const both = `${callIt(one)} and ${callIt(other)}`;
  const clowns = one.territory === 'nest' && other.territory === 'nest';
  const singles = one.company.kind === 'one' && other.company.kind === 'one';
  if (one.family === 'Pseudochromidae' || clowns) {
    return {
      rule: 'lookAlike',
      severity: 'no',
      because: clowns
        ? `${both} fight over one host: clownfish of two kinds share a tank badly.`
        : `${both} are both dottybacks: the second does not live long.`,
      mend: 'One kind of them, and last.',
    };
  }
  const roomy =
    home.litres !== null && home.litres >= 1.5 * Math.max(one.leastLitres, other.leastLitres);
  if (sameGenus && singles) {
    return {
      rule: 'lookAlike',
      severity: roomy ? 'care' : 'no',
      because: `${both} are of one genus, and take each other for rivals.`,
      mend: roomy
        ? 'Both at once, or the milder first, and a mirror or a basket in the first days.'
        : 'One of the two, or a far larger tank.',
    };
  }
  if (one.form === other.form && singles) {
    return {
      rule: 'lookAlike',
      severity: 'care',
      because: `${both} are of one family and shape.`,
      mend: 'The milder first, and both of unlike size.',
    };
  }
  return null;
};

/** The same ground claimed twice. */
const territory: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const [one, other] = [a.animal, b.animal];
  if (one.family === other.family || one.territory !== other.territory) return null;
  if (one.territory === 'none' || one.territory === 'nest') return null;
  if (one.temper === 'peaceful' && other.temper === 'peaceful') return null;
  return {
    rule: 'territory',
    severity: 'care',
    because: `${callIt(one)} and ${callIt(other)} both claim ${{ cave: 'caves', bottom: 'the floor', all: 'the whole tank' }[one.territory]}.`,
    mend: 'More hides than fish, and the milder first.',
  };
};

const temper: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b) || a.animal.temper !== 'aggressive') return null;
  if (b.animal.temper === 'aggressive') return null;
  const frail = b.animal.slowFeeder || lengthOf(b) < 0.4 * a.animal.adultCm;
  if (b.animal.temper === 'semi' && !frail) return null;
  return {
    rule: 'temper',
    severity: b.animal.slowFeeder && b.animal.temper === 'peaceful' ? 'no' : 'care',
    because: `${callIt(a.animal)} is aggressive, and ${callIt(b.animal)} ${b.animal.slowFeeder ? 'too slow to hold its own' : 'gives way'}.`,
    mend: `${callIt(b.animal)} first and settled, ${callIt(a.animal)} last.`,
  };
};

const QUICK = ['damsel', 'wrasse', 'anthias', 'trigger', 'puffer', 'basslet', 'disc'];

/** Slow feeders beside quick ones starve at a full table. */
const pace: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b) || !a.animal.slowFeeder || b.animal.slowFeeder) return null;
  const helpless = a.animal.form === 'seahorse';
  if (!QUICK.includes(b.animal.form)) return null;
  // Those that graze on pods or rock all day do not depend on the table.
  if (!helpless && a.animal.foods.includes('live pods')) return null;
  if (!helpless && b.animal.temper === 'peaceful') return null;
  return {
    rule: 'feedingPace',
    severity: helpless ? 'no' : 'care',
    because: `${callIt(a.animal)} feeds slowly, and ${callIt(b.animal)} has eaten before it begins.`,
    mend: helpless ? 'A tank of its own kind.' : 'Feed it apart, at its own place.',
  };
};

const flow: PairRule = (a, b) => {
  if (isCoral(a) || isCoral(b) || a.animal.flow !== 'gentle' || b.animal.flow !== 'strong')
    return null;
  const helpless = a.animal.form === 'seahorse';
  if (!helpless) return null;
  return {
    rule: 'flow',
    severity: 'no',
    because: `${callIt(a.animal)} cannot stand in the flow that ${callIt(b.animal)} needs.`,
    mend: 'Two tanks.',
  };
};

/** The warmth that two share must be a span, not a point, °C. */
const LEAST_SPAN = 1;

const warmth: PairRule = (a, b) => {
  if (a.animal.id >= b.animal.id) return null;
  const low = Math.max(a.animal.temperature.low, b.animal.temperature.low);
  const high = Math.min(a.animal.temperature.high, b.animal.temperature.high);
  if (high - low >= LEAST_SPAN) return null;
  const [cool, warm] = a.animal.temperature.high < b.animal.temperature.high ? [a, b] : [b, a];
  return {
    rule: 'warmth',
    severity: 'no',
    because: `${callIt(cool.animal)} lives at ${formatPlain(cool.animal.temperature.low)} to ${formatPlain(cool.animal.temperature.high)} °C, ${callIt(warm.animal)} at ${formatPlain(warm.animal.temperature.low)} to ${formatPlain(warm.animal.temperature.high)}.`,
    mend: 'Two tanks.',
  };
};

/** Pods feed few. */
const PODS_FOR_TWO = 400;

const pods: PairRule = (a, b, home) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const eats = (lodger: Lodger & { animal: Of<'fish'> }) =>
    lodger.animal.foods.includes('live pods');
  if (!eats(a) || !eats(b) || (home.litres ?? 0) >= PODS_FOR_TWO) return null;
  return {
    rule: 'pods',
    severity: 'no',
    because: `${callIt(a.animal)} and ${callIt(b.animal)} live of the same pods, which feed one in ${home.litres === null ? 'most tanks' : 'this tank'}.`,
    mend: `One of them, or ${PODS_FOR_TWO} L and more with a refugium.`,
  };
};

const ownKind: PairRule = (a, b) => {
  if (!isInvertebrate(a) || !isInvertebrate(b) || a.animal.id >= b.animal.id) return null;
  if (!a.animal.fightsItsKind || a.animal.family !== b.animal.family) return null;
  return {
    rule: 'ownKind',
    severity: 'care',
    because: `${callIt(a.animal)} and ${callIt(b.animal)} are rivals.`,
    mend: 'One of the two.',
  };
};

/** Corals fight by touch at night, and through the water. */
const reach: PairRule = (a, b) => {
  if (!isCoral(a) || !isCoral(b) || a.animal.id >= b.animal.id) return null;
  if (a.animal.family === b.animal.family) return null;
  const furthest = Math.max(a.animal.sweepersCm, b.animal.sweepersCm);
  if (furthest < 5) return null;
  const [long, short] = a.animal.sweepersCm >= b.animal.sweepersCm ? [a, b] : [b, a];
  return {
    rule: 'reach',
    severity: 'care',
    because: `${callIt(long.animal)} reaches about ${formatPlain(furthest)} cm at night, and stings ${callIt(short.animal)}.`,
    mend: `${formatPlain(furthest + 5)} cm and more between them.`,
  };
};

const chemistry: PairRule = (a, b) =>
  isCoral(a) && isCoral(b) && a.animal.chemical && b.animal.kind === 'sps'
    ? {
        rule: 'chemistry',
        severity: 'care',
        because: `${callIt(a.animal)} fights through the water, and ${callIt(b.animal)} suffers by it.`,
        mend: 'Carbon, water changes, and distance down the flow.',
      }
    : null;

const trapsFish: PairRule = (a, b) =>
  isCoral(a) && a.animal.eatsFish && isFish(b) && lengthOf(b) <= 6
    ? {
        rule: 'stings',
        severity: 'care',
        because: `${callIt(a.animal)} closes over small fish such as ${callIt(b.animal)}.`,
        mend: 'Feed it, and keep small fish that rest on it away.',
      }
    : null;

/** What partners are spared by one another. */
const EATING: readonly PairRule[] = [swallows, crushes, kills, nips, wanders, trapsFish];
const LIVING: readonly PairRule[] = [
  shells,
  knocks,
  lookAlike,
  territory,
  temper,
  pace,
  flow,
  warmth,
  pods,
  ownKind,
  reach,
  chemistry,
];

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
