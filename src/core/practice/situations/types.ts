import type { EntryBody } from '../../records/kinds';
import type { KitTemplateId } from '../../parameters/registry';
import type { Tank } from '../../records/schema/tank';
import type { Hidden } from '../world/nature';

/** Something that was done before the keeper takes the tank over. */
export interface PastDeed {
  /** Day of the tank's life, with its hour as a fraction. */
  day: number;
  entry: EntryBody;
}

/** A test that was made before, of what the world then was; a card is read as it looked. */
export interface PastTest {
  day: number;
  tests: readonly KitTemplateId[];
}

export interface Answer {
  words: string;
  right: boolean;
  /** Why, told once it was chosen. */
  why: string;
}

/** A tank to start from. */
export interface Situation {
  name: string;
  /** What the keeper knows, in a few sentences. */
  tells: string;
  /** Day of its life on which it is taken over. */
  takenOver: number;
  rock: Tank['rock'];
  litres: number;
  method: NonNullable<Tank['method']>;
  doneRule: Tank['doneRule'];
  programme?: Tank['programme'];
  toppedOff: boolean;
  hidden: Hidden;
  /** Days before the taking over at which the ammonia kit ran out, by what is printed on it. */
  ammoniaKitExpired?: number;
  past: readonly PastDeed[];
  tested: readonly PastTest[];
  /** Asked at the end; null for one that is only lived in. */
  question: { asks: string; answers: readonly Answer[] } | null;
  /** What was hidden, told afterwards. */
  was: string;
}
