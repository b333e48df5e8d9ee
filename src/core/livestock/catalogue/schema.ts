import * as z from 'zod';
import { NAME_LETTERS } from '../../records/common';
import { animalIdSchema } from '../../records/keys';
import {
  INNER_LIMITS,
  KEPT_LETTERS,
  LEAST_FISH_CM,
  LIMITS,
  limitWords,
  type Limit,
  type LimitedFigure,
} from './limits';

const inner = ({ low, high }: Limit) => z.number().min(low).max(high);
const WARM = INNER_LIMITS.temperature;

const ranged = z
  .strictObject({ low: inner(WARM.low), high: inner(WARM.high) })
  .refine(({ low, high }) => low <= high, 'has its lower end above its upper one');

/** A trait that few have: there or left out. */
const yes = z.literal(true).optional();

/** What every animal of the catalogue says. Facts are the hobby's general knowledge, on the safe side. */
const base = {
  id: animalIdSchema,
  /** As keepers call it, the commonest first. */
  names: z.array(z.string().min(2).max(NAME_LETTERS)).min(1).max(8),
  /** Other names it is found by: older scientific ones, those of shops, short forms. */
  also: z.array(z.string().min(2).max(NAME_LETTERS)).min(1).max(8).optional(),
  scientific: z
    .string()
    .max(80)
    .regex(/^[A-Z][a-z]+ [a-z.]+$/),
  family: z
    .string()
    .max(NAME_LETTERS)
    .regex(/^[A-Z][a-z]+ae$/),
  /** Body form, which a silhouette stands for. */
  form: z.string().min(3).max(40),
  /** °C. */
  temperature: ranged,
  flow: z.enum(['gentle', 'medium', 'strong']),
  /** 1 for experts only, 5 for a first one. */
  hardiness: z.int().min(1).max(5),
  /** Months that a tank should have run. */
  months: z.int().min(0).max(24),
  /** Some of what is said is less sure than the rest; the screen says so. */
  unsure: z.boolean(),
  /** Trade in it is watched over by international or local law. */
  regulated: yes,
  /** Of one of the keeper's own: what was typed and no animal has, by its field. It is shown, not used. */
  asTyped: z
    .record(z.string().max(40), z.union([z.number(), z.string().max(KEPT_LETTERS)]))
    .optional(),
};

const figure = (name: LimitedFigure, low: number = LIMITS[name].low) =>
  z.number().min(low, limitWords(name, low)).max(LIMITS[name].high, limitWords(name, low));
const depth = inner(INNER_LIMITS.sand.depthCm);
const foods = z.array(z.string().min(2).max(NAME_LETTERS)).max(20);

const sized = {
  /** Full size, and the size it is usually bought at, cm. */
  adultCm: figure('adultCm'),
  boughtCm: figure('boughtCm'),
  /** Least net water, L. */
  leastLitres: figure('leastLitres'),
  /** Mass at full size, g, where the cube law of its form says nothing of it: mostly legs or spines. */
  adultGrams: z.number().positive().max(1_000_000).optional(),
};

const TEMPERS = ['peaceful', 'semi', 'aggressive'] as const;

const fishCm = figure('adultCm', LEAST_FISH_CM);

export const fishSchema = z.strictObject({
  ...base,
  ...sized,
  adultCm: fishCm,
  boughtCm: fishCm,
  group: z.literal('fish'),
  /** Least length to swim, cm. */
  leastLengthCm: figure('leastLengthCm'),
  temper: z.enum(TEMPERS),
  territory: z.enum(['none', 'cave', 'nest', 'bottom', 'all']),
  /** Whom of its own kind it bears. */
  company: z.strictObject({
    /** *oneOrMore* lives alone as well as with others of its kind. */
    kind: z.enum(['one', 'oneOrMore', 'pair', 'group', 'harem']),
    least: z
      .int()
      .min(INNER_LIMITS.company.least.low)
      .max(INNER_LIMITS.company.least.high)
      .optional(),
  }),
  diet: z.enum(['herbivore', 'omnivore', 'carnivore', 'planktivore']),
  foods: foods.min(1),
  /** How it feeds decides more than its mouth. */
  feeds: z.enum(['swallow', 'crush', 'nip', 'pick']),
  jumps: z.boolean(),
  sand: z.strictObject({ how: z.enum(['burrows', 'sleeps']), depthCm: depth }).optional(),
  nipsCorals: z.boolean(),
  eatsInvertebrates: z.boolean(),
  eatsFish: z.boolean(),
  slowFeeder: z.boolean(),
  medicineSensitive: z.boolean(),
  venomous: z.boolean(),
  toxic: z.boolean(),
  captiveBred: z.boolean(),
  /** Bred in captivity now and then, so that most that are sold are wild. */
  bredSometimes: yes,
  /** Eats at corals as food, where others only nip. */
  eatsCorals: yes,
  /** Eats fan worms and other worms. */
  eatsWorms: yes,
  /** Hunts the pods that others live on. */
  eatsPods: yes,
  /** Sprays sand over what lies low. */
  shiftsSand: yes,
  /** Digs under rock. */
  digs: yes,
  /** Bites fish and fingers. */
  bites: yes,
  /** Poisonous to whoever eats it, and no danger to its water. */
  poisonousToEat: yes,
  /** Sheds a poisonous slime under stress, which fouls a bag. */
  mucus: yes,
  /** Meals a week of one that is not fed daily. */
  fedPerWeek: z.int().min(1).max(7).optional(),
});

export const invertebrateSchema = z.strictObject({
  ...base,
  ...sized,
  group: z.literal('invertebrate'),
  kept: z.enum(['cleanUpCrew', 'single', 'pair', 'group', 'culture']),
  /** May be empty for one that lives of what floats by. */
  foods,
  bulldozes: z.boolean(),
  inSand: z.boolean(),
  climbsOut: z.boolean(),
  nipsCorals: z.boolean(),
  killsSmall: z.boolean(),
  fightsItsKind: z.boolean(),
  needsShells: z.boolean(),
  /** Starves without a food that few can give. */
  specialist: z.boolean(),
  carriesThings: z.boolean(),
  eatsFish: z.boolean(),
  wanders: z.boolean(),
  needsLight: z.boolean(),
  venomous: z.boolean(),
  toxic: z.boolean(),
  eatsCorals: yes,
  eatsWorms: yes,
  digs: yes,
  /** Litres of tank that feed one of it, by what grows there or is left over. */
  perLitres: z.number().min(1).max(100_000).optional(),
  /** The most of it that anybody can feed, whatever the tank. */
  most: z.int().min(1).max(100).optional(),
  /** Stays on its back once it has fallen. */
  cannotRight: yes,
  /** The shells it needs, where not any will do. */
  shells: z.string().min(3).max(NAME_LETTERS).optional(),
});

const LIGHTS = ['none', 'low', 'medium', 'high'] as const;

export const coralSchema = z.strictObject({
  ...base,
  group: z.literal('coral'),
  kind: z.enum(['soft', 'lps', 'sps']),
  light: z
    .strictObject({ low: z.enum(LIGHTS), high: z.enum(LIGHTS) })
    .refine(({ low, high }) => LIGHTS.indexOf(low) <= LIGHTS.indexOf(high), 'is upside down'),
  /** How far its sweepers reach, cm; 0 without any. */
  sweepersCm: z.number().min(0).max(60),
  temper: z.enum(TEMPERS),
  growth: z.enum(['slow', 'medium', 'fast']),
  alkalinityDemand: z.enum(['low', 'medium', 'high']),
  /** Fights through the water: carbon and distance. */
  chemical: z.boolean(),
  palytoxin: z.boolean(),
  /** Lives by food, not by light. */
  mustBeFed: z.boolean(),
  eatsFish: z.boolean(),
  bearsDips: z.boolean(),
  /** Corals of one mark are known to live in touch with each other. */
  kin: z.string().min(2).max(40).optional(),
  /** Creeps over its neighbours. */
  overgrows: yes,
  /** Eight tentacles to a polyp, though its skeleton is of stone. */
  octocoral: yes,
});

export const animalSchema = z.discriminatedUnion('group', [
  fishSchema,
  invertebrateSchema,
  coralSchema,
]);
export type CatalogueAnimal = z.infer<typeof animalSchema>;
