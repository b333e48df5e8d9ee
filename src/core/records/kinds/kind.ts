import * as z from 'zod';
import type { ParameterId } from '../../parameters/registry';
import { idSchema, instantSchema, noteSchema } from '../common';
import type { CycleEffect, EffectContext } from './effect';
import type { Kit } from '../schema/kit';

/** What every entry carries. */
export const dated = { at: instantSchema, note: noteSchema.optional() };
/** What an entry about a tank carries. */
export const ofTank = { tankId: idSchema, ...dated };

/** What an entry can be about. What hangs on a kit or on the household renews every tank it serves. */
export type SubjectType = 'tank' | 'kit' | 'household';

/** What an entry has to do with: a parameter it moves, the growth one sees, who lives there, what is made ready. */
export type Touch = ParameterId | 'growth' | 'livestock' | 'equipment' | 'supplies';

/** What the words of an entry may need of its tank. */
export interface WordsContext {
  /** Net water of its tank, litres; null where the tank is not known. */
  netLitres: number | null;
  zone: string;
  kitOf: (id: string) => Kit | undefined;
}

/**
 * All there is to know about one kind of entry but the form that takes it. Words are for lists,
 * undo, reports and calendars alike.
 */
export interface Kind<S extends z.ZodType> {
  schema: S;
  subject: SubjectType;
  /** What the kind is called where nothing of the entry is shown: "water change". */
  name: string;
  /** One of it and several, where entries are counted: "3 water changes". */
  counted: readonly [one: string, many: string];
  /** Whether it stands in a report of its tank: what may have to do with how its animals are does. */
  reported: boolean;
  /** The entry in a word or two, for the first line of a row. */
  title: (entry: z.infer<S>) => string;
  /** The rest of it in a line; may be empty. */
  line: (entry: z.infer<S>, context: WordsContext) => string;
  /** What it has to do with: which charts mark it. */
  touches: (entry: z.infer<S>) => readonly Touch[];
  /** What it may do to the cycle of its tank: nothing has to be said as well. */
  cycle: (entry: z.infer<S>, context: EffectContext) => CycleEffect;
}

/** Ties the words of a kind to the type of its schema. */
export function defineKind<S extends z.ZodType>(kind: Kind<S>): Kind<S> {
  return kind;
}

/** A word of a list of choices, of which each must have its own. */
export type WordsOf<T extends string> = Record<T, string>;
