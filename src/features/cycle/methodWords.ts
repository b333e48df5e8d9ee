import type { AmmoniaSource, Method, Seeding, Tank } from '@/core/records/schema/tank';

export const SOURCE_WORDS: Record<AmmoniaSource, { name: string; short: string; note: string }> = {
  ammoniumChloride: {
    name: 'Ammonium chloride',
    short: 'ammonium',
    note: 'By drops or weight to 2 ppm. Known to the milligram; uses alkalinity.',
  },
  householdAmmonia: {
    name: 'Household ammonia',
    short: 'ammonia',
    note: 'Only kinds without scent or surfactant. Gloves and air; never near bleach or acid.',
  },
  prawn: {
    name: 'A raw prawn',
    short: 'prawn',
    note: 'In a bag for about three days, then out. Smells; how much it gives is a guess.',
  },
  food: {
    name: 'A pinch of food daily',
    short: 'ghost feeding',
    note: 'Slow and gentle, and leaves phosphate behind.',
  },
  rockOrganics: {
    name: 'Organics on the rock',
    short: 'rock organics',
    note: 'Rock with old life on it feeds the filter bacteria by itself, and leaches phosphate.',
  },
  fish: {
    name: 'A fish',
    short: 'fish-in',
    note: 'Hard on the animal. Only with bottled bacteria and a daily free-ammonia watch.',
  },
};

export const SEEDING_WORDS: Record<Seeding, { name: string; short: string; note: string }> = {
  none: { name: 'Nothing', short: 'no seed', note: 'Rock and patience.' },
  bottle: {
    name: 'Bottled bacteria',
    short: 'bottle',
    note: 'Refrigerated kinds die with age and heat; shelf-stable ones last.',
  },
  liveSand: {
    name: 'Live sand',
    short: 'live sand',
    note: 'Varies with how long it stood in a shop.',
  },
  coatedRock: {
    name: 'Bacteria-coated rock',
    short: 'coated rock',
    note: 'Dry rock with spores on it.',
  },
  liveRock: {
    name: 'A piece of live rock',
    short: 'live rock',
    note: 'Quick, with hitch-hikers: look for pest anemones, mantis shrimp and algae.',
  },
  establishedMedia: {
    name: 'Media from a healthy tank',
    short: 'seeded media',
    note: 'The surest. Carries whatever disease that tank has.',
  },
};

const ROCK_WORDS: Record<Tank['rock'], string> = {
  dryRock: 'dry rock',
  organicDryRock: 'old dry rock',
  liveRock: 'live rock',
  establishedMedia: 'seeded rock',
  none: 'no rock',
};

/** "dry rock, bottle, ammonium": how a tank is being cycled. */
export function methodWords(tank: Tank, method: Method | undefined): string {
  if (!method) return ROCK_WORDS[tank.rock];
  return [
    ROCK_WORDS[tank.rock],
    ...(method.seeding === 'none' ? [] : [SEEDING_WORDS[method.seeding].short]),
    SOURCE_WORDS[method.source].short,
  ].join(', ');
}
