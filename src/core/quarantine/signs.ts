import type { Sign } from '../records/kinds/look';

export type Urgency = 'now' | 'today' | 'watch';

/** What a sign may mean; never a diagnosis. */
export interface Meaning {
  /** What it may be, and how sure that is. */
  may: string;
  urgency: Urgency;
  /** What to do first. */
  first: string;
  /** When a veterinarian is asked. */
  vet: string;
}

const AMMONIA_FIRST =
  'Test ammonia, pH and temperature before anything else: bad water looks like many diseases.';

export const SIGN_MEANINGS: Record<Sign, Meaning> = {
  whiteGrains: {
    may: 'Grains like salt, that come and go over days: likely marine ich; one or two after a move may be scale or sand.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Count them and look again in the morning.`,
    vet: 'Where grains spread or breathing quickens.',
  },
  dust: {
    may: 'Fine dust on skin and gills, seen best from the side by a lamp: perhaps velvet, which kills within days.',
    urgency: 'now',
    first: 'Strong air, dim light, and all of the batch watched. Ammonia and temperature tested.',
    vet: 'At once: it does not wait.',
  },
  frayedFins: {
    may: 'Bites of a rival, or fin rot; bites heal in a week of clean water.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Look who chases whom, and part them.`,
    vet: 'Where the edge turns white or red, or creeps towards the body.',
  },
  cloudyEye: {
    may: 'One eye: mostly a knock. Both: water, or an infection.',
    urgency: 'today',
    first: AMMONIA_FIRST,
    vet: 'Where both are cloudy, one stands out, or it is no better in three days.',
  },
  fastBreathing: {
    may: 'Ammonia, too little oxygen, heat, or parasites on the gills. The count tells more than the eye.',
    urgency: 'now',
    first: `${AMMONIA_FIRST} More air at once, whatever the cause.`,
    vet: 'Where it goes on an hour after good water and strong air.',
  },
  scratching: {
    may: 'Flukes, ich or velvet on the skin; now and then is nothing.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Count how often in five minutes, and look for grains and dust.`,
    vet: 'Where it is often, or others begin.',
  },
  flashing: {
    may: 'Darting and flashing its side: something irritates skin or gills; ammonia first, then parasites.',
    urgency: 'today',
    first: AMMONIA_FIRST,
    vet: 'Where it goes on after a matched water change.',
  },
  stringyFaeces: {
    may: 'White strings: an empty gut after days without food, or parasites within.',
    urgency: 'watch',
    first: 'Offer food that it knows, and look at the next ones.',
    vet: 'Where it eats and still thins.',
  },
  thin: {
    may: 'Hollow behind the head or belly: not eating, driven from food, or parasites within.',
    urgency: 'today',
    first:
      'Food that it knows, small and often, others kept off; weigh what it takes, not what is offered.',
    vet: 'Where it eats well and does not fill in a week.',
  },
  bloated: {
    may: 'Overfed, bound, with eggs, an infection, or gas after being brought up from depth.',
    urgency: 'today',
    first: 'No food for a day. Look whether scales stand off or it cannot hold its depth.',
    vet: 'Where scales stand off, it floats, or it is no better in two days.',
  },
};

/** Breaths a minute above which a small reef fish at rest is breathing fast. */
export const FAST_BREATHING = 100;

const ORDER: readonly Urgency[] = ['now', 'today', 'watch'];

/** What several signs may mean together, the most urgent first. */
export function meaningsOf(
  signs: readonly Sign[],
  breaths?: number,
): { sign: Sign; meaning: Meaning }[] {
  const all = new Set(signs);
  if (breaths !== undefined && breaths >= FAST_BREATHING) all.add('fastBreathing');
  return [...all]
    .map((sign) => ({ sign, meaning: SIGN_MEANINGS[sign] }))
    .sort((a, b) => ORDER.indexOf(a.meaning.urgency) - ORDER.indexOf(b.meaning.urgency));
}

/** What to do for one that does not eat, by how many days it has not. */
export function notEatingPlan(days: number): string {
  if (days <= 1)
    return 'A day or two without food after a move is usual. Dim light, hides, nobody watching; offer little and take it out within the hour.';
  if (days <= 3)
    return 'Live or moving food once or twice a day: enriched brine shrimp, mysids, pods. Ask the seller what it ate. Ammonia tested daily.';
  if (days <= 6)
    return 'Try what its kind eats in the wild, soaked with garlic or vitamin, in dim light; look for a rival, and for signs. Small portions three times a day.';
  return 'Over a week: ask a veterinarian who knows fish, above all if it thins. A fish beyond help is a matter for the veterinarian and the law.';
}
