import { tankHistory } from '../src/core/history/derive';
import { DAY_MS } from '../src/core/time/zone';
import { contradictions, voicesOf } from '../src/testing/heldOut/oneStory';
import { METHODS } from '../src/testing/heldOut/study';
import { TROUBLES, type Trouble } from '../src/testing/heldOut/troubles';
import { liveUntidily, DONE_RULE_CHOICES } from '../src/testing/heldOut/untidy';
import { FILLED } from '../src/testing/logBuilder';
import type { Study } from './study';

interface Row {
  looks: number;
  found: string[];
}

/** Shares of a life at which everything that is said of its tank is held against each other. */
const LOOKS = [0.25, 0.5, 0.75, 1] as const;

/** Whether the voices of the app tell one story, in lives of every kind under every rule for done. */
export const stories: Study = {
  keys: (size) =>
    Array.from({ length: size }, (_, n) => TROUBLES.map((trouble) => `${trouble} ${n}`)).flat(),
  run: (key) => {
    const [trouble = 'none', number = '0'] = key.split(' ');
    const n = Number(number) * TROUBLES.length + TROUBLES.indexOf(trouble as Trouble);
    const doneRule = DONE_RULE_CHOICES[n % DONE_RULE_CHOICES.length];
    const method = METHODS[n % METHODS.length];
    if (!doneRule || !method) throw new Error(key);
    const life = liveUntidily(trouble as Trouble, doneRule, method, 31_337 + 17 * n);
    const log = life.builder.log();
    const found = LOOKS.flatMap((share, place) => {
      const testSession = life.testSessions[Math.floor(share * (life.testSessions.length - 1))];
      // After a test session, and a day later: what was asked for stands.
      const day = (testSession?.day ?? 1) + (place % 2 === 0 ? 0.02 : 1.1);
      const at = FILLED + Math.round(day * DAY_MS);
      const history = tankHistory(log, life.builder.tankId, at);
      return contradictions(voicesOf(history, at, { seed: 1 })).map(
        (what) => `${what}, day ${day}`,
      );
    });
    return { looks: LOOKS.length, found };
  },
  report: (all) => {
    const rows = all as unknown as (Row & { key: string })[];
    return [
      {
        lives: rows.length,
        looks: rows.reduce((sum, { looks }) => sum + looks, 0),
        contradictions: rows.reduce((sum, { found }) => sum + found.length, 0),
      },
      ...rows.filter(({ found }) => found.length > 0).map(({ key, found }) => ({ key, found })),
    ];
  },
};
