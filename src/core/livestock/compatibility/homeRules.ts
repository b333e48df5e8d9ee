import { formatPlain } from '../../units/format';
import { daysToLength, usualCm } from '../body';
import { callIt, type Finding, type Home, type Lodger } from './types';

/** A rule between an animal and the tank it is to live in. */
type HomeRule = (lodger: Lodger, home: Home) => Omit<Finding, 'between'>[];

/**
 * Length at which a fish has outgrown a tank: the least water stands for its full size, and the need
 * falls with length to the power 1.5.
 */
function outgrownAt(adultCm: number, leastLitres: number, litres: number): number {
  return adultCm * (litres / leastLitres) ** (1 / 1.5);
}

/** Days until a fish has outgrown a tank; null for one that never does. */
export function daysToOutgrow({ animal, sizeCm }: Lodger, litres: number): number | null {
  if (animal.group !== 'fish' || litres >= animal.leastLitres) return null;
  const cm = sizeCm ?? usualCm(animal);
  return daysToLength(animal.adultCm, cm, outgrownAt(animal.adultCm, animal.leastLitres, litres));
}

const MONTH = 30.4;

/** A span of days as months in words, as wide as growth is uncertain: half as fast to half as slow again. */
function monthsWords(days: number): string {
  const low = Math.max(1, Math.round(days / 1.5 / MONTH));
  const high = Math.max(low + 1, Math.round((days * 1.5) / MONTH));
  return `${low} to ${high} months`;
}

/** Outgrowing it sooner than this is no home at all, days. */
const LEAST_STAY = 180;
/** Under this share of the least volume a tank is none for it, however small it is bought. */
const LEAST_SHARE = 0.5;
/** From this share on a shortfall is with care for what stays small, or hardly moves. */
const NEARLY = 0.8;
const SMALL_CM = 12;

const room: HomeRule = (lodger, { litres }) => {
  const { animal } = lodger;
  if (litres === null || animal.group === 'coral' || litres >= animal.leastLitres) return [];
  const days = daysToOutgrow(lodger, litres);
  const need = `${formatPlain(animal.leastLitres)} L at least, and this is a tank of ${formatPlain(litres, 0)}`;
  const settled = animal.adultCm <= SMALL_CM || animal.group === 'invertebrate';
  if (settled && litres >= NEARLY * animal.leastLitres) {
    return [
      {
        rule: 'roomToLive',
        severity: 'care',
        because: `It needs ${need}: nearly enough.`,
        mend: 'Few tankmates, and a steady hand with its water.',
      },
    ];
  }
  if (days !== null && days >= LEAST_STAY && litres >= LEAST_SHARE * animal.leastLitres) {
    return [
      {
        rule: 'outgrows',
        severity: 'care',
        because: `Grown it needs ${need}: it outgrows it in some ${monthsWords(days)}.`,
        mend: 'Agree on a rehoming date before it comes in.',
      },
    ];
  }
  return [
    {
      rule: 'roomToLive',
      severity: 'no',
      because: `It needs ${need}.`,
      mend: 'A larger tank, or a smaller animal.',
    },
  ];
};

/** What grows in a tank, or is left over, feeds so many of a kind and no more. */
const food: HomeRule = ({ animal, count }, { litres }) => {
  if (animal.group !== 'invertebrate') return [];
  const fed = fedBy(animal, litres);
  if (count <= fed) return [];
  const none = animal.most !== undefined && fed === animal.most;
  return [
    {
      rule: 'food',
      severity: 'no',
      because: none
        ? `${formatPlain(fed)} are the most that anybody can feed: it lives on ${animal.foods.join(', ')}.`
        : `A tank of ${formatPlain(litres ?? 0, 0)} L feeds about ${formatPlain(fed)} of it: more starve once the first growth is gone.`,
      mend: `${formatPlain(fed)} at most.`,
    },
  ];
};

/** How many of a kind a tank feeds; at least one. */
function fedBy(
  { perLitres, most = Infinity }: Extract<Lodger['animal'], { group: 'invertebrate' }>,
  litres: number | null,
): number {
  const grown = perLitres === undefined || litres === null ? Infinity : litres / perLitres;
  return Math.max(1, Math.floor(Math.min(grown, most)));
}

const expert: HomeRule = ({ animal }) =>
  animal.hardiness > 1
    ? []
    : [
        {
          rule: 'expert',
          severity: 'care',
          because: 'It is for experts only: most do not live long in tanks.',
          mend: 'Leave it, unless you have kept its like for years.',
        },
      ];

const swim: HomeRule = ({ animal }, { lengthCm }) =>
  animal.group !== 'fish' || lengthCm === null || lengthCm >= 0.9 * animal.leastLengthCm
    ? []
    : [
        {
          rule: 'roomToSwim',
          severity: lengthCm >= 0.6 * animal.leastLengthCm ? 'care' : 'no',
          because: `It swims ${formatPlain(animal.leastLengthCm)} cm at a stretch; this tank is ${formatPlain(lengthCm, 0)} cm long.`,
          mend: 'A longer tank.',
        },
      ];

const sand: HomeRule = ({ animal }, { sandCm }) => {
  if (animal.group === 'fish' && animal.sand && sandCm !== null && sandCm < animal.sand.depthCm) {
    const { how, depthCm } = animal.sand;
    return [
      {
        rule: 'sandBed',
        severity: how === 'burrows' && sandCm < depthCm / 2 ? 'no' : 'care',
        because: `It ${how} in ${formatPlain(depthCm)} cm of ${how === 'burrows' ? 'mixed ' : ''}sand; there are ${formatPlain(sandCm, 1)}.`,
        mend: `A deeper bed, or a box of sand ${formatPlain(depthCm)} cm deep.`,
      },
    ];
  }
  if (animal.group === 'invertebrate' && animal.inSand && sandCm !== null && sandCm < 1) {
    return [
      {
        rule: 'sandBed',
        severity: 'care',
        because: 'It lives in sand, and there is none.',
        mend: 'A bed of sand, or another animal.',
      },
    ];
  }
  return [];
};

const lid: HomeRule = ({ animal }, home) =>
  animal.group !== 'fish' || home.lid !== false
    ? []
    : [
        {
          rule: 'lid',
          severity: 'no',
          because: animal.jumps
            ? 'It jumps, and there is no lid.'
            : 'Every new fish jumps when stressed, and there is no lid.',
          mend: 'A lid or mesh without gaps first.',
        },
      ];

/** A tank's own temperature may lie this far outside an animal's range before it is held against it, °C. */
const TEMPERATURE_MARGIN = 0.5;

const temperature: HomeRule = ({ animal }, { temperature }) => {
  const { low, high } = animal.temperature;
  if (temperature === null) return [];
  const beyond = Math.max(low - temperature, temperature - high);
  if (beyond <= TEMPERATURE_MARGIN) return [];
  return [
    {
      rule: 'temperature',
      severity: beyond > 2 ? 'no' : 'care',
      because: `It lives at ${formatPlain(low)} to ${formatPlain(high)} °C; this tank is at ${formatPlain(temperature, 1)}.`,
      mend: 'A tank at its own temperature.',
    },
  ];
};

const company: HomeRule = ({ animal, count }) => {
  if (animal.group === 'invertebrate') {
    return animal.fightsItsKind && count > 1
      ? [
          {
            rule: 'ownKind',
            severity: count > 2 ? 'no' : 'care',
            because: 'It fights its own kind unless the two are a pair.',
            mend: 'One, or two that were bought as a pair.',
          },
        ]
      : [];
  }
  if (animal.group !== 'fish') return [];
  const { kind, least } = animal.company;
  if (kind === 'one' && count > 1) {
    return [
      {
        rule: 'ownKind',
        severity: 'no',
        because: 'It fights others of its kind.',
        mend: 'One to a tank.',
      },
    ];
  }
  if (kind === 'pair' && count > 2) {
    return [
      {
        rule: 'ownKind',
        severity: 'no',
        because: 'Two become a pair and drive the others off.',
        mend: 'Two, best bought young together.',
      },
    ];
  }
  if (kind === 'group' && count < (least ?? 3)) {
    return [
      {
        rule: 'company',
        severity: 'care',
        because: `It lives in a group, ${least ?? 3} at least; fewer often hide and stop eating.`,
        mend: `${least ?? 3} or more, added together.`,
      },
    ];
  }
  return [];
};

/** What an animal that few can feed asks for. */
const special: HomeRule = ({ animal }) => {
  if (animal.group === 'invertebrate' && animal.specialist) {
    return [
      {
        rule: 'specialist',
        severity: 'care',
        because: `It eats only ${animal.foods.join(', ')}; most starve in tanks.`,
        mend: 'Only with that food at hand for good.',
      },
    ];
  }
  if (animal.group === 'fish' && animal.foods.includes('live pods')) {
    return [
      {
        rule: 'pods',
        severity: 'care',
        because: 'It grazes live pods all day.',
        mend: 'See it eat offered food before buying, or let pods grow for months with few others after them.',
      },
    ];
  }
  return [];
};

const poison: HomeRule = ({ animal }) =>
  'toxic' in animal && animal.toxic
    ? [
        {
          rule: 'poison',
          severity: 'care',
          because:
            'Stressed or dying it gives off poison that can kill its tankmates, in the bag and in quarantine too.',
          mend: 'A bag and a quarantine of its own, calm tankmates, carbon at hand, and pumps it cannot be drawn into.',
        },
      ]
    : [];

const HOME_RULES: readonly HomeRule[] = [
  room,
  swim,
  sand,
  lid,
  temperature,
  company,
  food,
  special,
  expert,
  poison,
];

/** What stands between an animal and a tank. */
export function homeFindings(lodger: Lodger, home: Home): Finding[] {
  return HOME_RULES.flatMap((rule) =>
    rule(lodger, home).map((found) => ({
      ...found,
      between: [lodger.animal.id],
      because: `${callIt(lodger.animal)}: ${found.because.charAt(0).toLowerCase()}${found.because.slice(1)}`,
    })),
  );
}
