import type { DoseStrength } from '../../records/kinds/dose';
import type { EntryBody } from '../../records/kinds';
import { DEFAULT_DONE_RULE } from '../../records/schema/tank';
import type { Situation } from './types';

/** A drop in ten litres raises ammonia by a tenth of a ppm, as an invented label puts it. */
export const PRACTICE_LABEL: DoseStrength = {
  by: 'label',
  amount: 20,
  unit: 'drop',
  litres: 10,
  gives: 2,
  basis: 'ammonia NH4',
};

const filled: EntryBody = { kind: 'filled' };
const ammonium = (drops: number): EntryBody => ({
  kind: 'dose',
  substance: 'ammoniumChloride',
  amount: { by: 'drops', drops, dropMl: 0.05 },
  strength: PRACTICE_LABEL,
  about: false,
});
const bottle = (litres: number): EntryBody => ({
  kind: 'dose',
  substance: 'bacteria',
  amount: { by: 'mL', mL: litres },
  strength: null,
  about: false,
  bottle: { keeps: 'shelfStable', storedCold: false, madeOn: null, forLitres: litres },
});
const lit: EntryBody = { kind: 'light', state: 'on', hoursADay: 9 };
const note = (text: string): EntryBody => ({ kind: 'note', text });

const AMMONIUM = { source: 'ammoniumChloride', seeding: 'none' } as const;
const BOTTLED = { source: 'ammoniumChloride', seeding: 'bottle' } as const;
/** Tests of a sitting. */
const NITROGEN = ['ammoniaCard', 'nitriteCard'] as const;
const ALL = [...NITROGEN, 'nitrateCard', 'phPen', 'refractometer', 'thermometer'] as const;

const usual = {
  rock: 'dryRock',
  litres: 160,
  doneRule: DEFAULT_DONE_RULE,
  toppedOff: true,
  hidden: {},
  past: [],
  tested: [],
  takenOver: 0,
  question: null,
} as const satisfies Partial<Situation>;

/** Every tank that practice can start from; the first three are free, the others hide something. */
export const SITUATIONS = {
  dryRock: {
    ...usual,
    name: 'Dry rock and ammonium chloride',
    tells:
      'A new tank of 160 litres, filled an hour ago. The rock is dry and clean, the ammonium chloride stands beside it, nothing lives in it. Take it to ready.',
    method: AMMONIUM,
    past: [{ day: 0, entry: filled }],
    was: 'Nothing was hidden: what it was like was drawn by chance.',
  },
  bottle: {
    ...usual,
    name: 'Dry rock and a bottle of bacteria',
    tells:
      'A new tank of 160 litres with dry rock, a bottle of bacteria for just that much water, and ammonium chloride to feed them. Take it to ready.',
    method: BOTTLED,
    past: [{ day: 0, entry: filled }],
    was: 'Nothing was hidden: how much lived in the bottle was drawn by chance.',
  },
  liveRock: {
    ...usual,
    name: 'Live rock',
    tells:
      'A new tank of 160 litres with 18 kg of live rock, in it since an hour ago. Something on it will die and something will live. Take it to ready.',
    rock: 'liveRock',
    method: { source: 'rockOrganics', seeding: 'liveRock' },
    past: [{ day: 0, entry: filled }],
    was: 'Nothing was hidden: what lived on the rock was drawn by chance.',
  },
  meterSet: {
    ...usual,
    name: 'A meter set with fresh water',
    tells:
      'Filled nine days ago, ammonia is on its way down. The refractometer was set to zero with purified water before the salt was mixed, and has read 35 ever since. The first fish would come from a shop that keeps its tanks at 35.',
    method: BOTTLED,
    takenOver: 9,
    hidden: { salinityOffset: 4, salinity: 31 },
    past: [
      {
        day: 0,
        entry: note('Refractometer set to zero with purified water. Mixed the salt to 35.'),
      },
      { day: 0.05, entry: filled },
      { day: 1, entry: bottle(160) },
      { day: 1.05, entry: ammonium(320) },
    ],
    tested: [
      { day: 2, tests: ALL },
      { day: 5, tests: ALL },
      { day: 8, tests: ALL },
    ],
    question: {
      asks: 'What was the salinity while the meter read 35?',
      answers: [
        {
          words: 'About 35',
          right: false,
          why: 'Set with fresh water a refractometer is right at 0, and may be far off at 35.',
        },
        {
          words: 'About 31',
          right: true,
          why: 'In a standard of 35 it read 39. Set with the standard it told the truth from then on.',
        },
        {
          words: 'About 39',
          right: false,
          why: 'It read too high, so the water held less salt than it said.',
        },
      ],
    },
    was: 'The meter read 4 ppt too high: the water had 31. A zero set with fresh water says nothing about 35; a standard of 35 does.',
  },
  chloramine: {
    ...usual,
    name: 'A bucket from the tap',
    tells:
      'Day 12. Ammonia was overdosed and the card shows its darkest step. You mean to change half of the water to bring it down. The unit for purified water is out of order since yesterday, the tap runs, and a neighbour says that tap water has always been fine.',
    method: BOTTLED,
    takenOver: 12,
    hidden: { tapChloramine: 1.2 },
    past: [
      { day: 0, entry: filled },
      { day: 0.5, entry: bottle(160) },
      { day: 0.55, entry: ammonium(320) },
      { day: 11.5, entry: ammonium(1100) },
    ],
    tested: [
      { day: 2, tests: NITROGEN },
      { day: 6, tests: ALL },
      { day: 9.5, tests: NITROGEN },
      { day: 11.9, tests: ALL },
    ],
    question: {
      asks: 'What would half a tank of water from this tap have done?',
      answers: [
        {
          words: 'Halved the ammonia and nothing else',
          right: false,
          why: 'This tap has chloramine in it: chlorine bound to ammonia.',
        },
        {
          words: 'Brought ammonia along and killed filter bacteria',
          right: true,
          why: 'Chloramine falls apart into chlorine, which kills them, and ammonia, which stays. A conditioner takes the first and leaves the second.',
        },
        {
          words: 'Only slowed the bacteria for a day',
          right: false,
          why: 'So much of it kills most of them: the cycle begins again from what is left.',
        },
      ],
    },
    was: 'The tap has chloramine: half a tank of it brings 0.6 ppm of ammonia, and kills most of the filter bacteria unless a conditioner is used.',
  },
  bottleInSun: {
    ...usual,
    name: 'A bottle that promised a week',
    tells:
      'Day 7. A bottle of bacteria went in on the first day with a dose of ammonium chloride. It had travelled in a parcel in August, which is all that is known of it. Its label promises a cycle within a week.',
    method: BOTTLED,
    takenOver: 7,
    hidden: { bottleAlive: 0.004, ammoniaStart: 0.2 },
    past: [
      { day: 0, entry: filled },
      { day: 0.1, entry: bottle(160) },
      { day: 0.12, entry: ammonium(320) },
    ],
    tested: [
      { day: 1, tests: NITROGEN },
      { day: 4, tests: ALL },
      { day: 6.8, tests: NITROGEN },
    ],
    question: {
      asks: 'What lived in the bottle?',
      answers: [
        {
          words: 'Enough, it only needs another week',
          right: false,
          why: 'With a sound bottle ammonia falls and nitrite shows within days.',
        },
        {
          words: 'Next to nothing',
          right: true,
          why: 'Heat kills them. What cycled the tank grew from what dust had brought, in weeks.',
        },
        {
          words: 'Only those that clear nitrite',
          right: false,
          why: 'Ammonia stood still: those that clear it were missing as well.',
        },
      ],
    },
    was: 'Of what the bottle held once, 4 in 1,000 were alive. The tank cycled as dry rock does without a bottle.',
  },
  weakAmmonium: {
    ...usual,
    name: 'A dose that does not show',
    tells:
      'Day 3. By the label the dose of ammonium chloride makes 2 ppm, and the card shows much less than that. The bottle is new to you, and the powder in it is not quite dissolved.',
    method: BOTTLED,
    takenOver: 3,
    hidden: { ammoniaStrength: 1 / 3 },
    past: [
      { day: 0, entry: filled },
      { day: 0.5, entry: bottle(160) },
      { day: 2.9, entry: ammonium(320) },
    ],
    tested: [{ day: 2.98, tests: NITROGEN }],
    question: {
      asks: 'Why did the card show so little?',
      answers: [
        {
          words: 'The bacteria had eaten it at once',
          right: false,
          why: 'Within two hours of the dose they cannot have, and there was no nitrite to show for it.',
        },
        {
          words: 'The bottle held a third of what its label says',
          right: true,
          why: 'Every dose came to a third. A dose that is tested at once shows it, and a proof with it would have proved a third.',
        },
        {
          words: 'The kit was dead',
          right: false,
          why: 'It showed what was there: a larger dose shows as more.',
        },
      ],
    },
    was: 'The bottle held a third of its strength. Whoever proved the filter with “2 ppm” had proved it with 0.7.',
  },
  alkalinityGone: {
    ...usual,
    name: 'A cycle that stopped',
    tells:
      'Day 20. Ammonia and nitrite were both falling, a second and a third dose went in, and since some days nothing moves any more. Bacteria, temperature and kits are as they were.',
    method: BOTTLED,
    takenOver: 20,
    hidden: { alkalinity: 4.8, alkalinityUse: 0.2 },
    past: [
      { day: 0, entry: filled },
      { day: 0.5, entry: bottle(160) },
      { day: 0.55, entry: ammonium(320) },
      { day: 9, entry: ammonium(480) },
      { day: 14, entry: ammonium(640) },
    ],
    tested: [
      { day: 3, tests: NITROGEN },
      { day: 8.9, tests: NITROGEN },
      { day: 13.9, tests: NITROGEN },
      { day: 17, tests: NITROGEN },
      { day: 19.9, tests: ALL },
    ],
    question: {
      asks: 'What did the bacteria lack?',
      answers: [
        {
          words: 'Oxygen',
          right: false,
          why: 'The pumps ran, and the water held as much as it can.',
        },
        {
          words: 'Alkalinity',
          right: true,
          why: 'Each ppm of ammonia that is oxidised takes some. Near 1 dKH the bacteria stand almost still.',
        },
        {
          words: 'More bacteria from a bottle',
          right: false,
          why: 'There were enough of them: they stood still.',
        },
      ],
    },
    was: 'The salt was low in alkalinity, the rock took some each day, and three doses took the rest. Raised in steps, the cycle goes on within a day.',
  },
  spentKit: {
    ...usual,
    name: 'Zero, zero, zero',
    tells:
      'Day 15. The ammonia card has read zero since day 6, so nothing stands in the way of a fish, it seems. The kit was in the drawer of an earlier tank.',
    method: AMMONIUM,
    takenOver: 15,
    hidden: { ammoniaReagent: 0.03, ammoniaStart: 0.01 },
    ammoniaKitExpired: 400,
    past: [
      { day: 0, entry: filled },
      { day: 0.5, entry: ammonium(320) },
    ],
    tested: [
      { day: 6, tests: NITROGEN },
      { day: 10, tests: NITROGEN },
      { day: 14.9, tests: ALL },
    ],
    question: {
      asks: 'How much ammonia was there on day 15?',
      answers: [
        {
          words: 'None',
          right: false,
          why: 'There had been no nitrite and no nitrate to show where it would have gone.',
        },
        {
          words: 'Nearly all of the dose',
          right: true,
          why: 'The reagent was spent, and the card would have read zero in anything. A dose that must show, and does not, tells.',
        },
        {
          words: 'So little that it did not matter',
          right: false,
          why: 'It would have burnt the gills of the first fish.',
        },
      ],
    },
    was: 'The ammonia kit had run out a year ago and gave no colour any more. The dose of the first day was still there.',
  },
  fishToday: {
    ...usual,
    name: 'The bottle says fish today',
    tells:
      'Day 5. The bottle went in on the first day, and its label has fish going in on the fifth. The family stands around the tank. Ammonia was dosed once and reads a little, nitrite shows.',
    method: BOTTLED,
    doneRule: { rule: 'bottleProgramme', programmeDays: 5 },
    programme: { firstMl: 100, laterMl: 0, every: 1, days: 5 },
    takenOver: 5,
    past: [
      { day: 0, entry: filled },
      { day: 0.1, entry: bottle(160) },
      { day: 0.15, entry: ammonium(240) },
    ],
    tested: [
      { day: 1, tests: NITROGEN },
      { day: 3, tests: NITROGEN },
      { day: 4.9, tests: ALL },
    ],
    question: {
      asks: 'What does a label know of this tank?',
      answers: [
        {
          words: 'Enough: its maker has tried it',
          right: false,
          why: 'Not how old the bottle is, how warm it stood, how much ammonia there is, nor what your tests read.',
        },
        {
          words: 'Nothing: it counts days',
          right: true,
          why: 'Days clear no ammonia. What tests read, and a dose that is gone in its hours, does.',
        },
      ],
    },
    was: 'Five days after the bottle the filter could not yet carry two fish. It could some weeks later, with nobody in it.',
  },
  nothingWrong: {
    ...usual,
    name: 'Brown dust and purple cards',
    tells:
      'Day 15. Ammonia is gone, the nitrite card has been dark purple for days and does not move, and the sand turns brown. The shop offers a bottle against each of them.',
    method: BOTTLED,
    takenOver: 15,
    hidden: { nitriteStart: 0.004 },
    past: [
      { day: 0, entry: filled },
      { day: 0.5, entry: bottle(160) },
      { day: 0.55, entry: ammonium(320) },
      { day: 1, entry: lit },
    ],
    tested: [
      { day: 4, tests: NITROGEN },
      { day: 8, tests: NITROGEN },
      { day: 11, tests: ALL },
      { day: 14.9, tests: ALL },
    ],
    question: {
      asks: 'What did the tank need?',
      answers: [
        {
          words: 'A bottle against nitrite and one against algae',
          right: false,
          why: 'Neither shortens it. Diatoms go when the silicate in the water is used up.',
        },
        {
          words: 'Time',
          right: true,
          why: 'Nitrite oxidisers grow slowly, and were growing all the while. A card that shows its last step cannot show that.',
        },
        {
          words: 'A large water change',
          right: false,
          why: 'It would have taken the nitrite they grow on, and the reading with it.',
        },
      ],
    },
    was: 'Nothing was wrong. Nitrite stood high because those that clear it double in days, and diatoms live as long as there is silicate.',
  },
} as const satisfies Record<string, Situation>;

export type SituationId = keyof typeof SITUATIONS;
export const SITUATION_IDS = Object.keys(SITUATIONS) as SituationId[];
/** Free tanks, and those that hide something. */
export const FREE: readonly SituationId[] = ['dryRock', 'bottle', 'liveRock'];
export const situationOf = (id: SituationId): Situation => SITUATIONS[id];
