import * as z from 'zod';
import { GROWTHS, type Growth } from '../records/kinds/sighting';
import growths from './growths.json';

/** What can be said of a growth by looking. */
export const FEATURES = {
  colour: {
    ask: 'What colour is it?',
    options: {
      brown: 'Brown, rusty',
      golden: 'Golden',
      green: 'Green',
      red: 'Red, maroon, pink',
      white: 'White, grey',
    },
  },
  texture: {
    ask: 'What is it like?',
    options: {
      dust: 'Dust',
      film: 'A thin film',
      threads: 'Threads',
      sheet: 'A skin',
      slime: 'Slime, strings',
      crust: 'A hard crust',
      beads: 'Beads',
      feathers: 'Feathers, little ferns',
      turf: 'A short, tough mat',
    },
  },
  bubbles: {
    ask: 'Are there bubbles in it?',
    options: { none: 'None', some: 'Some', many: 'Many' },
  },
  night: {
    ask: 'In the morning, before the light?',
    options: { same: 'As much', less: 'Less', gone: 'Gone, and back by afternoon' },
  },
  comesOff: {
    ask: 'How does it come off?',
    options: {
      wipes: 'Wipes off',
      peels: 'Lifts off in sheets',
      strings: 'In strings',
      holds: 'It holds on',
    },
  },
  place: {
    ask: 'Where is most of it?',
    options: { sand: 'Sand', glass: 'Glass', rock: 'Rock' },
  },
  whenDimmed: {
    ask: 'When the light was lowered for a day or two?',
    options: { same: 'No change', less: 'Less', gone: 'It vanished' },
  },
} as const;
export type FeatureId = keyof typeof FEATURES;

const chances = z.record(z.string(), z.number().min(0).max(1));
const growthSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** As keepers say it before they know its name. */
  plain: z.string(),
  /** How usual it is by the tank's age: from and to in weeks, and a weight. */
  ages: z.array(z.tuple([z.number(), z.number(), z.number()])),
  colour: chances,
  texture: chances,
  bubbles: chances,
  night: chances,
  comesOff: chances,
  place: chances,
  whenDimmed: chances,
  /** The look or test that tells it from what it is taken for. */
  tellsApart: z.string(),
  do: z.array(z.string()),
  not: z.array(z.string()),
});
export type KnownGrowth = z.infer<typeof growthSchema>;

/** The growths that are told apart. Chances are the hobby's experience put into numbers: judgement, not counts. */
export const KNOWN_GROWTHS: readonly KnownGrowth[] = z.array(growthSchema).parse(growths);

export const FEATURE_IDS = Object.keys(FEATURES).filter((id): id is FeatureId =>
  Object.hasOwn(FEATURES, id),
);

export type Seen = Partial<Record<FeatureId, string>>;

export interface Likely {
  growth: KnownGrowth;
  /** Chance that it is this one of those known, 0 to 1. */
  chance: number;
}

/** A look that was not in a growth's list may still be it. */
const UNLISTED = 0.01;

function priorOf({ ages }: KnownGrowth, weeks: number | null): number {
  if (weeks === null) return 0.5;
  return ages.find(([from, to]) => weeks >= from && weeks < to)?.[2] ?? 0.1;
}

/**
 * Which growth it is by what was seen: Bayes with each look taken by itself, so a chance of 0.9 is
 * "most likely" rather than nine in ten.
 * @param weeks since the tank was filled; null where nobody knows
 */
export function identify(seen: Seen, weeks: number | null): Likely[] {
  const weights = KNOWN_GROWTHS.map((growth) =>
    FEATURE_IDS.reduce(
      (weight, feature) => {
        const value = seen[feature];
        return value === undefined ? weight : weight * (growth[feature][value] ?? UNLISTED);
      },
      priorOf(growth, weeks),
    ),
  );
  const sum = weights.reduce((a, b) => a + b, 0);
  return KNOWN_GROWTHS.map((growth, i) => ({ growth, chance: (weights[i] ?? 0) / sum })).sort(
    (a, b) => b.chance - a.chance,
  );
}

function entropy(likely: readonly Likely[]): number {
  return likely.reduce(
    (sum, { chance }) => (chance > 0 ? sum - chance * Math.log2(chance) : sum),
    0,
  );
}

/**
 * The look that would tell most of what is still open: the expected drop of entropy, in bits; null
 * where nothing is left to ask, or nothing would tell anything.
 */
export function nextLook(
  seen: Seen,
  weeks: number | null,
): { feature: FeatureId; bits: number } | null {
  const now = identify(seen, weeks);
  const before = entropy(now);
  const gains = FEATURE_IDS.filter((feature) => seen[feature] === undefined).map((feature) => {
    const after = Object.keys(FEATURES[feature].options).reduce((sum, option) => {
      const chance = now.reduce(
        (total, { growth, chance: own }) => total + own * (growth[feature][option] ?? UNLISTED),
        0,
      );
      return sum + chance * entropy(identify({ ...seen, [feature]: option }, weeks));
    }, 0);
    return { feature, bits: before - after };
  });
  const best = gains.sort((a, b) => b.bits - a.bits)[0];
  return best && best.bits > 0.02 ? best : null;
}

/** How sure it is, in words. */
export function surenessWords(chance: number): string {
  if (chance >= 0.97) return 'almost certainly';
  if (chance >= 0.7) return 'most likely';
  if (chance >= 0.45) return 'perhaps';
  return 'not to be told yet';
}

/** The growth as it is logged; undefined for one that has no kind of its own there. */
export function loggedAs({ id }: KnownGrowth): Growth | undefined {
  return GROWTHS.find((growth) => growth === id);
}
