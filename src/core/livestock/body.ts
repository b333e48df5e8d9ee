import type { CatalogueAnimal } from './catalogue';

/** What a body form makes of a length: how heavy, how deep, and what it can swallow. */
export interface Build {
  /** W = a · L³, g and cm. */
  a: number;
  /** Depth of the body as a share of its length. */
  depth: number;
  /** The deepest body that it swallows whole, as a share of its own length; 0 where it picks. */
  mouthSize: number;
}

/**
 * By body form. Mass: a of 0.004–0.012 for elongate forms and 0.015–0.03 for deep ones, as usual for
 * reef fish of those shapes; depth and mouth size are proportions as seen, rounded to the careful side.
 */
const BUILDS: Readonly<Record<string, Build>> = {
  damsel: { a: 0.022, depth: 0.45, mouthSize: 0.06 },
  cardinal: { a: 0.018, depth: 0.35, mouthSize: 0.08 },
  basslet: { a: 0.014, depth: 0.3, mouthSize: 0.08 },
  dartfish: { a: 0.006, depth: 0.15, mouthSize: 0.03 },
  goby: { a: 0.008, depth: 0.18, mouthSize: 0.05 },
  blenny: { a: 0.009, depth: 0.2, mouthSize: 0.03 },
  dragonet: { a: 0.01, depth: 0.22, mouthSize: 0.02 },
  wrasse: { a: 0.012, depth: 0.25, mouthSize: 0.05 },
  disc: { a: 0.025, depth: 0.55, mouthSize: 0.04 },
  hawkfish: { a: 0.014, depth: 0.3, mouthSize: 0.1 },
  anthias: { a: 0.015, depth: 0.35, mouthSize: 0.05 },
  lionfish: { a: 0.01, depth: 0.35, mouthSize: 0.17 },
  eel: { a: 0.001, depth: 0.06, mouthSize: 0.04 },
  trigger: { a: 0.025, depth: 0.5, mouthSize: 0.05 },
  puffer: { a: 0.03, depth: 0.4, mouthSize: 0.06 },
  box: { a: 0.03, depth: 0.5, mouthSize: 0.02 },
  seahorse: { a: 0.003, depth: 0.2, mouthSize: 0.01 },
  jawfish: { a: 0.008, depth: 0.18, mouthSize: 0.1 },
  slug: { a: 0.02, depth: 0.4, mouthSize: 0 },
  snail: { a: 0.05, depth: 0.8, mouthSize: 0 },
  hermit: { a: 0.05, depth: 0.7, mouthSize: 0 },
  crab: { a: 0.06, depth: 0.4, mouthSize: 0 },
  shrimp: { a: 0.01, depth: 0.2, mouthSize: 0 },
  urchin: { a: 0.05, depth: 0.6, mouthSize: 0 },
  star: { a: 0.002, depth: 0.1, mouthSize: 0.1 },
  anemone: { a: 0.004, depth: 0.5, mouthSize: 0.12 },
};
const OTHER: Build = { a: 0.002, depth: 0.3, mouthSize: 0 };

export function buildOf({ form }: Pick<CatalogueAnimal, 'form'>): Build {
  return BUILDS[form] ?? OTHER;
}

/**
 * Mass of an animal of a length, g: W = a · L³, the cube law with the factor of its form, or through its
 * mass at full size where that is known.
 * @param cm total length
 */
export function bodyGrams(
  animal: Pick<CatalogueAnimal, 'form'> & { adultCm?: number; adultGrams?: number | undefined },
  cm: number,
): number {
  const { adultGrams, adultCm } = animal;
  if (adultGrams !== undefined && adultCm) return adultGrams * (cm / adultCm) ** 3;
  return buildOf(animal).a * cm ** 3;
}

/** Length it is taken to have where nobody measured it: the size it is usually bought at, cm; 0 for corals. */
export function usualCm(animal: CatalogueAnimal): number {
  return animal.group === 'coral' ? 0 : animal.boughtCm;
}

/** Share of the way to its full size that a fish grows in a year: small kinds are there sooner. */
function yearly(adultCm: number): number {
  return 3 / Math.sqrt(adultCm);
}

/**
 * Length after some days: von Bertalanffy from the length it has towards the adult one, with a rate
 * of 3/√(adult cm) a year. A rule of thumb: food and temperature make it half as fast or half as slow again.
 */
export function lengthAfter(adultCm: number, fromCm: number, days: number): number {
  if (fromCm >= adultCm) return fromCm;
  return adultCm - (adultCm - fromCm) * Math.exp((-yearly(adultCm) * days) / 365);
}

/** Days until it reaches a length; null for one that it never grows to. */
export function daysToLength(adultCm: number, fromCm: number, cm: number): number | null {
  if (cm <= fromCm) return 0;
  if (cm >= adultCm) return null;
  return (365 / yearly(adultCm)) * Math.log((adultCm - fromCm) / (adultCm - cm));
}
