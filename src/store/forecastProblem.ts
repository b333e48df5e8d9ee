import { cycleProblem } from '../core/cycle/problem/problem';
import { hashText } from '../core/math/hash';
import { tankHistory } from '../core/history/tankHistory';
import type { Log } from '../core/records/log';

/** The problem of a tank at a moment, and the name of its answer. */
export function problemFor(log: Log, tankId: string, at: number, seed: number, kits: string[]) {
  const problem = cycleProblem(tankHistory(log, tankId, at), at);
  return { problem, inputHash: hashText(JSON.stringify([problem, seed, kits])) };
}
