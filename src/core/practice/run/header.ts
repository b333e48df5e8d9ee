import * as z from 'zod';
import { instantSchema, zoneSchema } from '../../records/common';
import { VERDICT_WORDS } from '../../cycle/verdict/types';
import { LAWS } from '../world/nature';
import { SITUATION_IDS } from '../situations/situations';

/** What was said of the tank as the clock was moved on: kept when it was said, since it could not be inferred afterwards. */
export const saidSchema = z.strictObject({
  at: instantSchema,
  /** The verdict, and the first reason that stood against more. */
  verdict: z.enum(VERDICT_WORDS),
  because: z.string().max(400),
  /** The forecast of both clear: earliest, middle and latest moment of 8 in 10; null without one. */
  forecast: z.tuple([instantSchema, instantSchema, instantSchema]).nullable(),
  /** What the next test was to be, and when; null where none was named. */
  nextTest: z
    .strictObject({ at: instantSchema, tests: z.array(z.string().max(40)).max(12) })
    .nullable(),
});
export type Said = z.infer<typeof saidSchema>;

/** Longest life that is practised, days, and most moments of which what was said is kept. */
export const LONGEST_DAYS = 400;
const MOST_SAID = 2000;

/** All that a run is besides its deeds. */
export const headerSchema = z.strictObject({
  seed: z.int().min(0).max(4294967295),
  situation: z.enum(SITUATION_IDS),
  /** When it was begun, by the clock on the wall: the practice clock begins there. */
  startedAt: instantSchema,
  zone: zoneSchema,
  /** By which laws its tank was drawn: a run of before there were two keeps the first. */
  laws: z.literal(LAWS).default(1),
  /** The practice clock. */
  clock: instantSchema,
  said: z.array(saidSchema).max(MOST_SAID),
  /** Which answer to the situation's question was chosen; null until one is. */
  answer: z.int().min(0).max(9).nullable(),
});
export type RunHeader = z.infer<typeof headerSchema>;

/** A header with one more thing said; one said at the same moment is replaced, and the oldest give way. */
export function withSaid(header: RunHeader, said: Said): RunHeader {
  const before = header.said.filter(({ at }) => at !== said.at);
  return { ...header, said: [...before, said].slice(-MOST_SAID) };
}
