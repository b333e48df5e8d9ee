import * as z from 'zod';
import {
  instrumentIdSchema,
  problemSchema,
  type Instrument,
} from '../../../src/core/monitor/protocol';
import type { Household } from '../household';
import type { Pairing } from '../pairing';
import { Refusal } from '../route';

/** What routes are made of. */
export interface Parts {
  household: Household;
  pairing: Pairing;
  now: () => number;
  /** Those behind addresses that the server was given. */
  elsewhere: () => Promise<readonly Instrument[]>;
}

/** The one instrument that a path names. */
export const one = z.object({ instrument: instrumentIdSchema });

/** @throws Refusal where there is no such instrument */
export function theOne({ household }: Parts, id: string): Instrument {
  const found = household.instruments.find((each) => each.id === id);
  if (!found) throw new Refusal(404, 'There is no instrument of that name here.');
  return found;
}

/** Asks to come back later. */
export const wait = (waitMs: number, what: string) =>
  new Refusal(
    409,
    `${what} Ask again in ${Math.ceil(waitMs / 1000)} seconds.`,
    Math.ceil(waitMs / 1000),
  );
export const notYet = {
  description: 'Not yet; retryAfter says when to ask again.',
  schema: problemSchema,
};
