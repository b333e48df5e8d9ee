import { capitalise, formatPlain, listWords } from '../units/format';
import { unreachable } from '../unreachable';
import { partnersOf, type CatalogueAnimal } from './catalogue';
import { mealWords } from './food/meals';
import { hazards, type TraitLine } from './add/hazards';

type Of<G extends CatalogueAnimal['group']> = Extract<CatalogueAnimal, { group: G }>;

const HARDY = [
  '',
  'For experts only: most do not live long in tanks.',
  'Delicate: for a keeper with experience.',
  'Fairly hardy.',
  'Hardy in a tank that is steady.',
  'Hardy.',
] as const;

const TEMPER = {
  peaceful: 'Peaceful.',
  semi: 'Defends itself and its place.',
  aggressive: 'Aggressive: added last, and given room.',
} as const;

const TERRITORY = {
  none: 'No territory.',
  cave: 'Owns a cave or a crack in the rock.',
  nest: 'Defends its nest or host.',
  bottom: 'Owns a patch of the floor.',
  all: 'Claims the whole of a small tank.',
} as const;

const GROUP_NAMES = { fish: 'Fish', invertebrate: 'Invertebrate', coral: 'Coral' } as const;

export function groupName({ group }: CatalogueAnimal): string {
  return GROUP_NAMES[group];
}

function companyWords({ company }: Of<'fish'>): string {
  switch (company.kind) {
    case 'one':
      return 'One to a tank.';
    case 'oneOrMore':
      return 'One, or several together.';
    case 'pair':
      return 'One, or a pair.';
    case 'group':
      return `In a group, ${company.least ?? 3} at least.`;
    case 'harem':
      return 'One male with several females.';
    default:
      return unreachable(company.kind);
  }
}

function fishLines(fish: Of<'fish'>): TraitLine[] {
  const { sand } = fish;
  return [
    {
      title: 'Room',
      text: `${formatPlain(fish.leastLitres)} L and ${formatPlain(fish.leastLengthCm)} cm to swim at least; grows to ${formatPlain(fish.adultCm)} cm, usually bought at ${formatPlain(fish.boughtCm)}.`,
    },
    {
      title: 'Company',
      text: `${TEMPER[fish.temper]} ${TERRITORY[fish.territory]} ${companyWords(fish)}`,
    },
    {
      title: 'Food',
      text: `${capitalise(listWords(fish.foods))}. ${mealWords(fish)}${fish.slowFeeder ? ' Slow at the table: quick tankmates starve it.' : ''}`,
    },
    {
      title: 'Jumps',
      text: fish.jumps
        ? 'A known jumper: a closed lid or mesh, gaps for cords included.'
        : 'As any fish may when it is frightened: a lid or mesh.',
    },
    ...(sand
      ? [
          {
            title: 'Sand',
            text: `${sand.how === 'burrows' ? 'Burrows' : 'Sleeps'} in it: ${formatPlain(sand.depthCm)} cm at least.`,
          },
        ]
      : []),
    ...risks([
      [fish.eatsCorals === true, 'eats corals, clams and anemones'],
      [fish.nipsCorals && !fish.eatsCorals, 'may nip at corals or clams'],
      [fish.eatsWorms === true, 'eats fan worms'],
      [fish.eatsPods === true, 'hunts the pods that others live on'],
      [fish.shiftsSand === true, 'sprays sand over low corals'],
      [fish.digs === true, 'digs under rock that does not stand on the glass'],
      [fish.eatsInvertebrates, 'eats shrimps, crabs or snails'],
      [fish.eatsFish, 'swallows fish that fit its mouth'],
    ]),
    {
      title: 'Quarantine',
      text: quarantineWords(fish),
    },
    {
      title: 'Salinity',
      text: 'Tolerates falling salinity better than rising: raised by 1 ppt a day at most.',
    },
    ...(fish.medicineSensitive
      ? [
          {
            title: 'Medicine',
            text: 'Sensitive to medicines: a veterinarian and the label decide, never a general dose.',
          },
        ]
      : []),
  ];
}

/** What its weeks apart ask for, by how it lives. */
function quarantineWords(fish: Of<'fish'>): string {
  const { sand, jumps, slowFeeder, foods, toxic, temper, bites, mucus } = fish;
  const needs = [
    ...(sand ? ['a dish of inert sand'] : ['hides without edges']),
    ...(jumps ? ['a cover without gaps'] : []),
    ...(foods.includes('live pods') ? ['live food from the first day'] : []),
    ...(slowFeeder ? ['no quick company'] : []),
    ...(toxic ? ['a tank of its own'] : []),
    ...(temper === 'aggressive' ? ['no company'] : []),
    ...(bites ? ['no company, since it bites'] : []),
    ...(mucus ? ['a bag of its own, 40 L and more with peaceful company'] : []),
  ];
  return `${capitalise(listWords(needs))}.`;
}

function invertebrateLines(animal: Of<'invertebrate'>): TraitLine[] {
  return [
    {
      title: 'Room',
      text: `${formatPlain(animal.leastLitres)} L at least${animal.perLitres ? `, about ${formatPlain(animal.perLitres)} L for each` : ''}; grows to ${formatPlain(animal.adultCm)} cm.${animal.most ? ` ${formatPlain(animal.most)} at most.` : ''}`,
    },
    {
      title: 'Food',
      text: `${animal.foods.length === 0 ? 'What floats by' : capitalise(listWords(animal.foods))}.${animal.specialist ? ' Few can give it what it eats: most starve.' : ''}${animal.needsLight ? ' Lives by strong light as well.' : ''} ${mealWords(animal)}`,
    },
    ...notes([
      [
        animal.needsShells,
        'Shells',
        `Spare empty ${animal.shells ?? 'shells'}, or it takes those of snails.`,
      ],
      [animal.cannotRight === true, 'On its back', 'Cannot turn over by itself: set it upright.'],
      [animal.digs === true, 'Digs', 'Under rock: the rock stands on the glass, not on sand.'],
      [animal.inSand, 'Sand', 'Lives in sand.'],
      [animal.bulldozes, 'Rock', 'Pushes loose rock and frags over.'],
      [animal.carriesThings, 'Frags', 'Carries off what is not glued.'],
      [animal.climbsOut, 'Lid', 'Climbs above the water line, and out.'],
      [animal.wanders, 'Wanders', 'Until it likes its place: pumps guarded, neighbours clear.'],
      [animal.fightsItsKind, 'Its own kind', 'One, or a true pair.'],
    ]),
    ...risks([
      [animal.eatsCorals === true, 'eats corals'],
      [animal.nipsCorals && !animal.eatsCorals, 'may nip at corals'],
      [animal.eatsWorms === true, 'eats fan worms'],
      [animal.killsSmall, 'kills small shrimps, snails or fish'],
      [animal.eatsFish, 'may catch small fish and shrimps'],
    ]),
    {
      title: 'Salinity',
      text: 'Harmed by quick changes of it: a slow drip, and never copper in its tank.',
    },
  ];
}

const GROWS = { slow: 'slowly', medium: 'steadily', fast: 'fast' } as const;

/** What a coral does to those beside it, and how far it reaches. */
function neighbourWords({ temper, sweepersCm, chemical, overgrows }: Of<'coral'>): string {
  const stingRange =
    sweepersCm > 0 ? `leave ${formatPlain(sweepersCm + 5)} cm, it stings mostly at night` : '';
  const stings = {
    peaceful: 'Peaceful',
    semi: 'Defends its place',
    aggressive: 'Stings neighbours',
  };
  return [
    `${stings[temper]}${stingRange ? `: ${stingRange}` : ''}.`,
    ...(chemical ? ['Fights through the water: distance, and carbon.'] : []),
    ...(overgrows ? ['Creeps over its neighbours: a rock of its own.'] : []),
  ].join(' ');
}

const KIND_NAMES = {
  soft: 'Soft coral',
  lps: 'Stony coral with large polyps (LPS)',
  sps: 'Stony coral with small polyps (SPS)',
} as const;

function coralLines(coral: Of<'coral'>): TraitLine[] {
  const { light } = coral;
  return [
    {
      title: 'Kind',
      text: `${coral.octocoral ? 'An octocoral with a hard skeleton, kept like SPS' : KIND_NAMES[coral.kind]}; grows ${GROWS[coral.growth]}.`,
    },
    {
      title: 'Place',
      text: `${light.low === light.high ? light.low : `${light.low} to ${light.high}`} light, ${coral.flow} flow.`.replace(
        /^./,
        (letter) => letter.toUpperCase(),
      ),
    },
    {
      title: 'Neighbours',
      text: neighbourWords(coral),
    },
    {
      title: 'Alkalinity',
      text: { low: 'Uses little.', medium: 'Uses some.', high: 'Uses much: steady, and dosed.' }[
        coral.alkalinityDemand
      ],
    },
    { title: 'Food', text: mealWords(coral) },
    {
      title: 'Before entry',
      text: coral.bearsDips
        ? 'Inspect it, dip it by the label, rinse it, isolate it.'
        : 'Inspect it; a dip by its label, short, since it bears them less well; isolate it.',
    },
    ...risks([[coral.eatsFish, 'closes on small fish']]),
  ];
}

function notes(rows: readonly [boolean, string, string][]): TraitLine[] {
  return rows.flatMap(([so, title, text]) => (so ? [{ title, text }] : []));
}

function risks(rows: readonly [boolean, string][]): TraitLine[] {
  const so = rows.flatMap(([is, words]) => (is ? [words] : []));
  return so.length > 0 ? [{ title: 'Risk to others', text: `It ${listWords(so)}.` }] : [];
}

function ownLines(animal: CatalogueAnimal): TraitLine[] {
  switch (animal.group) {
    case 'fish':
      return fishLines(animal);
    case 'invertebrate':
      return invertebrateLines(animal);
    case 'coral':
      return coralLines(animal);
    default:
      return unreachable(animal);
  }
}

/** The year of what is said of breeding. */
const BRED_AS_OF = 2024;

/** All that the catalogue says of an animal, what can hurt first. */
export function traitLines(animal: CatalogueAnimal): TraitLine[] {
  const { temperature, months } = animal;
  const partners = partnersOf(animal.id);
  return [
    ...hazards(animal),
    ...ownLines(animal),
    ...(partners.length > 0
      ? [
          {
            title: 'Partners',
            text: `${listWords(partners.map(({ names }) => names[0] ?? ''))}: lives safely with it.`,
          },
        ]
      : []),
    {
      title: 'Water',
      text: `${formatPlain(temperature.low)} to ${formatPlain(temperature.high)} °C; a tank that has run ${months === 0 ? 'through its cycle' : `${months} months`}.`,
    },
    ...(animal.regulated
      ? [
          {
            title: 'Trade',
            text: 'Trade in it is regulated: ask for its papers, and keep to local law.',
          },
        ]
      : []),
    ...(animal.group === 'fish' && animal.captiveBred
      ? [
          {
            title: 'Origin',
            text: animal.bredSometimes
              ? `Sometimes bred in captivity (as of ${BRED_AS_OF}): choose those, and quarantine them all the same.`
              : 'Bred in captivity, choose those; quarantined all the same.',
          },
        ]
      : []),
  ];
}

/** The sentence over it: how hardy, and how sure all this is. */
export function animalSentence(animal: CatalogueAnimal): string {
  return `${HARDY[animal.hardiness] ?? ''}${animal.unsure ? ' Some of this is less sure than usual: names and habits differ by source.' : ''}`;
}
