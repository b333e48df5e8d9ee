import * as z from 'zod';
import { idSchema, nameSchema } from '../common';
import { listWords } from '../../units/format';
import { NO_EFFECT, SLOWED, type CycleEffect } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const DAILY_CHECK_STATES = ['well', 'notEating', 'sign'] as const;
export type DailyCheckState = (typeof DAILY_CHECK_STATES)[number];

export const SIGNS = [
  'whiteGrains',
  'dust',
  'frayedFins',
  'cloudyEye',
  'fastBreathing',
  'scratching',
  'flashing',
  'stringyFaeces',
  'thin',
  'bloated',
  'slime',
  'redSores',
  'intoTheFlow',
  'lumps',
  'onItsSide',
  'bulgingEye',
  'thinThoughEating',
] as const;
export type Sign = (typeof SIGNS)[number];

export const SIGN_WORDS: WordsOf<Sign> = {
  whiteGrains: 'White grains',
  dust: 'Fine dust, like velvet',
  frayedFins: 'Frayed fins',
  cloudyEye: 'Cloudy eye',
  fastBreathing: 'Fast breathing',
  scratching: 'Scratching on things',
  flashing: 'Darting and flashing',
  stringyFaeces: 'Stringy faeces',
  thin: 'Thin, and eats little',
  bloated: 'Bloated',
  slime: 'White slime, or skin coming off',
  redSores: 'Red sores or streaks',
  intoTheFlow: 'Swims into the flow, or hides from light',
  lumps: 'Lumps on skin or fins',
  onItsSide: 'Lies on its side',
  bulgingEye: 'Bulging eye',
  thinThoughEating: 'Thin though it eats',
};

const schema = z.strictObject({
  kind: z.literal('dailyCheck'),
  ...ofTank,
  /** The group that was looked at: the entry it came in with. */
  cohort: idSchema,
  what: nameSchema,
  state: z.enum(DAILY_CHECK_STATES),
  /** What was seen; of a sign at least one. */
  signs: z.array(z.enum(SIGNS)).max(SIGNS.length),
  /** Breaths a minute, where they were counted. */
  breaths: z.number().min(1).max(400).optional(),
});
export type DailyCheckEntry = z.infer<typeof schema>;

const STATE_WORDS: WordsOf<DailyCheckState> = {
  well: 'well',
  notEating: 'not eating',
  sign: 'a sign',
};

/** The daily look at one animal in quarantine. */
export const dailyCheck = defineKind({
  schema,
  subject: 'tank',
  name: 'daily check',
  counted: ['daily check', 'daily checks'],
  reported: true,
  title: ({ what }) => what,
  line: ({ state, signs, breaths }) =>
    [
      signs.length > 0
        ? listWords(signs.map((s) => SIGN_WORDS[s].toLowerCase()))
        : STATE_WORDS[state],
      ...(breaths === undefined ? [] : [`${breaths} breaths a minute`]),
    ].join(', '),
  touches: () => ['livestock'],
  cycle: () => NO_EFFECT,
});

/** Tank, sponge and tools after a batch: thrown away, disinfected, rinsed and dried. */
export const cleaning = defineKind({
  schema: z.strictObject({ kind: z.literal('cleaning'), ...ofTank }),
  subject: 'tank',
  name: 'quarantine cleaned',
  counted: ['cleaning of the quarantine', 'cleanings of the quarantine'],
  reported: true,
  title: () => 'Quarantine cleaned',
  line: () => 'sponge thrown away; tank and tools disinfected, rinsed and dried',
  touches: () => ['equipment'],
  // The sponge, which is all the filter bacteria a quarantine tank has, is thrown away.
  cycle: () => ({ filterBacteria: { is: 'ended' } }),
});

export const SPONGE_MOVES = ['seeding', 'working', 'discarded'] as const;

/** One that is only seeded here is no part of the filter bacteria that were shown. */
const SPONGE_EFFECTS: Record<(typeof SPONGE_MOVES)[number], CycleEffect> = {
  seeding: NO_EFFECT,
  working: { filterBacteria: { is: 'brought' } },
  // Where it was at work most of the filter bacteria went with it.
  discarded: SLOWED,
};

/** A sponge: put where it is seeded in a healthy tank, put to work in quarantine, thrown away. */
export const sponge = defineKind({
  schema: z.strictObject({
    kind: z.literal('sponge'),
    ...ofTank,
    move: z.enum(SPONGE_MOVES),
    /** Where it was seeded, of one put to work. */
    fromTankId: idSchema.optional(),
  }),
  subject: 'tank',
  name: 'sponge',
  counted: ['sponge entry', 'sponge entries'],
  reported: true,
  title: () => 'Sponge',
  line: ({ move }) =>
    ({
      seeding: 'put where it is seeded',
      working: 'put to work here',
      discarded: 'thrown away',
    })[move],
  touches: () => ['equipment', 'ammonia'],
  cycle: ({ move }) => SPONGE_EFFECTS[move],
});
