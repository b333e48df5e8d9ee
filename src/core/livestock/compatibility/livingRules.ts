import { formatPlain } from '../../units/format';
import { isCoral, isFish, isInvertebrate, lengthOf, type PairRule } from './pairRule';
import { callIt, type Lodger, type Of } from './types';

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

const genusOf = ({ scientific }: Of<'fish'>) => scientific.split(' ')[0];

/** Whether a fish is kept without others of its kind, or as a pair of them at most. */
const keptFew = ({ company }: Of<'fish'>) => company.kind !== 'group' && company.kind !== 'harem';

/** Two fish that take each other for one of their own. */
const lookAlike: PairRule = (a, b, home) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const [one, other] = [a.animal, b.animal];
  const both = `${callIt(one)} and ${callIt(other)}`;
  const fierce = one.temper === 'aggressive' || other.temper === 'aggressive';
  const quarrel = one.temper !== 'peaceful' || other.temper !== 'peaceful';
  if (grammaAndDottyback(one, other) && fierce) {
    return {
      rule: 'lookAlike',
      severity: 'no',
      because: `${both} are alike in shape, colour and home, and fight to the death.`,
      mend: 'One of the two.',
    };
  }
  if (one.family !== other.family) return null;
  const sameGenus = genusOf(one) === genusOf(other);
  const clowns = one.territory === 'nest' && other.territory === 'nest' && one.form === 'damsel';
  if (one.family === 'Pseudochromidae' || clowns) {
    return {
      rule: 'lookAlike',
      severity: 'no',
      because: clowns
        ? `${both} will fight over one host: clownfish of two kinds share a tank badly.`
        : `${both} are both dottybacks: one kills the other.`,
      mend: 'One kind of them, and last.',
    };
  }
  const most = Math.max(one.leastLitres, other.leastLitres);
  const roomy = home.litres !== null && home.litres >= (fierce ? 3 : 1.5) * most;
  const few = keptFew(one) && keptFew(other);
  if (sameGenus && few) {
    const fight = quarrel && !roomy;
    return {
      rule: 'lookAlike',
      severity: fight ? 'no' : 'care',
      because: `${both} are close kin and will probably fight.`,
      mend: fight
        ? 'One of the two, or a far larger tank.'
        : 'Both at once, or the milder first, with a mirror or a basket in the first days.',
    };
  }
  const alone = [one, other].every(({ company }) => /^one/.test(company.kind));
  if (quarrel && one.form === other.form && (alone || fierce || sameGenus)) {
    return {
      rule: 'lookAlike',
      severity: 'care',
      because: `${both} are of one family and shape, and may fight.`,
      mend: 'The milder first, and both of unlike size.',
    };
  }
  return null;
};

/** Basslets and dottybacks of one colour, which are no kin. */
const grammaAndDottyback = (one: Of<'fish'>, other: Of<'fish'>) =>
  [one.family, other.family].sort().join() === 'Grammatidae,Pseudochromidae';

/** The same ground claimed twice, by two that would fight for it. */
const territory: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const [one, other] = [a.animal, b.animal];
  if (one.family === other.family || one.territory !== other.territory) return null;
  if (one.territory === 'none' || one.territory === 'nest') return null;
  const fierce = one.temper === 'aggressive' || other.temper === 'aggressive';
  if (!fierce && (one.temper === 'peaceful' || other.temper === 'peaceful')) return null;
  return {
    rule: 'territory',
    severity: 'care',
    because: `${callIt(one)} and ${callIt(other)} both claim ${{ cave: 'caves', bottom: 'the floor', all: 'the whole tank' }[one.territory]}.`,
    mend: 'More hides than fish, and the milder first.',
  };
};

/** From this length on an aggressive fish kills what is too slow to keep away from it, cm. */
const LARGE_CM = 15;
/** What crushes its food and grows large is no company for small peaceful fish, cm. */
const CRUSHER_CM = 20;
const PREY_CM = 12;

const temper: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b)) return null;
  const [one, other] = [a.animal, b.animal];
  if (one.feeds === 'crush' && one.adultCm >= CRUSHER_CM && one.form !== 'eel') {
    if (other.temper === 'peaceful' && other.adultCm <= PREY_CM && one.diet === 'carnivore') {
      return {
        rule: 'temper',
        severity: 'no',
        because: `${callIt(one)} bites and kills small peaceful fish such as ${callIt(other)}.`,
        mend: 'One of the two.',
      };
    }
  }
  if (one.temper !== 'aggressive' || other.temper === 'aggressive') return null;
  const frail = other.slowFeeder || lengthOf(b) < 0.4 * one.adultCm;
  if (other.temper === 'semi' && !frail) return null;
  const slow = other.slowFeeder && other.temper === 'peaceful';
  return {
    rule: 'temper',
    severity: slow && one.adultCm >= LARGE_CM ? 'no' : 'care',
    because: `${callIt(one)} is aggressive, and ${callIt(other)} ${other.slowFeeder ? 'too slow to hold its own' : 'gives way'}.`,
    mend: `${callIt(other)} first and settled, ${callIt(one)} last.`,
  };
};

const QUICK = ['damsel', 'wrasse', 'anthias', 'trigger', 'puffer', 'basslet', 'disc'];

/** What is found all over the tank, and eaten all day. */
const GRAZED = ['live pods', 'film algae', 'sand fauna'];

/** Slow feeders beside quick ones starve at a full table. */
const pace: PairRule = (a, b) => {
  if (!isFish(a) || !isFish(b) || !a.animal.slowFeeder || b.animal.slowFeeder) return null;
  const helpless = a.animal.form === 'seahorse';
  if (!QUICK.includes(b.animal.form)) return null;
  // Those that graze on pods or rock all day do not depend on the table.
  if (!helpless && a.animal.foods.some((food) => GRAZED.includes(food))) return null;
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

/** The temperature that two share must be a span, not a point, °C. */
const LEAST_SPAN = 1;

const temperature: PairRule = (a, b) => {
  if (a.animal.id >= b.animal.id) return null;
  const low = Math.max(a.animal.temperature.low, b.animal.temperature.low);
  const high = Math.min(a.animal.temperature.high, b.animal.temperature.high);
  if (high - low >= LEAST_SPAN) return null;
  const [cool, warm] = a.animal.temperature.high < b.animal.temperature.high ? [a, b] : [b, a];
  return {
    rule: 'temperature',
    severity: 'no',
    because: `${callIt(cool.animal)} lives at ${formatPlain(cool.animal.temperature.low)} to ${formatPlain(cool.animal.temperature.high)} °C, ${callIt(warm.animal)} at ${formatPlain(warm.animal.temperature.low)} to ${formatPlain(warm.animal.temperature.high)}.`,
    mend: 'Two tanks.',
  };
};

/** Pods feed few. */
const PODS_FOR_TWO = 400;

const pods: PairRule = (a, b, home) => {
  if (!isFish(a) || !isFish(b) || a.animal.id >= b.animal.id) return null;
  const lives = (lodger: Lodger & { animal: Of<'fish'> }) =>
    lodger.animal.foods.includes('live pods');
  if (lives(a) !== lives(b)) {
    const [grazer, rival] = lives(a) ? [a, b] : [b, a];
    if (!rival.animal.eatsPods) return null;
    return {
      rule: 'pods',
      severity: 'care',
      because: `${callIt(rival.animal)} hunts the pods that ${callIt(grazer.animal)} lives on.`,
      mend: `${callIt(grazer.animal)} first, for months, and seen to take other food; or without the other.`,
    };
  }
  if (!lives(a) || !lives(b) || (home.litres ?? 0) >= PODS_FOR_TWO) return null;
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
const stingRange: PairRule = (a, b) => {
  if (!isCoral(a) || !isCoral(b) || a.animal.id >= b.animal.id) return null;
  // Corals of one family may sting each other as well as any; a few are known to live in touch.
  if (a.animal.kin !== undefined && a.animal.kin === b.animal.kin) return null;
  const furthest = Math.max(a.animal.sweepersCm, b.animal.sweepersCm);
  if (furthest < 5) return null;
  const [long, short] = a.animal.sweepersCm >= b.animal.sweepersCm ? [a, b] : [b, a];
  return {
    rule: 'stingRange',
    severity: 'care',
    because: `${callIt(long.animal)} stings within about ${formatPlain(furthest)} cm, mostly at night: ${callIt(short.animal)} too.`,
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

const overgrows: PairRule = (a, b) =>
  isCoral(a) && isCoral(b) && a.animal.overgrows && !b.animal.overgrows
    ? {
        rule: 'overgrows',
        severity: 'care',
        because: `${callIt(a.animal)} creeps over ${callIt(b.animal)} and everything else near it.`,
        mend: 'A rock of its own, with bare sand about it.',
      }
    : null;

/** Corals that lie on the sand. */
const buries: PairRule = (a, b) =>
  isFish(a) && a.animal.shiftsSand && isCoral(b) && b.animal.form === 'free'
    ? {
        rule: 'buries',
        severity: 'care',
        because: `${callIt(a.animal)} sifts sand all day and buries what lies low, such as ${callIt(b.animal)}.`,
        mend: 'On a ledge out of its way, or another goby.',
      }
    : null;

/** Rules of living side by side, for partners too. */
export const LIVING: readonly PairRule[] = [
  shells,
  knocks,
  lookAlike,
  territory,
  temper,
  pace,
  flow,
  temperature,
  pods,
  ownKind,
  stingRange,
  chemistry,
  overgrows,
  buries,
];
