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

/** Rules of living side by side, for partners too. */
export const LIVING: readonly PairRule[] = [
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
