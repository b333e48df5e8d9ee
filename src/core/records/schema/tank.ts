import * as z from 'zod';
import { nameSchema, nonNegative, positive, zoneSchema } from '../common';
import { shortKeySchema } from '../keys';

export const TANK_KINDS = ['display', 'quarantine', 'other'] as const;
export const ROCKS = ['dryRock', 'organicDryRock', 'liveRock', 'establishedMedia', 'none'] as const;
export const LIGHT_PLANS = ['off', 'on', 'onWithSand', 'fullBeforeStocking'] as const;

/** What of a tank can be told later: until it is, sums take the usual and say so. */
export const TANK_PARTS = ['rock', 'sump', 'fill', 'light'] as const;
export type TankPart = (typeof TANK_PARTS)[number];

const boxSchema = z.strictObject({
  /** cm, outside the glass. */
  length: positive,
  width: positive,
  height: positive,
  /** Thickness of the glass, mm. */
  glass: nonNegative,
  /** Water line below the rim, cm. */
  fillGap: nonNegative,
});

const sumpSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('litres'), litres: nonNegative }),
  z.strictObject({
    by: z.literal('box'),
    /** cm, inside. */
    length: positive,
    width: positive,
    /** Depth of water while the return pump runs, cm. */
    waterDepth: positive,
  }),
]);

/** How much water there is: the shell by its size or its label, and what takes room in it. */
export const volumeSchema = z.strictObject({
  shell: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('dimensions'), box: boxSchema }),
    z.strictObject({ by: z.literal('label'), litres: positive }),
  ]),
  /** Rock in the display, kg as weighed dry. */
  rockKg: nonNegative,
  /** Solid density of that rock, kg per litre of room it takes. */
  rockDensity: positive,
  /** Depth of the sand bed, cm. */
  sandDepth: nonNegative,
  sump: sumpSchema.nullable(),
  /** What went in when it was filled, litres; used in place of the geometry when present. */
  measuredAtFill: z
    .discriminatedUnion('by', [
      z.strictObject({ by: z.literal('litres'), litres: positive }),
      z.strictObject({ by: z.literal('rate'), minutes: positive, litresPerMinute: positive }),
    ])
    .nullable(),
});
export type TankVolume = z.infer<typeof volumeSchema>;

export const doneRuleChoiceSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('bothZero') }),
  z.strictObject({
    rule: z.literal('bothZeroHeld'),
    daysAtZero: z.union([z.literal(7), z.literal(14)]),
  }),
  z.strictObject({
    rule: z.literal('challenge'),
    windowHours: z.union([z.literal(24), z.literal(48)]),
  }),
  z.strictObject({ rule: z.literal('nitrateLevel') }),
  z.strictObject({
    rule: z.literal('bottleProgramme'),
    programmeDays: z.int().min(1).max(90),
  }),
  z.strictObject({ rule: z.literal('algaeSuccession') }),
]);
export type DoneRuleChoice = z.infer<typeof doneRuleChoiceSchema>;
export type DoneRuleId = DoneRuleChoice['rule'];
export const DEFAULT_DONE_RULE: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 };

export const AMMONIA_SOURCES = [
  'ammoniumChloride',
  'householdAmmonia',
  'prawn',
  'food',
  'rockOrganics',
  'fish',
] as const;
export type AmmoniaSource = (typeof AMMONIA_SOURCES)[number];
export const SEEDINGS = [
  'none',
  'bottle',
  'liveSand',
  'coatedRock',
  'liveRock',
  'establishedMedia',
] as const;
export type Seeding = (typeof SEEDINGS)[number];

/** How the keeper means to cycle it: where ammonia comes from, and what the filter bacteria start from. */
export const methodSchema = z.strictObject({
  source: z.enum(AMMONIA_SOURCES),
  seeding: z.enum(SEEDINGS),
});
export type Method = z.infer<typeof methodSchema>;

/** How fast animals are added: the food a month at most doubles, one addition and then a wait, or what the model carries. */
export const paceSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('doubling') }),
  z.strictObject({ rule: z.literal('interval'), days: z.int().min(7).max(60) }),
  z.strictObject({ rule: z.literal('measured') }),
]);
export type Pace = z.infer<typeof paceSchema>;

/** How a tank is stocked. */
export const stockingSchema = z.strictObject({
  pace: paceSchema,
  /** The protocol its fish go through before they come in, by its id. */
  protocol: shortKeySchema,
});
export type Stocking = z.infer<typeof stockingSchema>;
export const DEFAULT_STOCKING: Stocking = { pace: { rule: 'doubling' }, protocol: 'observe' };

/** A bottle's own programme, as its label has it. */
export const programmeSchema = z.strictObject({
  /** mL for each 100 L of water on the first day, and on the later ones. */
  firstMl: positive,
  laterMl: nonNegative,
  /** Days between the later doses. */
  every: z.int().min(1).max(30),
  /** Length of the programme, days. */
  days: z.int().min(1).max(90),
});
export type Programme = z.infer<typeof programmeSchema>;

const flowSchema = z.enum(['gentle', 'medium', 'strong']);
const lightSchema = z.enum(['low', 'medium', 'high']);

/** How a tank is lit and moved, for placing corals: by height, and by thirds of its length. */
export const reefSchema = z.strictObject({
  light: z.strictObject({
    sand: lightSchema,
    low: lightSchema,
    middle: lightSchema,
    high: lightSchema,
  }),
  flow: z.tuple([flowSchema, flowSchema, flowSchema]),
});
export type Reef = z.infer<typeof reefSchema>;
export const DEFAULT_REEF: Reef = {
  light: { sand: 'low', low: 'low', middle: 'medium', high: 'high' },
  flow: ['medium', 'medium', 'medium'],
};

/** A light that is raised week by week. */
export const rampSchema = z.strictObject({
  from: z.number().min(1).max(100),
  to: z.number().min(1).max(100),
  weeks: z.int().min(1).max(26),
  /** The day it begins. */
  start: z.iso.date(),
});
export type Ramp = z.infer<typeof rampSchema>;

/** What a tank is. What happens to it, that it was filled or got its lid, are entries. */
export const tankSchema = z.strictObject({
  name: nameSchema,
  kind: z.enum(TANK_KINDS),
  /** IANA time zone in which its days are counted. */
  zone: zoneSchema,
  volume: volumeSchema,
  rock: z.enum(ROCKS),
  /** What is meant to be done with the light while it cycles; that it was done is an entry. */
  lightPlan: z.enum(LIGHT_PLANS),
  doneRule: doneRuleChoiceSchema,
  method: methodSchema.optional(),
  /** The bottle's programme that is followed, counted from the first bacteria. */
  programme: programmeSchema.optional(),
  /** How it is stocked, where the keeper chose. */
  stocking: stockingSchema.optional(),
  /** Light and flow in it, where the keeper said. */
  reef: reefSchema.optional(),
  ramp: rampSchema.optional(),
  /** What was not told yet; what stands there meanwhile is nothing, and not known to be nothing. */
  notEntered: z.array(z.enum(TANK_PARTS)).max(TANK_PARTS.length).optional(),
});
export type Tank = z.infer<typeof tankSchema>;
