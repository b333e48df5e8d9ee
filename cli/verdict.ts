import { tankHistory, verdictOf, type Log } from '../src/core';
import { assure, cycleProblem } from '../src/core/cycle/forecast';
import { riseWords } from '../src/core/cycle/doseSize';
import { ownDoseWords } from '../src/core/cycle/dosing/amount';
import { asksForecast } from '../src/core/cycle/verdict/proof';
import type { Verdict } from '../src/core/cycle/verdict/types';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import type { TankHistory } from '../src/core/history/tankHistory';
import type { Bands } from '../src/core/parameters/bands';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { bandsOfLog } from './logFile';
import { iso } from './iso';

/** The verdict as the app shows it: with what the forecast says, where the rules leave only that open. */
export function verdictAt(
  history: TankHistory,
  at: number,
  bands: Bands,
  effort: InferenceOptions,
): Verdict {
  const ruled = verdictOf(history, at, bands);
  if (!asksForecast(ruled)) return ruled;
  const assurance = assure(cycleProblem(history, at), effort);
  return verdictOf(history, at, bands, assurance);
}

/** A verdict as the command prints it. */
export function verdictJson(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  effort: InferenceOptions,
) {
  const history = tankHistory(log, tank.id, at);
  const { doneRule, word, ready, readyFor, lasts, proof, criteria } = verdictAt(
    history,
    at,
    bandsOfLog(log),
    effort,
  );
  return {
    tank: tank.body.name,
    at: iso(at),
    doneRule,
    word,
    ready,
    readyFor,
    lasts,
    proof: proof && {
      step: proof.step,
      dose: riseWords(history, proof.rise),
      measured: ownDoseWords(history, proof.rise),
      hours: proof.hours,
      testAt: iso(proof.testAt),
      lateAt: iso(proof.lateAt),
      chance: proof.chance,
    },
    criteria: criteria.map(({ id, state, because }) => ({ id, state, because })),
  };
}
