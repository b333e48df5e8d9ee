/** The ends of what a figure of an animal can be. */
export interface Limit {
  low: number;
  high: number;
}

/**
 * What lives in a tank lies within these, with room: a copepod measures half a millimetre, the largest
 * fish that anybody keeps some metres; a net volume is that of a public aquarium at most.
 */
export const LIMITS = {
  /** cm */
  adultCm: { low: 0.05, high: 500 },
  boughtCm: { low: 0.05, high: 500 },
  /** L */
  leastLitres: { low: 1, high: 100_000 },
  /** cm */
  leastLengthCm: { low: 1, high: 3_000 },
} as const satisfies Record<string, Limit>;

/** The same of figures that lie within a part of an animal's description: °C, cm of sand, animals. */
export const INNER_LIMITS = {
  temperature: { low: { low: -2, high: 40 }, high: { low: -2, high: 40 } },
  sand: { depthCm: { low: 0.5, high: 200 } },
  company: { least: { low: 2, high: 100 } },
} as const satisfies Record<string, Record<string, Limit>>;

/** A fish is no smaller than this, cm. */
export const LEAST_FISH_CM = 0.5;

/** Letters of what was typed and cannot be used that are kept. */
export const KEPT_LETTERS = 4_000;

/** The limits of an animal of a group. */
export function limitsOf(group: unknown): Readonly<Record<LimitedFigure, Limit>> {
  if (group !== 'fish') return LIMITS;
  const fish = { ...LIMITS.adultCm, low: LEAST_FISH_CM };
  return { ...LIMITS, adultCm: fish, boughtCm: fish };
}

export type LimitedFigure = keyof typeof LIMITS;

/** What is wrong with a figure beyond its limits, for whoever typed it. */
export function limitWords(figure: LimitedFigure, low: number = LIMITS[figure].low): string {
  const { high } = LIMITS[figure];
  const unit = figure === 'leastLitres' ? 'L' : 'cm';
  return `lies between ${low} and ${high.toLocaleString('en-GB')} ${unit}`;
}
