import type { Sign } from '../../records/kinds/dailyCheck';

export type Urgency = 'now' | 'today' | 'watch';

/** What a sign may mean; never a diagnosis. */
export interface Meaning {
  /** What it may be, and how sure that is. */
  may: string;
  /** How fast what it may be kills. */
  kills: string;
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
    kills: 'In one to three weeks, sooner where the gills are full of it.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Count them and look again in the morning.`,
    vet: 'Where grains spread or breathing quickens.',
  },
  dust: {
    may: 'Fine dust on skin and gills, seen best from the side by a lamp: perhaps velvet.',
    kills: 'Within one to three days.',
    urgency: 'now',
    first:
      'Strong air, dim light, and every fish of the batch checked. Test ammonia and temperature.',
    vet: 'At once: it does not wait.',
  },
  intoTheFlow: {
    may: 'A fish that faces the pump, hides from light or hangs at the surface often has velvet on its gills before any dust is seen.',
    kills: 'Within one to three days.',
    urgency: 'now',
    first: `Strong air and dim light. ${AMMONIA_FIRST} Look from the side with a lamp for dust.`,
    vet: 'At once, unless ammonia or oxygen explains it.',
  },
  slime: {
    may: 'White slime, or skin that comes off in sheets: perhaps brooklynella, above all on clownfish; ammonia and copper slime the skin too.',
    kills: 'Within two to five days.',
    urgency: 'now',
    first: `${AMMONIA_FIRST} Strong air. Moving between tanks does not clear it.`,
    vet: 'At once: treatment has to begin today.',
  },
  redSores: {
    may: 'Red sores, streaks or bloody scales: perhaps uronema, above all on chromis and anthias, or an infection of the blood.',
    kills: 'Within one to four days.',
    urgency: 'now',
    first: `Part it from the others, with nets and hoses of its own. ${AMMONIA_FIRST}`,
    vet: 'At once: uronema lives without fish too and needs more than clean water.',
  },
  frayedFins: {
    may: 'Bites of a rival, or fin rot. Bites heal in a week of clean water.',
    kills: 'Bites seldom; rot that reaches the body in a week or two.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Look who chases whom, and part them.`,
    vet: 'Where the edge turns white or red, or creeps towards the body.',
  },
  cloudyEye: {
    may: 'One eye: mostly a knock. Both: water, or an infection.',
    kills: 'Seldom by itself; an infection behind it within weeks.',
    urgency: 'today',
    first: AMMONIA_FIRST,
    vet: 'Where both are cloudy, one stands out, or it is no better in three days.',
  },
  bulgingEye: {
    may: 'One eye: mostly a knock, or gas after being brought up from depth. Both: water, or an infection within.',
    kills: 'Seldom within days; both eyes with a swollen belly sooner.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Look for fine bubbles in the water: a pump that draws air.`,
    vet: 'Where both stand out, it bleeds, or it is no better in three days.',
  },
  fastBreathing: {
    may: 'Ammonia, too little oxygen, heat, or parasites on the gills. The count tells more than the eye.',
    kills: 'Ammonia and lack of oxygen within hours, parasites of the gills within days.',
    urgency: 'now',
    first: `${AMMONIA_FIRST} More air at once, whatever the cause.`,
    vet: 'Where it goes on an hour after good water and strong air.',
  },
  onItsSide: {
    may: 'Ammonia, lack of oxygen, cold or hot water, or a disease near its end. Some wrasses sleep on their side, and a fish just caught may lie still.',
    kills: 'Often within hours.',
    urgency: 'now',
    first: `Strong air at once. ${AMMONIA_FIRST} Where the water is bad, into clean water of the same temperature and salinity.`,
    vet: 'At once, unless it rights itself within minutes.',
  },
  scratching: {
    may: 'Flukes, ich or velvet on the skin; now and then is nothing.',
    kills: 'By itself not; what it comes from within days to weeks.',
    urgency: 'today',
    first: `${AMMONIA_FIRST} Count how often in five minutes, and look for grains and dust.`,
    vet: 'Where it is often, or others begin.',
  },
  flashing: {
    may: 'Darting and flashing its side: something irritates skin or gills; ammonia first, then parasites.',
    kills: 'By itself not; what it comes from within days to weeks.',
    urgency: 'today',
    first: AMMONIA_FIRST,
    vet: 'Where it goes on after a matched water change.',
  },
  lumps: {
    may: 'Cauliflower lumps on fins or lips: mostly lymphocystis, a virus that shows under stress and fades in weeks. Others: a swollen injury, a parasite under the skin.',
    kills: 'Seldom, unless they cover mouth or gills.',
    urgency: 'watch',
    first: `${AMMONIA_FIRST} Good food and quiet; nothing is cut or scraped.`,
    vet: 'Where they grow fast, bleed, or keep it from eating.',
  },
  stringyFaeces: {
    may: 'White strings: an empty gut after days without food, or parasites within.',
    kills: 'Over weeks.',
    urgency: 'watch',
    first: 'Offer food that it knows, and look at the next ones.',
    vet: 'Where it eats and still gets thinner.',
  },
  thin: {
    may: 'Hollow behind the head or belly: not eating, or driven from food.',
    kills: 'Over one to three weeks, small fish in days.',
    urgency: 'today',
    first:
      'Food that it knows, small and often, with the others kept off; note what it takes, not what is offered.',
    vet: 'Where it does not fill out in a week.',
  },
  thinThoughEating: {
    may: 'Thin although it eats: parasites of the gut, too little or the wrong food, or net and cyanide damage.',
    kills: 'Over weeks.',
    urgency: 'today',
    first: 'Smaller meals more often, of more than one kind; look for white strings.',
    vet: 'Within the week: what lives in the gut needs a medicine in the food.',
  },
  bloated: {
    may: 'Overfed, constipated, with eggs, an infection, or gas after being brought up from depth.',
    kills: 'With scales that stand off within days; else seldom.',
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
    return 'A day or two without food after a move is usual. Dim light, hides; look from a distance, offer little and take it out within the hour.';
  if (days <= 3)
    return 'Live or moving food once or twice a day: enriched brine shrimp, mysids, pods. Ask the seller what it ate. Ammonia tested daily.';
  if (days <= 6)
    return 'Try what its kind eats in the wild, in dim light; look for a rival, and for signs. Small portions three times a day.';
  return 'Over a week: ask a veterinarian who knows fish, above all if it thins. A fish beyond help is a matter for the veterinarian and the law.';
}
