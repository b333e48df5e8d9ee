import * as z from 'zod';
import { CAUTIONS } from '../cautions';
import pests from './pests.json';

/** What a keeper sees first of a pest on corals, rock, clams and snails. */
export const PEST_SIGNS = {
  recedes: 'Flesh comes off a coral',
  jelly: 'Brown jelly on a coral',
  biteMarks: 'Bite marks, bare patches',
  closed: 'Polyps stay closed for days',
  eggs: 'Spirals or patches of eggs',
  movingSpecks: 'Specks that move',
  flatWorms: 'Flat worms',
  slugs: 'Slugs on polyps',
  smallAnemones: 'Small anemones or flowers on rock',
  webs: 'Sticky webs',
  tubes: 'Hard little tubes',
  riceSnails: 'Snails like grains of rice',
  smallStars: 'Small grey stars',
  longWorms: 'Long worms with bristles',
  stings: 'Something stings the hand',
  clicks: 'Clicks by night',
  missing: 'Snails, crabs or fish go missing',
} as const;
export type PestSign = keyof typeof PEST_SIGNS;
export const PEST_SIGN_IDS = Object.keys(PEST_SIGNS).filter((id): id is PestSign =>
  Object.hasOwn(PEST_SIGNS, id),
);

/** How soon something is done, the most pressing first. */
export const PEST_URGENCIES = ['now', 'today', 'week', 'watch'] as const;
export type PestUrgency = (typeof PEST_URGENCIES)[number];
export const PEST_URGENCY_WORDS: Record<PestUrgency, string> = {
  now: 'At once',
  today: 'Today',
  week: 'This week',
  watch: 'Watch it',
};

const isCaution = (id: string): id is keyof typeof CAUTIONS => Object.hasOwn(CAUTIONS, id);

const pestSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  looks: z.string(),
  signs: z.array(z.enum(PEST_SIGN_IDS)).min(1),
  urgency: z.enum(PEST_URGENCIES),
  /** What it does to the tank. */
  harm: z.string(),
  first: z.string(),
  not: z.string(),
  /** The caution for the person who handles it. */
  caution: z.string().refine(isCaution).optional(),
});
export type Pest = z.infer<typeof pestSchema>;

/** Pests of corals, rock, clams and snails. What each is told by is the hobby's experience, never a diagnosis. */
export const PESTS: readonly Pest[] = z.array(pestSchema).parse(pests);

/** What a sign may be, the most pressing first. */
export function pestsBy(sign: PestSign): Pest[] {
  return PESTS.filter(({ signs }) => signs.includes(sign)).sort(
    (a, b) => PEST_URGENCIES.indexOf(a.urgency) - PEST_URGENCIES.indexOf(b.urgency),
  );
}
