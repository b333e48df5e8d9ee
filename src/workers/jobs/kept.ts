import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import * as z from 'zod';
import { hashText } from '../../core/math/hash';
import { answerFromText, answerToText } from './answerText';

/** Answers of jobs that outlive the page, so that a reload shows at once what it showed. */
export interface KeptAnswers {
  /** @returns the answer as it was kept, to be read by its schema; null where there is none */
  find(key: string): Promise<unknown>;
  /** Keeps an answer; where the browser has no room, it does not, and nobody need know. */
  keep(key: string, answer: unknown): void;
  forget(): Promise<void>;
}

/** Answers kept, some two or three of each tank that is followed. */
const MOST = 12;
/** Longer ones, in characters, would crowd out the log itself; a posterior has some 250,000. */
const LONGEST = 2_000_000;
/** The keys of what is kept, oldest first. */
const ORDER = 'order';
const orderSchema = z.array(z.string());

/**
 * A text with its own hash before it. The schemas of answers look no further than a worker of the same build
 * needs; what lay on a disk may be damaged further in, and a screen would fail by it until the hour is over.
 */
const sealed = (text: string) => `${hashText(text)} ${text}`;

/** What a sealed text holds; null where it is not what was written. */
function read(kept: string | null | undefined): unknown {
  const text = kept?.slice(kept.indexOf(' ') + 1) ?? '';
  if (kept !== sealed(text)) return null;
  try {
    return answerFromText(text);
  } catch {
    return null;
  }
}

/**
 * Keeps answers in a database of their own, the newest dozen.
 * @param build names the code that answers: another build may answer otherwise, and finds nothing
 */
export function keptAnswers(database: AsyncStorage, build: string): KeptAnswers {
  let writing: Promise<unknown> = Promise.resolve();
  const inTurn = (work: () => Promise<void>) => {
    writing = writing.then(work).catch(() => undefined);
    return writing;
  };
  const named = (key: string) => `${build}/${key}`;
  const write = async (key: string, text: string) => {
    const order = orderSchema.safeParse(read(await database.getItem(ORDER))).data ?? [];
    const all = [...order.filter((known) => known !== key), key];
    const kept = all.filter((known) => known.startsWith(named(''))).slice(-MOST);
    // What another tab or another build left behind goes as well.
    const stale = (await database.getAllKeys()).filter(
      (known) => known !== ORDER && !kept.includes(known),
    );
    await database.removeMany(stale);
    await database.setMany({ [key]: sealed(text), [ORDER]: sealed(JSON.stringify(kept)) });
  };
  return {
    find: async (key) => read(await database.getItem(named(key)).catch(() => null)),
    keep(key, answer) {
      void inTurn(async () => {
        const text = answerToText(answer);
        if (text.length <= LONGEST) await write(named(key), text);
      });
    },
    async forget() {
      await inTurn(() => database.clear());
    },
  };
}
